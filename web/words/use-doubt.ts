/** Doubtful words of the track, one after the other, with what may have been said instead. */
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import { wordsAt } from '../../core/compare/same-place.ts';
import { mendedBefore } from '../../core/find/mends.ts';
import { baseLanguage } from '../../core/text/language.ts';
import type { Caption, Track, WordRange } from '../../core/track/caption.ts';
import { agreed, isDoubtful } from '../../core/track/doubt.ts';
import { ask } from '../api/client.ts';
import { useJob } from '../stores/job.ts';
import { usePlace } from '../stores/place.ts';
import { usePlayback } from '../stores/playback.ts';
import { usePreferences } from '../stores/preferences.ts';
import { useTrack } from '../stores/track.ts';
import { askSoundAlikes, readAhead } from '../suggest/sound-alikes.ts';
import { whenIdle } from '../work/idle.ts';
import { onSurface } from './on-surface.ts';
import { useMends } from './use-mends.ts';

/** A word with what may stand there instead. */
export interface Suggested {
  readonly caption: string;
  readonly word: WordRange;
  /** The first have a number key each. */
  readonly words: readonly { readonly text: string; readonly why: string }[];
  /** More may come. */
  readonly looking: boolean;
}

/** The words are counted so long after the last change, in ms. */
const countedAfter = 120;

/** A doubtful word is heard with so much before and after it, in ms: a word or two. */
const [heardBefore, heardAfter] = [700, 400];

/** As the word it takes the place of is written: with a capital where that has one. */
function writtenLike(word: string, like: string): string {
  const isCapital = /^\p{Lu}/u.test(like);
  return isCapital ? word.charAt(0).toUpperCase() + word.slice(1) : word;
}

export const useDoubt = defineStore('doubt', () => {
  const job = useJob();
  const track = useTrack();
  const place = usePlace();
  const preferences = usePreferences();
  const mends = useMends();
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
    if (now > 0 && isEnglish() && onSurface.value) whenIdle(readAhead, 10_000);
  });

  const open = shallowRef<Suggested | null>(null);
  let others: { readonly of: string; readonly tracks: readonly Track[] } | null = null;
  async function otherTracks(): Promise<readonly Track[]> {
    const here = track.track;
    if (!here) return [];
    if (others?.of === here.id) return others.tracks;
    const rest = (job.job?.tracks ?? []).filter((t) => t.id !== here.id && t.language === here.language);
    const all = await Promise.all(rest.map((t) => ask<Track>('GET', `/tracks/${t.id}`).catch(() => null)));
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

  /** Opens the suggestions for a word. */
  async function suggest(caption: Caption, word: WordRange): Promise<void> {
    const written = caption.text.slice(word[0], word[1]);
    const mine: Suggested = { caption: caption.id, word, words: [], looking: true };
    open.value = mine;
    const isMine = (): boolean => open.value?.caption === caption.id && open.value.word === word;
    const mended = mendedBefore(track.captions, word[6]).map((text) => ({ text, why: 'Mended so elsewhere' }));
    const [elsewhere, alike] = await Promise.all([
      otherTracks().then((all) =>
        all.map((t) => ({ text: wordsAt(t.captions, word[2], word[3]), why: `Here in “${t.name}”` })),
      ),
      isEnglish() ? askSoundAlikes(written, likely()) : Promise.resolve([]),
    ]);
    if (!isMine()) return;
    const seen = new Set(['', written.toLowerCase()]);
    const words = [...elsewhere, ...mended, ...alike.map((text) => ({ text, why: 'Sounds alike' }))].filter(
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
    const surface = onSurface.value;
    const after = open.value?.caption === place.caption?.id ? (open.value?.word[1] ?? 0) : (surface?.offset() ?? -1);
    for (let n = 0; n <= captions.length; n++) {
      const caption = captions[(place.index + n) % captions.length];
      const word = caption && of(caption).find((w) => n > 0 || w[0] >= after);
      if (!caption || !word) continue;
      place.goTo(caption.id, 'chosen');
      surface?.take(caption.id, word[0], word[1]);
      if (preferences.hearsDoubt) playback.hear(word[2] - heardBefore, word[3] + heardAfter);
      void suggest(caption, word);
      return;
    }
    close();
    track.remark = 'No doubtful word is left.';
  }

  function close(): void {
    open.value = null;
    onSurface.value?.view.focus();
  }

  /** Takes a suggestion by its place. */
  function take(n: number): void {
    const now = open.value;
    const chosen = now?.words[n];
    const caption = track.captions.find((c) => c.id === now?.caption);
    if (!now || !chosen || !caption || !track.editable) return;
    const [from, to] = now.word;
    const written = caption.text.slice(from, to);
    close();
    onSurface.value?.put(caption.id, from, to, writtenLike(chosen.text, written));
    mends.look(caption, track.captions.find((c) => c.id === caption.id) ?? caption);
  }

  /** Keeps the word as it is: somebody has heard it. */
  function keep(): void {
    const now = open.value;
    const caption = track.captions.find((c) => c.id === now?.caption);
    close();
    if (!now || !caption || !track.editable) return;
    track.change({ type: 'replace', removed: [caption.id], captions: [agreed(caption, now.word)] });
  }

  return { of, count, open, suggest, next, close, take, keep };
});
