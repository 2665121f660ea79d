/** How long the work is, and so how its times are shown: in one form wherever they stand. */
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { clockFor } from '../../../core/timing/clock/clock.ts';
import { timecode } from '../../../core/timing/clock/timecode.ts';
import { useJob } from '../jobs/job.ts';
import { usePreferences } from '../preferences/preferences.ts';
import { useTrack } from './track.ts';

export const useTimes = defineStore('times', () => {
  const job = useJob();
  const track = useTrack();
  const preferences = usePreferences();
  /** Of the recording, or up to the last time of the track where that is later, in ms. */
  const length = computed(() => Math.max(job.job?.recording?.length ?? 0, track.captions.at(-1)?.end ?? 0));
  /** The rate by which pictures are counted, where times are shown so; null where they are shown on the clock. */
  const counted = computed(() =>
    preferences.inFrames && (job.job?.recording?.width ?? 0) > 0 ? (job.job?.rate ?? null) : null,
  );
  const clock = computed(() => {
    const rate = counted.value;
    return rate ? (ms: number) => timecode(ms, rate) : clockFor(length.value);
  });
  return { length, counted, clock };
});
