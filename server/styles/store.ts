/** The house styles there are: those that ship, and those made here. */
import type { Knex } from 'knex';
import { keptStyle } from '../../core/style/decode-style.ts';
import { shippedStyle, shippedStyles } from '../../core/style/shipped.ts';
import type { HouseStyle } from '../../core/style/style.ts';
import { missing } from '../http/errors.ts';

interface StyleRow {
  readonly id: string;
  readonly style: string;
  readonly made: number;
}

/** Styles made here, the oldest first. */
export async function ownStyles(db: Knex): Promise<HouseStyle[]> {
  const rows = await db<StyleRow>('styles').orderBy('made');
  return rows.map((row) => keptStyle(JSON.parse(row.style)));
}

/** The styles that ship, then those made here. */
export const allStyles = async (db: Knex): Promise<HouseStyle[]> => [...shippedStyles, ...(await ownStyles(db))];

/** @throws {ApiError} when there is no such style */
export async function styleOf(db: Knex, id: string): Promise<HouseStyle> {
  const shipped = shippedStyle(id);
  if (shipped) return shipped;
  const row = await db<StyleRow>('styles').where({ id }).first();
  if (!row) throw missing('This house style');
  return keptStyle(JSON.parse(row.style));
}
