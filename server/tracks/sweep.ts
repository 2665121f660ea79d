/** Tracks that were deleted a while ago: taken away for good. */
import type { Knex } from 'knex';
import { keptDeleted } from '../../core/job/job.ts';
import { emptyLog } from '../database/open.ts';
import { writing } from '../database/writing.ts';
import type { EditLog } from './log.ts';
import type { TrackRow } from './store.ts';

/** Takes away what was deleted longer ago than it is kept, from the disk too. @param now in ms since 1970 */
export async function sweepTracks(db: Knex, log: EditLog, now: number): Promise<void> {
  const before = now - keptDeleted;
  const old = await db<TrackRow>('tracks').where('deleted', '<', before).select('id');
  if (old.length === 0) return;
  // Asked again where it is done: one may have been brought back meanwhile.
  const gone = await writing(db, async (tx) => {
    const ids: string[] = [];
    for (const { id } of old)
      if ((await tx('tracks').where({ id }).where('deleted', '<', before).delete()) > 0) ids.push(id);
    return ids;
  });
  log.forget(gone);
  await emptyLog(db);
}
