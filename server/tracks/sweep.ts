/** Tracks that were deleted a while ago: taken away for good. */
import type { Knex } from 'knex';
import { keptDeleted } from '../../core/job/job.ts';
import { emptyLog } from '../database/open.ts';
import type { Changes } from '../changes.ts';
import type { TrackRow } from './store.ts';

/** Takes away what was deleted longer ago than it is kept, from the disk too. @param now in ms since 1970 */
export async function sweepTracks(db: Knex, change: Changes['change'], now: number): Promise<void> {
  const before = now - keptDeleted;
  const old = await db<TrackRow>('tracks').where('deleted', '<', before).select('id');
  if (old.length === 0) return;
  // Asked again where it is done: one may have been brought back meanwhile.
  await change(async (tx, say) => {
    const ids: string[] = [];
    for (const { id } of old)
      if ((await tx('tracks').where({ id }).where('deleted', '<', before).delete()) > 0) ids.push(id);
    say({ what: 'gone', job: null, tracks: ids });
  });
  await emptyLog(db);
}
