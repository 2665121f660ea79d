/** How loud the recording of the job is and where somebody speaks in it: fetched where a page has read it, read here where none has, and kept for all. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { levelsOf, peaksPerSecond, type Peaks } from '../../../core/audio/peaks.ts';
import { ApiError } from '../../../core/contract/api-error.ts';
import type { Regions } from '../../../core/audio/regions.ts';
import { wholeClock } from '../../../core/timing/clock/clock.ts';
import { ask } from '../../data/client/client.ts';
import { fetchPeaks, uploadPeaks } from '../../data/client/upload.ts';
import { WorkerTrouble } from '../../data/workers/worker-client.ts';
import { keepHalfRead, readingName } from './half-read.ts';
import type { ReadSoundResult, ReadSoFar } from './read-sound.ts';
import { listenerClient } from './sound-client.ts';
import { useJob } from '../../data/jobs/job.ts';

/** A sound track of a recording. */
interface Of {
  readonly hash: string;
  readonly track: number;
}

/** Where speech is, as it was kept; null where nobody has listened yet. @throws {ApiError} */
const fetchRegions = ({ hash, track }: Of): Promise<Regions | null> =>
  ask('GET /api/recordings/:hash/regions', { params: { hash }, query: { track } }).catch((error: unknown) => {
    if (error instanceof ApiError && error.code === 'missing') return null;
    throw error;
  });

/** What is known of it already; null where nobody has read it yet. @throws {ApiError} */
async function fetchHeard(of: Of): Promise<ReadSoundResult | null> {
  const [cells, regions] = await Promise.all([fetchPeaks(of.hash, of.track), fetchRegions(of)]);
  return regions && { peaks: cells ?? new Uint8Array(), regions, until: null };
}

/** Regions come last: where they are kept, what is missing beside them is not there to be heard. @throws {ApiError} */
async function keep({ hash, track }: Of, { peaks, regions }: ReadSoundResult): Promise<void> {
  if (peaks.length > 0) await uploadPeaks(hash, track, peaks);
  await ask('PUT /api/recordings/:hash/regions', { params: { hash }, query: { track }, body: regions });
  await keepHalfRead(readingName(hash, track), null);
}

/** One window at a time reads the same sound. Where a browser knows no locks, two read it, and the same is kept twice. */
async function alone<T>(name: string, work: () => Promise<T>): Promise<T> {
  const { locks } = navigator as { readonly locks?: LockManager };
  return locks ? await locks.request(`fenwix-sound/${name}`, work) : work();
}

export const useSound = defineStore('sound', () => {
  const job = useJob();
  const client = listenerClient();
  /** Null while it is not known; as far as it is read while that goes on. */
  const peaks = shallowRef<Peaks | null>(null);
  /** Null while they are not known. */
  const regions = shallowRef<Regions | null>(null);
  /** The share that is read, 0 to 1; null while nothing is being read. */
  const reading = ref<number | null>(null);
  const trouble = ref<string | null>(null);
  const name = computed(() => {
    const recording = job.job?.recording;
    return recording && job.job ? readingName(recording.hash, job.job.soundTrack) : '';
  });
  let stopping = new AbortController();
  let of = '';

  /** @param show how loud it is, as far as it is read */
  async function read(
    of: Of,
    url: string,
    length: number,
    show: (cells: Uint8Array) => void,
  ): Promise<ReadSoundResult> {
    reading.value = 0;
    const { signal } = stopping;
    let cells = new Uint8Array(Math.ceil((length / 1000) * peaksPerSecond));
    const progress = (soFar: ReadSoFar): void => {
      reading.value = soFar.share;
      const end = soFar.from + soFar.cells.length;
      if (end > cells.length) {
        const more = new Uint8Array(end);
        more.set(cells);
        cells = more;
      }
      cells.set(soFar.cells, soFar.from);
      show(cells);
    };
    try {
      const request = { url, track: of.track, length, name: readingName(of.hash, of.track) };
      return await client.ask(request, { signal, progress });
    } finally {
      reading.value = null;
      client.end();
    }
  }

  /** Has the sound of the job there, once: nothing is read twice. */
  async function ensureRead(): Promise<void> {
    const { job: open, recordingUrl } = job;
    const recording = open?.recording;
    if (!recording || !recordingUrl || name.value === of) return;
    stopping.abort();
    const { signal } = (stopping = new AbortController());
    const mine = name.value;
    of = mine;
    [peaks.value, regions.value, trouble.value] = [null, null, null];
    const isMine = (): boolean => of === mine && !signal.aborted;
    const source: Of = { hash: recording.hash, track: open.soundTrack };
    const show = (cells: Uint8Array): void => {
      if (of === mine) peaks.value = levelsOf(cells);
    };
    try {
      const known = await fetchHeard(source);
      const heard =
        known ??
        (await alone(mine, async () => {
          // Another window may have read it while this one waited.
          const meanwhile = await fetchHeard(source);
          if (meanwhile || !isMine()) return meanwhile;
          const fresh = await read(source, recordingUrl, recording.length ?? 0, show);
          // Where the server is away it is kept here, and given to it another time; what is not whole is nobody's else.
          if (fresh.until === null) await keep(source, fresh).catch(() => undefined);
          return fresh;
        }));
      if (of !== mine) return;
      if (!heard) throw new WorkerTrouble('cancelled', '');
      show(heard.peaks);
      // Of what was not heard nobody can say that there is no speech in it.
      if (heard.until === null) regions.value = heard.regions;
      else
        trouble.value = `The sound could be read up to ${wholeClock(heard.until)} only. Timing works without the rest; open the job again to try once more.`;
    } catch (error) {
      if (of !== mine) return;
      of = '';
      trouble.value =
        error instanceof WorkerTrouble && error.reason === 'cancelled'
          ? 'Reading the sound was stopped. Timing works without it.'
          : error instanceof Error
            ? error.message
            : 'The sound could not be read. Timing works without it.';
    }
  }
  function stop(): void {
    stopping.abort();
  }
  // Another job, or another sound track of it, has another sound.
  watch(name, (now) => {
    if (now === of) return;
    stop();
    [peaks.value, regions.value, trouble.value, of] = [null, null, null, ''];
  });
  return { peaks, regions, reading, trouble, ensureRead, stop };
});
