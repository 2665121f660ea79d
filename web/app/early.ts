/**
 * The first piece of the page, small and there before the rest: where the address names a job, it sends for the
 * job, its track and the pieces that show them, while the page itself is still being read; at the front door, for
 * the list of all jobs.
 */
import { ask } from '../data/client/client.ts';
import { beginOpening, type Opening } from '../data/client/opening.ts';
import { stagePieces } from '../stages/pieces.ts';
import type { StageName } from '../stages/stages.ts';
import { chosenTrack } from '../data/jobs/chosen-track.ts';

const [, job = '', stage = ''] = /^\/jobs\/([^/]+)(?:\/(\w+))?/.exec(location.pathname) ?? [];

/** What was sent for; null where the address names no job. */
export const early: Opening | null = job === '' ? null : beginOpening(job, chosenTrack(job));
if (early) {
  const pieces: (Promise<unknown> | undefined)[] = [
    import('./frame/JobFrame.vue'),
    stage in stagePieces ? stagePieces[stage as StageName]() : undefined,
  ];
  // The router asks for them again, and says so where one cannot be had.
  for (const piece of pieces) piece?.catch(() => undefined);
}

/** All jobs, where the address is that of their list. */
export const earlyJobs = location.pathname === '/' ? ask('GET /api/jobs') : null;
// Whoever takes it hears why it failed.
earlyJobs?.catch(() => undefined);
