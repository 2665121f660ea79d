/** Doubtful words of the track, one after the other, and whatever words are asked about, with what may have been said instead. */
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import { wordsAt } from '../../../core/compare/same-place.ts';
import { correctedBefore } from '../../../core/find/corrections.ts';
import { baseLanguage } from '../../../core/text/language.ts';
import { withoutPunctuation } from '../../../core/languages/word-facts.ts';
import { selectedWordsAt, selectedWordsIn, type SelectedWords } from '../../../core/model/selected-words.ts';
import type { Caption, Track, WordRange } from '../../../core/model/caption.ts';
import { heldForCertain, isDoubtful } from '../../../core/model/doubt.ts';
import { ask } from '../../data/client/client.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useSelection } from '../../data/tracks/selection.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { useSoundAlikes } from '../../desk/suggestions/sound-alikes.ts';
import { whenIdle } from '../../ui/idle.ts';
import { useShownSurface } from '../../desk/text/shown-surface.ts';
import { useCorrections } from '../../desk/suggestions/corrections.ts';

/** Words with what may stand there instead. */
export interface Suggested {
  readonly caption: string;
  readonly asked: SelectedWords;
  /** The first have a number key each. */
  readonly words: readonly { readonly text: string; readonly why: string }[];
  /** More may come. */
  readonly looking: boolean;
}

/** The words are counted so long after the last change, in ms. */
const countedAfter = 120;

/** What is asked about is heard with so much before and after it, in ms: a word or two. */
const [heardBefore, heardAfter] = [700, 400];

/** As the word it takes the place of is written: with a capital where that has one. */
function writtenLike(word: string, like: string): string {
  const isCapital = /^\p{Lu}/u.test(like);
  return isCapital ? word.charAt(0).toUpperCase() + word.slice(1) : word;
}

