/** How loud the recording of the job is: fetched where a page has read it, read here where none has, and kept for all. */
import { defineStore } from 'pinia';
import { ref, shallowRef, watch } from 'vue';
import { levelsOf, type Peaks } from '../../core/speech/peaks.ts';
import { fetchPeaks, uploadPeaks } from '../api/upload.ts';
import { workerClient, WorkerTrouble } from '../background/worker-client.ts';
import { useJob } from '../stores/job.ts';
import type { SoundRequest } from './worker.ts';

export const useSound = defineStore('sound', () => {
  const job = useJob();
  const client = workerClient<SoundRequest, Uint8Array<ArrayBuffer>>(
    () => new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }),
  );
  /** Null while it is not known. */
  const peaks = shallowRef<Peaks | null>(null);
  /** The share that is read, 0 to 1; null while nothing is being read. */
  const reading = ref<number | null>(null);
  const trouble = ref<string | null>(null);
  let stopping = new AbortController();
  let of = '';

  async function read(hash: string, url: string, length: number): Promise<Uint8Array> {
    reading.value = 0;
    const { signal } = (stopping = new AbortController());
    try {
      const cells = await client.ask({ url, length }, { signal, progress: (share) => (reading.value = share) });
      // Kept for whoever comes next; where the server is away it is read again another time.
      if (cells.length > 0) uploadPeaks(hash, cells).catch(() => undefined);
      return cells;
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
    [peaks.value, trouble.value] = [null, null];
    const isMine = (): boolean => of === recording.hash;
    try {
      const kept = await fetchPeaks(recording.hash);
      const cells = kept ?? (await read(recording.hash, recordingUrl, recording.length ?? 0));
      if (isMine()) peaks.value = levelsOf(cells);
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
      [peaks.value, of] = [null, ''];
    },
  );
  return { peaks, reading, trouble, want, stop };
});
