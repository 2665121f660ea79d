/** A recording that was cut again: what was taken out or put in, typed, drawn, or found by comparing two cuts of it. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { readStretches, segmentsWith, segmentsWithout } from '../../../core/timing/whole/cuts.ts';
import { cutChangesOf, type CutChange } from '../../../core/timing/whole/cut-changes.ts';
import type { Segment } from '../../../core/timing/whole/segment.ts';
import type { Stretch } from '../../../core/audio/regions.ts';
import { exactClock } from '../../../core/timing/clock/clock.ts';
import { usualRate } from '../../../core/timing/clock/frames.ts';
import { recordingAt } from '../../data/client/recording-at.ts';
import { WorkerTrouble } from '../../data/workers/worker-client.ts';
import { askSegments, printsClient } from '../../recording/sound/sound-client.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { planOfMove } from '../tool/plan.ts';
import type { TimesTool } from '../tool/tool.ts';

/** What two recordings have in common. */
interface Compared {
  readonly file: string;
  readonly segments: readonly Segment[];
  readonly changes: readonly CutChange[];
}
export type CutWay = 'cut' | 'put in';

export const useCuts = defineStore('cuts', () => {
  const job = useJob();
  const track = useTrack();
  const way = ref<CutWay>('cut');
  /** The list as it is typed or pasted. */
  const typed = ref('');
  const compared = shallowRef<Compared | null>(null);
  /** The share of the two recordings that is read, 0 to 1; null while none is. */
  const reading = ref<number | null>(null);
  const trouble = ref<string | null>(null);
  let stopping = new AbortController();

  function stop(): void {
    stopping.abort();
    reading.value = null;
  }
  function clear(): void {
    stop();
    [typed.value, compared.value, trouble.value] = ['', null, null];
  }
  watch([() => track.track?.id, () => job.recordingUrl], clear);

  const list = computed(() => readStretches(typed.value, job.job?.rate ?? usualRate));
  const fault = computed(() => ('fault' in list.value ? list.value.fault : null));
  /** Where stretches of the old recording are in the new; null where nothing is said yet. */
  const segments = computed((): readonly Segment[] | null => {
    if (compared.value) return compared.value.segments;
    if ('fault' in list.value || list.value.stretches.length === 0) return null;
    return way.value === 'cut' ? segmentsWithout(list.value.stretches) : segmentsWith(list.value.stretches);
  });
  function add({ start, end }: Stretch): void {
    compared.value = null;
    typed.value = `${typed.value.trim()}${typed.value.trim() === '' ? '' : '; '}${exactClock(start)} – ${exactClock(end)}`;
  }

  /** Holds the job’s recording against the one its captions were made for, in a file of this machine. */
  const compare = (old: File): Promise<void> => compareWith(old, old.name, 0);
  /** The same with the recording that the job had before. */
  async function compareBefore(): Promise<void> {
    const { recordingBefore: before, soundTrack } = job.job ?? {};
    if (!before) return;
    await compareWith(recordingAt(before.hash), before.name, soundTrack ?? 0);
  }
  /** @param nth the number of its sound track */
  async function compareWith(old: File | string, name: string, nth: number): Promise<void> {
    const { job: open, recordingUrl: url } = job;
    if (!open || !url) return;
    clear();
    const { signal } = (stopping = new AbortController());
    const share = [0, 0];
    const tell = (which: 0 | 1) => (done: number) => {
      share[which] = done;
      if (!signal.aborted) reading.value = ((share[0] ?? 0) + (share[1] ?? 0)) / 2;
    };
    reading.value = 0;
    const clients = [printsClient(), printsClient()] as const;
    try {
      const [was, now] = await Promise.all([
        clients[0].ask({ printsOf: old, track: nth }, { signal, progress: tell(0) }),
        clients[1].ask({ printsOf: url, track: open.soundTrack }, { signal, progress: tell(1) }),
      ]);
      const found = await askSegments({ was: was.prints, now: now.prints }, signal);
      if (signal.aborted) return;
      if (found.length === 0) trouble.value = `Nothing of ${name} is in this recording: no captions were moved.`;
      else compared.value = { file: name, segments: found, changes: cutChangesOf(found, was.length, now.length) };
    } catch (error) {
      if (signal.aborted) return;
      const why = error instanceof WorkerTrouble && error.message !== '' ? error.message : 'The two could not be read.';
      trouble.value = `${why} No captions were moved.`;
    } finally {
      for (const client of clients) client.end();
      if (stopping.signal === signal) reading.value = null;
    }
  }
  const tool: TimesTool = {
    begins: 'all',
    wholeOnly: true,
    plan: (captions) =>
      fault.value !== null
        ? { fault: fault.value }
        : segments.value && planOfMove({ segments: segments.value }, captions),
    clear,
    // What became of the recording may be asked for where it was replaced.
    resumes: { isDue: () => reading.value !== null, byHand: true, go: () => undefined },
  };
  return { way, typed, compared, reading, trouble, fault, add, compare, compareBefore, stop, clear, tool };
});
