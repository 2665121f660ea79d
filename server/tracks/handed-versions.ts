/** The versions of a track, each with the destinations it was handed to. */
import { group } from 'd3-array';
import type { Knex } from 'knex';
import type { HandedVersion } from '../../core/contract/tracks.ts';
import type { EditLog } from './log.ts';

/** @throws {ApiError} when there is no such track, or its log is damaged */
export async function handedVersions(db: Knex, log: EditLog, id: string): Promise<readonly HandedVersion[]> {
  const receipts = await db('receipts')
    .join('destinations', 'destinations.id', 'receipts.destination')
    .where({ 'receipts.track': id })
    .orderBy('receipts.at')
    .select<{ readonly edit: number; readonly name: string }[]>('receipts.edit as edit', 'destinations.name as name');
  const handed = group(receipts, (receipt) => receipt.edit);
  const versions = await log.versions(id, new Set(handed.keys()));
  return versions.map((version) => ({
    ...version,
    handed: [...new Set((handed.get(version.edit) ?? []).map((receipt) => receipt.name))],
  }));
}
