/** Making tracks. */
import type { Knex } from 'knex';
import { idTaken } from '../http/errors.ts';
import { hashOf } from '../requested.ts';
import type { EditLog } from './log.ts';
import type { TrackRow, TrackToMake } from './store.ts';

/**
 * Makes a track with its captions, whole or not at all.
 * @returns false where the same was made before
 * @throws {ApiError} `id-taken` where another goes by this id
 */
export async function makeTrack(tx: Knex, log: EditLog, job: string, wanted: TrackToMake): Promise<boolean> {
  const asked = hashOf(wanted);
  const before = await tx<TrackRow>('tracks').where({ id: wanted.id }).first();
  if (before) {
    if (before.asked === asked && before.job === job) return false;
    throw idTaken('track');
  }
  const last = await tx('tracks').where({ job }).max({ position: 'position' }).first();
  const { captions, foreign, ...rest } = wanted;
  const row: TrackRow = {
    ...rest,
    job,
    foreign: foreign === null ? null : JSON.stringify(foreign),
    edit: 0,
    captions: 0,
    proofed: 0,
    position: Number(last?.['position'] ?? -1) + 1,
    asked,
    deleted: null,
  };
  await log.begin(tx, row, captions);
  return true;
}