export const useDoubt = defineStore('doubt', () => {
  const job = useJob();
  const track = useTrack();
  const shown = useShownSurface();
  const messages = useMessages();
  const cursor = useCursor();
  const selection = useSelection();
  const preferences = usePreferences();
  const corrections = useCorrections();
  const playback = usePlayback();

  let known = new WeakMap<Caption, readonly WordRange[]>();
  let knownBelow = NaN;
  /** The doubtful words of a caption; captions are values, so each is looked at once. */
  function of(caption: Caption): readonly WordRange[] {
    if (knownBelow !== preferences.doubtBelow) {
      known = new WeakMap();
      knownBelow = preferences.doubtBelow;
    }
    let found = known.get(caption);
    if (!found)
      known.set(caption, (found = caption.words.filter((w) => isDoubtful(caption, w, preferences.doubtBelow))));
    return found;
  }
  const count = ref(0);
  let counting: ReturnType<typeof setTimeout> | undefined;
  // Counted a moment after the last change: all of a long track is gone over.
  watch(
    [() => track.captions, () => preferences.doubtBelow],
    () => {
      clearTimeout(counting);
      counting = setTimeout(() => (count.value = track.captions.reduce((n, c) => n + of(c).length, 0)), countedAfter);
    },
    { immediate: true },
  );

  const isEnglish = (): boolean => baseLanguage(track.track?.language ?? job.job?.language) === 'en';
  // Where there is anything to doubt, suggestions will be asked for.
  watch(count, (now) => {
    if (now > 0 && isEnglish() && shown.surface) whenIdle(useSoundAlikes().readAhead, 10_000);
  });

  const open = shallowRef<Suggested | null>(null);
  let others: { readonly of: string; readonly tracks: readonly Track[] } | null = null;
  async function otherTracks(): Promise<readonly Track[]> {
    const here = track.track;
    if (!here) return [];
    if (others?.of === here.id) return others.tracks;
    const rest = (job.job?.tracks ?? []).filter((t) => t.id !== here.id && t.language === here.language);
    const all = await Promise.all(
      rest.map((t) => ask('GET /api/tracks/:id', { params: { id: t.id } }).catch(() => null)),
    );
    others = { of: here.id, tracks: all.filter((t) => t !== null) };
    return others.tracks;
  }

  /** Words that nobody doubts: what is said elsewhere in the recording. */
  const likely = (): string[] =>
    [
      ...new Set(
        track.captions.flatMap((c) =>
          c.words.flatMap((w) => (w[4] >= 0.7 || c.text.slice(w[0], w[1]) !== w[6] ? [c.text.slice(w[0], w[1])] : [])),
        ),
      ),
    ].map((w) => w.toLowerCase().replace(/[^\p{L}\p{N}']/gu, ''));

  /** Goes to words of a caption, lets them be heard, and opens the suggestions for them. */
  async function suggest(caption: Caption, asked: SelectedWords): Promise<void> {
    cursor.goTo(caption.id, 'chosen');
    shown.surface?.take(caption.id, asked.from, asked.to);
    if (preferences.hearsDoubt) playback.hear(asked.start - heardBefore, asked.end + heardAfter);
    const written = caption.text.slice(asked.from, asked.to);
    const mine: Suggested = { caption: caption.id, asked, words: [], looking: true };
    open.value = mine;
    const isMine = (): boolean => open.value?.caption === caption.id && open.value.asked === asked;
    const heard = asked.words.map((w) => withoutPunctuation(w[6])).join(' ');
    const corrected = correctedBefore(track.captions, heard).map((text) => ({ text, why: 'Corrected so elsewhere' }));
    const [elsewhere, alike] = await Promise.all([
      otherTracks().then((all) =>
        all.map((t) => ({ text: wordsAt(t.captions, asked.start, asked.end), why: `Here in “${t.name}”` })),
      ),
      isEnglish() ? useSoundAlikes().ask(written, likely()) : Promise.resolve([]),
    ]);
    if (!isMine()) return;
    const seen = new Set(['', written.toLowerCase()]);
    const words = [...elsewhere, ...corrected, ...alike.map((text) => ({ text, why: 'Sounds alike' }))].filter(
      ({ text }) => {
        const isNew = !seen.has(text.toLowerCase());
        seen.add(text.toLowerCase());
        return isNew;
      },
    );
    open.value = { ...mine, words: words.slice(0, 9), looking: false };
  }

  /** Goes to the next doubtful word after the cursor and opens its suggestions. */
  function next(): void {
    const { captions } = track;
    const surface = shown.surface;
    const after = open.value?.caption === cursor.caption?.id ? (open.value?.asked.to ?? 0) : (surface?.offset() ?? -1);
    for (let n = 0; n <= captions.length; n++) {
      const caption = captions[(cursor.index + n) % captions.length];
      const word = caption && of(caption).find((w) => n > 0 || w[0] >= after);
      if (!caption || !word) continue;
      void suggest(caption, selectedWordsIn(caption, { from: word[0], to: word[1] }));
      return;
    }
    close();
    messages.remark = 'No doubtful word is left.';
  }

  /** Opens suggestions for the selected words, or the word at the cursor, doubtful or not. */
  function suggestHere(): void {
    const chosen = shown.surface?.chosen();
    const caption = track.captions.find((c) => c.id === chosen?.id);
    const asked = chosen && caption && !selection.places ? selectedWordsAt(caption, chosen) : null;
    if (caption && asked) void suggest(caption, asked);
    else
      messages.remark = selection.places
        ? 'Words of several captions are selected; suggestions are for words of one.'
        : 'No word is at the cursor to make suggestions for.';
  }

  function close(): void {
    open.value = null;
    shown.surface?.view.focus();
  }

  /** Takes a suggestion by its place. */
  function take(n: number): void {
    const now = open.value;
    const chosen = now?.words[n];
    const caption = track.captions.find((c) => c.id === now?.caption);
    if (!now || !chosen || !caption || !track.editable) return;
    const { from, to } = now.asked;
    const written = caption.text.slice(from, to);
    close();
    shown.surface?.put(caption.id, from, to, writtenLike(chosen.text, written));
    corrections.look(caption, track.captions.find((c) => c.id === caption.id) ?? caption);
  }

  /** Keeps the words as they are: somebody has heard them. */
  function keep(): void {
    const now = open.value;
    const caption = track.captions.find((c) => c.id === now?.caption);
    close();
    const doubted = caption && now ? of(caption).filter((w) => now.asked.words.includes(w)) : [];
    if (!caption || doubted.length === 0 || !track.editable) return;
    track.change({ type: 'setWords', captions: [{ id: caption.id, words: heldForCertain(caption.words, doubted) }] });
  }

  return { count, open, next, suggestHere, close, take, keep };
});
