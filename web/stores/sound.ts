/** How loud the recording of the job is and where somebody speaks in it: fetched where a page has read it, read here where none has, and kept for all. */
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import { levelsOf, type Peaks } from '../../core/speech/peaks.ts';
import { ApiError } from '../../core/contract/api-error.ts';
import type { Regions } from '../../core/speech/regions.ts';
import { ask } from '../api/client.ts';
import { fetchPeaks, uploadPeaks } from '../api/upload.ts';
import { WorkerTrouble } from '../background/worker-client.ts';
import { useJob } from './job.ts';
import type { Heard } from '../sound/read-sound.ts';
import { listenerClient } from '../sound/sound-client.ts';

/** Where speech is in a recording, as it was kept; null where nobody has listened yet. @throws {ApiError} */
const fetchRegions = (hash: string): Promise<Regions | null> =>
  ask('GET /api/recordings/:hash/regions', { params: { hash } }).catch((error: unknown) => {
    if (error instanceof ApiError && error.code === 'missing') return null;
    throw error;
  });

/** Regions come last: where they are kept, what is missing beside them is not there to be heard. @throws {ApiError} */
async function keep(hash: string, { peaks, regions }: Heard): Promise<void> {
  if (peaks.length > 0) await uploadPeaks(hash, peaks);
  await ask('PUT /api/recordings/:hash/regions', { params: { hash }, body: regions });
}

export const useSound = defineStore('sound', () => {
  const job = useJob();
  const client = listenerClient();
  /** Null while it is not known. */
  const peaks = shallowRef<Peaks | null>(null);
  /** Null while they are not known. */
  const regions = shallowRef<Regions | null>(null);
  /** The share that is read, 0 to 1; null while nothing is being read. */
  const reading = ref<number | null>(null);
  const trouble = ref<string | null>(null);
  let stopping = new AbortController();
  let of = '';

  async function read(hash: string, url: string, length: number): Promise<Heard> {
    reading.value = 0;
    const { signal } = (stopping = new AbortController());
    try {
      const heard = await client.ask({ url, length }, { signal, progress: (share) => (reading.value = share) });
      // Kept for whoever comes next; where the server is away it is read again another time.
      keep(hash, heard).catch(() => undefined);
      return heard;
    } finally {
      reading.value = null;
      client.end();
    }
  }

  /** Has the sound of the job there, once: nothing is read twice. */
  async function want(): Promise<void> {
    const { job: open, recordingUrl } = job;
    const recording = open?.recording;
    if (!recording || !recordingUrl || recording.hash === of) return;
    stopping.abort();
    of = recording.hash;
    [peaks.value, regions.value, trouble.value] = [null, null, null];
    const isMine = (): boolean => of === recording.hash;
    try {
      const [cells, found] = await Promise.all([fetchPeaks(recording.hash), fetchRegions(recording.hash)]);
      if (!isMine()) return;
      if (cells ?? found) peaks.value = levelsOf(cells ?? new Uint8Array());
      regions.value = found;
      if (found) return;
      const heard = await read(recording.hash, recordingUrl, recording.length ?? 0);
      if (isMine()) [peaks.value, regions.value] = [levelsOf(heard.peaks), heard.regions];
    } catch (error) {
      if (!isMine()) return;
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
  // Another job has another sound.
  watch(
    () => job.job?.recording?.hash,
    (hash) => {
      if (hash === of) return;
      stop();
      [peaks.value, regions.value, of] = [null, null, ''];
    },
  );
  return { peaks, regions, reading, trouble, want, stop };
});
