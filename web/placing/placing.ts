/** Captions placed where their words are said: listened for, looked at, and taken as far as one agrees. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { wholeGap } from '../../core/style/style.ts';
import { sentWith, type Side } from '../../core/placing/send-with.ts';
import { modelFor } from '../../core/pronunciation/models.ts';
import type { Timed } from '../../core/timing/move.ts';
import type { Caption } from '../../core/track/caption.ts';
import type { Edit } from '../../core/track/edits.ts';
import { away } from '../api/client.ts';
import { WorkerTrouble } from '../background/worker-client.ts';
import { useWholeLength } from '../playback/whole-length.ts';
import { useJob } from '../stores/job.ts';
import { useSound } from '../stores/sound.ts';
import { useTrack } from '../stores/track.ts';
import type { PlacedRow, Placing } from './listen.ts';

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

  function clear(): void {
    stopping.abort();
    [listening.value, trouble.value, found.value] = [null, null, null];
    [refused.value, sent.value] = [new Set(), new Map()];
    isShown.value = true;
  }
  watch(() => track.track?.id, clear);

  const language = computed(() => track.track?.language ?? '');
  /** Why nothing can be listened for; null where it can. */
  const hindrance = computed((): string | null => {
    if (!job.recordingUrl) return 'This job has no recording to listen to.';
    if (!modelFor(language.value))
      return `There is no acoustic model for ${language.value}. Ties by ear put captions of any language back.`;
    if (sound.trouble) return sound.trouble;
    return sound.regions ? null : 'The recording is still being read; listening begins after that.';
  });
  /** There is no acoustic model for the language itself: places are about right. */
  const isApproximate = computed(() => modelFor(language.value)?.isApproximate ?? false);

  /** Listens for these captions. */
  async function listen(captions: readonly Caption[]): Promise<void> {
    const { job: open, recordingUrl: url } = job;
    const { regions } = sound;
    if (!open || !url || !regions || hindrance.value !== null || captions.length === 0) return;
    clear();
    const { signal } = (stopping = new AbortController());
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
      const answer = await listenFor(request, (share) => (listening.value = share), signal);
      if (signal.aborted) return;
      if ('trouble' in answer) trouble.value = answer.trouble;
      else found.value = answer;
    } catch (error) {
      if (!signal.aborted)
        trouble.value =
          error instanceof WorkerTrouble ? error.message : `This page could not be fetched: ${away().message}`;
    } finally {
      if (stopping.signal === signal) listening.value = null;
    }
  }

  /** Ids of captions that were not heard and go along with a neighbour, with which. */
  const sent = shallowRef<ReadonlyMap<string, Side>>(new Map());
  /** What was found, with those that were sent along. */
  const rows = computed((): readonly PlacedRow[] => {
    const all = found.value?.rows ?? [];
    return all.map((row, i) => {
      const side = sent.value.get(row.before.id);
      const after = side ? sentWith(all, i, side) : null;
      return after ? { ...row, after, moves: true } : row;
    });
  });
  /** Sends a caption along with a neighbour; asked again with the same, leaves it where it is. */
  function send(id: string, side: Side): void {
    const next = new Map(sent.value);
    if (next.get(id) === side) next.delete(id);
    else next.set(id, side);
    sent.value = next;
  }

  /** Takes a caption’s new place, or leaves the caption where it is. */
  function toggle(id: string): void {
    const next = new Set(refused.value);
    if (!next.delete(id)) next.add(id);
    refused.value = next;
  }

  /** Captions whose text is as it was listened for, and whose new place is taken. */
  const taken = computed((): readonly PlacedRow[] => {
    const now = new Map(track.captions.map((c) => [c.id, c.text]));
    return rows.value.filter(
      ({ before, moves }) => moves && !refused.value.has(before.id) && now.get(before.id) === before.text,
    );
  });
  const times = computed((): readonly Timed[] =>
    taken.value.map(({ after: { id, start, end } }) => ({ id, start, end })),
  );
  /** All of it as one step. */
  const edit = computed((): Edit | null => {
    if (taken.value.length === 0) return null;
    const captions = taken.value.map(({ after: { id, start, end, timing } }) => ({ id, start, end, timing }));
    const words = taken.value.map(({ after: { id, words } }) => ({ id, words }));
    return {
      type: 'together',
      edits: [
        { type: 'retime', captions, pieces: [] },
        { type: 'setWords', captions: words },
      ],
    };
  });
  function stop(): void {
    stopping.abort();
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
    hindrance,
    isApproximate,
    listen,
    stop,
    clear,
    toggle,
    taken,
    times,
    edit,
  };
});
