/** How long the work is, and so how its times are shown: in one form wherever they stand. */
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { clockFor } from '../../core/time/clock.ts';
import { useJob } from './job.ts';
import { useTrack } from './track.ts';

export const useTimes = defineStore('times', () => {
  const job = useJob();
  const track = useTrack();
  /** Of the recording, or up to the last time of the track where that is later, in ms. */
  const length = computed(() => Math.max(job.job?.recording?.length ?? 0, track.captions.at(-1)?.end ?? 0));
  const clock = computed(() => clockFor(length.value));
  return { length, clock };
});
