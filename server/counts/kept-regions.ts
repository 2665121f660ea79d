/** Where speech is in a recording, as it was kept. */
import type { Knex } from 'knex';
import { regionsMethod, type Regions } from '../../core/audio/regions.ts';

export interface RegionsRow {
  readonly hash: string;
  readonly track: number;
  /** By which version of the method they were found; those of another are looked for again. */
  readonly method: number;
  readonly regions: string;
}

/** @param track which of its sound tracks, from 0 @returns null where nobody has listened, or where that was by another method. */
export async function keptRegions(db: Knex, hash: string | null, track: number): Promise<Regions | null> {
  if (hash === null) return null;
  const row = await db<RegionsRow>('regions').where({ hash, track, method: regionsMethod }).first();
  return row ? (JSON.parse(row.regions) as Regions) : null;
}
