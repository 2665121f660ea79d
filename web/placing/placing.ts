/** Captions placed where their words are said: listened for, looked at, and taken as far as one agrees. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { wholeGap } from '../../core/style/style.ts';
import { leastShare } from '../../core/placing/listen.ts';
import { offsetsOf, type Offsets } from '../../core/placing/offset.ts';
import { placedTrack } from '../../core/placing/placed-track.ts';
import { placesOf, type Certainty } from '../../core/placing/placement.ts';
import { modelFor } from '../../core/pronunciation/models.ts';
import type { Timed } from '../../core/timing/move.ts';
import type { Caption } from '../../core/track/caption.ts';
import type { Edit } from '../../core/track/edits.ts';
import { WorkerTrouble } from '../background/worker-client.ts';
import { useWholeLength } from '../playback/whole-length.ts';
import { useJob } from '../stores/job.ts';
import { useSound } from '../stores/sound.ts';
import { useTrack } from '../stores/track.ts';
import { listenInParts } from './listen.ts';

/** A caption before and after. */
export interface PlacedRow {
  readonly before: Caption;
  readonly after: Caption;
  readonly how: Certainty;
  readonly moves: boolean;
}
/** What was found. */
export interface Placing {
  readonly rows: readonly PlacedRow[];
  readonly offsets: Offsets;
  readonly words: { readonly heard: number; readonly all: number };
  readonly isApproximate: boolean;
}

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
    refused.value = new Set();
    isShown.value = true;
  }
  watch(() => track.track?.id, clear);

  /** Why nothing can be listened for; null where it can. */
  const hindrance = computed((): string | null => {
    const language = track.track?.language ?? '';
    if (!job.recordingUrl) return 'This job has no recording to listen to.';
    if (!modelFor(language))
      return `There is no acoustic model for ${language}. Ties by ear put captions of any language back.`;
    if (sound.trouble) return sound.trouble;
    return sound.regions ? null : 'The recording is still being read; listening begins after that.';
  });

  /** Listens for these captions. */
  async function listen(captions: readonly Caption[]): Promise<void> {
    const { job: open, recordingUrl: url } = job;
    const { regions } = sound;
    const language = track.track?.language ?? '';
    if (!open || !url || !regions || hindrance.value !== null || captions.length === 0) return;
    clear();
    const { signal } = (stopping = new AbortController());
    listening.value = 0;
    const request = {
      url,
      track: open.soundTrack,
      language,
      captions: captions.map(({ text, speakers }) => ({ text, speakers })),
    };
    try {
      const heard = await listenInParts(request, regions.speech, whole.value, (s) => (listening.value = s), signal);
      if (signal.aborted) return;
      const { script, placed, share } = heard;
      if (script.words.length === 0) trouble.value = 'These captions hold no words that are said.';
      else if (share < leastShare)
        trouble.value = `The words and the sound do not match: ${String(Math.round(share * 100))} % of the words were heard. Nothing was moved. Are they from another recording, or in another language?`;
      else {
        const places = placesOf(captions, script, placed, regions.speech);
        const laid = placedTrack(captions, script, places, wholeGap(open.style, open.rate));
        const moved = new Set(laid.moved);
        found.value = {
          rows: captions.flatMap((before, i) => {
            const [after, place] = [laid.captions[i], places[i]];
            return after && place ? [{ before, after, how: place.how, moves: moved.has(before.id) }] : [];
          }),
          offsets: offsetsOf(captions, places),
          words: { heard: placed.length, all: script.words.length },
          isApproximate: modelFor(language)?.isApproximate ?? false,
        };
      }
    } catch (error) {
      if (!signal.aborted)
        trouble.value =
          error instanceof WorkerTrouble
            ? error.message
            : 'The acoustic model could not be fetched. Nothing was moved; try once more.';
    } finally {
      if (stopping.signal === signal) listening.value = null;
    }
  }

  /** Takes a caption’s new place, or leaves the caption where it is. */
  function toggle(id: string): void {
    const next = new Set(refused.value);
    if (!next.delete(id)) next.add(id);
    refused.value = next;
  }

  /** Captions whose text is as it was listened for, and whose new place is taken. */
  const taken = computed((): readonly PlacedRow[] => {
    if (!found.value) return [];
    const now = new Map(track.captions.map((c) => [c.id, c.text]));
    return found.value.rows.filter(
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
  return { listening, trouble, found, isShown, refused, hindrance, listen, stop, clear, toggle, taken, times, edit };
});
