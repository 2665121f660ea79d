/** Where speech is in a recording, as it was kept. */
import type { Knex } from 'knex';
import { regionsMethod, type Regions } from '../../core/speech/regions.ts';

export interface RegionsRow {
  readonly hash: string;
  /** By which version of the method they were found; those of another are looked for again. */
  readonly method: number;
  readonly regions: string;
}

/** Null where nobody has listened, or where that was by another method. */
export async function keptRegions(db: Knex, hash: string | null): Promise<Regions | null> {
  if (hash === null) return null;
  const row = await db<RegionsRow>('regions').where({ hash, method: regionsMethod }).first();
  return row ? (JSON.parse(row.regions) as Regions) : null;
}
