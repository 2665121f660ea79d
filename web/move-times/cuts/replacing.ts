/** Another recording for the job that is open: a new cut of it, or the one before again. */
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import { hasCode, sentence } from '../../../core/contract/api-error.ts';
import type { Job } from '../../../core/job/job.ts';
import { rateText } from '../../../core/timing/clock/frames.ts';
import { useCuts } from './cuts.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useMessages } from '../../data/messages/messages.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { aboutRecording, importRecording, type ImportedRecording } from '../../recording/media/import-recording.ts';

export const useReplacing = defineStore('replacing', () => {
  const job = useJob();
  const track = useTrack();
  const messages = useMessages();
  const cuts = useCuts();
  /** The share of the new recording that has gone to the server, 0 to 1; null while none is on its way. */
  const share = ref<number | null>(null);
  const trouble = ref<string | null>(null);
  const before = computed(() => job.job?.recordingBefore ?? null);
  let uploading = new AbortController();

  function stop(): void {
    uploading.abort();
    [share.value, trouble.value] = [null, null];
  }
  watch(() => job.job?.id, stop);

  /** Makes another the recording of a job, with its sound tracks and its frame rate, and says what follows from that. */
  async function become(of: Job, { recording, about }: ImportedRecording, again: string): Promise<void> {
    const soundTrack = Math.min(of.soundTrack, Math.max(0, (about?.sounds.length ?? 1) - 1));
    const rate = about?.rate && rateText(about.rate) !== rateText(of.rate) ? about.rate : null;
    await job.change({ recording: recording.hash, recordingName: recording.name, soundTrack, ...(rate && { rate }) });
    const counted = rate ? `, with ${rateText(rate)} instead of ${rateText(of.rate)} fps` : '';
    const has = `The recording of this job is now “${recording.name}”${again}${counted}.`;
    if (track.captions.length === 0 || !before.value) messages.remark = has;
    else
      messages.offer(`${has} Captions still have the times of the one before.`, [
        { title: 'Find what was cut', run: () => void cuts.compareBefore() },
      ]);
  }
  /** @param isAsked whether the job was asked to take the other: not answered, it may have it all the same */
  function told(error: unknown, isAsked: boolean): void {
    const has =
      isAsked && hasCode(error, 'away')
        ? 'Which recording the job has is shown here then.'
        : 'The job keeps its recording.';
    trouble.value = `${sentence(error)} ${has}`;
  }

  /** Sends a new cut, and makes it the recording of the job once all of it is there. @returns whether it is now */
  async function replaceWith(file: File): Promise<boolean> {
    const of = job.job;
    if (!of) return false;
    stop();
    const { signal } = (uploading = new AbortController());
    share.value = 0;
    let isAsked = false;
    try {
      const imported = await importRecording(file, (now) => !signal.aborted && (share.value = now), signal);
      // Somebody went to another job meanwhile.
      if (job.job?.id !== of.id) return false;
      if (imported.recording.hash === of.recording?.hash) {
        trouble.value = `“${file.name}” is the recording this job has already. Nothing was changed.`;
        return false;
      }
      isAsked = true;
      await become(of, imported, '');
      return true;
    } catch (error) {
      if (!signal.aborted) told(error, isAsked);
      return false;
    } finally {
      if (signal === uploading.signal) share.value = null;
    }
  }

  /** Makes the one before the recording of the job again. @returns whether it is now */
  async function goBack(): Promise<boolean> {
    const of = job.job;
    if (!of?.recordingBefore) return false;
    try {
      const recording = of.recordingBefore;
      await become(of, { recording, about: await aboutRecording(recording.hash) }, ' again');
      return true;
    } catch (error) {
      told(error, true);
      return false;
    }
  }
  return { share, trouble, before, replaceWith, goBack, stop };
});
