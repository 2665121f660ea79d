/** Captions placed where their words are said: listened for, looked at, and taken as far as one agrees. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { wholeGap } from '../../../core/style/style.ts';
import { modelFor } from '../../../core/audio/phones/models.ts';
import type { Timed } from '../../../core/timing/drag/move.ts';
import type { Caption, WordRange } from '../../../core/model/caption.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { away } from '../../data/client/client.ts';
import { WorkerTrouble } from '../../data/workers/worker-client.ts';
import { useWholeLength } from '../../recording/playback/whole-length.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useSound } from '../../recording/sound/sound.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { begunListening, forgetListening, keepListening, type BegunListening } from './broken-off.ts';
import type { PlacedRow, Placing } from './listen.ts';
import { listeningSoon } from './listen-soon.ts';
import { sentAlong } from './sent-along.ts';

const isSameWords = (a: readonly WordRange[], b: readonly WordRange[]): boolean =>
  a.length === b.length && a.every((w, i) => w.every((each, k) => each === b[i]?.[k]));

export const usePlacing = defineStore('placing', () => {
  const job = useJob();
  const track = useTrack();
  const sound = useSound();
  const whole = useWholeLength();

  /** The share that is listened to, 0 to 1; null while nobody listens. */
  const listening = ref<number | null>(null);
  const trouble = ref<string | null>(null);
  const found = shallowRef<Placing | null>(null);
  /** Whether what was found is shown in place of the stage, or the stage with the new times. */
  const isShown = ref(true);
  /** Ids of captions that are not to be moved. */
  const refused = shallowRef<ReadonlySet<string>>(new Set());
  let stopping = new AbortController();
  /** What was begun before the page was read again. */
  const begun = shallowRef(begunListening());

  function clear(): void {
    stopping.abort();
    soon.forget();
    begun.value = null;
    forgetListening();
    [listening.value, trouble.value, found.value] = [null, null, null];
    refused.value = new Set();
    forgetSent();
    isShown.value = true;
  }
  /** What is listened to, in which language, and for which track; null until that is known. */
  const of = computed((): string | null =>
    track.track && job.job && job.recordingUrl
      ? `${track.track.id} ${track.track.language} ${job.recordingUrl} ${String(job.job.soundTrack)}`
      : null,
  );
  // What was heard of another recording, or for another language, says nothing of this one.
  watch(of, (_, was) => {
    if (was !== null) clear();
  });

  const language = computed(() => track.track?.language ?? '');
  /** Why nothing can be listened for; null where it can. */
  const whyNot = computed((): string | null => {
    if (!job.recordingUrl) return 'This job has no recording to listen to.';
    if (!modelFor(language.value))
      return `There is no acoustic model for ${language.value}. Ties by ear put captions of any language back.`;
    if (sound.trouble) return sound.trouble;
    return sound.regions ? null : 'The recording is still being read; listening begins after that.';
  });
  /** There is no acoustic model for the language itself: places are about right. */
  const isApproximate = computed(() => modelFor(language.value)?.isApproximate ?? false);

  /** The captions of listening that a reload broke off; null where there was none, or they are no longer the same. */
  const brokenOff = computed((): readonly Caption[] | null => {
    if (begun.value?.of !== of.value || whyNot.value !== null) return null;
    const now = new Map(track.captions.map((c) => [c.id, c]));
    const captions = begun.value.captions.flatMap(([id, text]) => {
      const c = now.get(id);
      return c?.text === text ? [c] : [];
    });
    return captions.length === begun.value.captions.length ? captions : null;
  });

  /** Listens for these captions; goes on where a reload broke that off. */
  async function listen(captions: readonly Caption[]): Promise<void> {
    const { job: open, recordingUrl: url } = job;
    const { regions } = sound;
    const mine = of.value;
    if (!open || !url || !regions || mine === null || whyNot.value !== null || captions.length === 0) return;
    const before = brokenOff.value === captions ? (begun.value?.heard ?? []) : [];
    clear();
    const { signal } = (stopping = new AbortController());
    const keep = (heard: BegunListening['heard']): void => {
      if (!signal.aborted) keepListening({ of: mine, captions: captions.map((c) => [c.id, c.text]), heard });
    };
    keep(before);
    listening.value = 0;
    try {
      // Fetched by who listens: the page begins without it.
      const { listenFor } = await import('./listen.ts');
      const request = {
        url,
        track: open.soundTrack,
        language: language.value,
        captions,
        speech: regions.speech,
        length: whole.value,
        gap: wholeGap(open.style, open.rate),
      };
      const follow = { before, keep, tell: (share: number) => (listening.value = share) };
      const answer = await listenFor(request, follow, signal);
      if (signal.aborted) return;
      if ('trouble' in answer) {
        trouble.value = answer.trouble;
        forgetListening();
      } else found.value = answer;
    } catch (error) {
      if (!signal.aborted)
        trouble.value =
          error instanceof WorkerTrouble ? error.message : `This page could not be fetched: ${away().message}`;
    } finally {
      if (stopping.signal === signal) listening.value = null;
    }
  }

  const soon = listeningSoon(whyNot, async ({ captions, stay }) => {
    await listen(captions);
    if (found.value) refused.value = new Set(stay);
  });

  const { sent, rows, send, forget: forgetSent } = sentAlong(found);

  /** Takes a caption’s new place, or leaves the caption where it is. */
  function toggle(id: string): void {
    const next = new Set(refused.value);
    if (!next.delete(id)) next.add(id);
    refused.value = next;
  }

  /** Captions whose text is as it was listened for, and that were not refused. */
  const agreed = computed((): readonly PlacedRow[] => {
    const now = new Map(track.captions.map((c) => [c.id, c.text]));
    return rows.value.filter(({ before }) => !refused.value.has(before.id) && now.get(before.id) === before.text);
  });
  /** Those of them that move. */
  const taken = computed(() => agreed.value.filter((row) => row.moves));
  const times = computed((): readonly Timed[] =>
    taken.value.map(({ after: { id, start, end } }) => ({ id, start, end })),
  );
  /** Those whose words get times, wherever the captions themselves stay. */
  const worded = computed(() => agreed.value.filter(({ before, after }) => !isSameWords(before.words, after.words)));
  /** All of it as one step. */
  const edit = computed((): Edit | null => {
    const captions = taken.value.map(({ after: { id, start, end, timing } }) => ({ id, start, end, timing }));
    const words = worded.value.map(({ after: { id, words } }) => ({ id, words }));
    const edits: Edit[] = [
      ...(captions.length > 0 ? [{ type: 'retime', captions, pieces: [] } as const] : []),
      ...(words.length > 0 ? [{ type: 'setWords', captions: words } as const] : []),
    ];
    return edits.length === 0 ? null : { type: 'together', edits };
  });
  function stop(): void {
    stopping.abort();
    forgetListening();
    listening.value = null;
  }
  return {
    listening,
    trouble,
    found,
    isShown,
    refused,
    sent,
    rows,
    send,
    whyNot,
    isApproximate,
    brokenOff,
    listen,
    listenSoon: soon.begin,
    stop,
    clear,
    toggle,
    taken,
    worded,
    times,
    edit,
  };
});
