/** Which track of a job is worked on: the one chosen last in this browser, else the fair copy. */
import { fairCopyOf, type Job, type TrackSummary } from '../../core/job/job.ts';

const chosenKey = (job: string): string => `fenwix-track-of-${job}`;

/** Null where the job has none. */
export function trackToOpen(job: Job): TrackSummary | null {
  const chosen = localStorage.getItem(chosenKey(job.id));
  const open = job.tracks.filter((t) => t.kind !== 'machine');
  return open.find((t) => t.id === chosen) ?? fairCopyOf(job) ?? job.tracks[0] ?? null;
}

export const chooseTrack = (job: string, track: string): void => localStorage.setItem(chosenKey(job), track);
