/** Destinations and receipts as their tables have them. */
import type { Knex } from 'knex';
import type { FormatName } from '../../core/formats/format.ts';
import type { Destination, Receipt } from '../../core/job/job.ts';
import { missing } from '../http/errors.ts';
import type { DestinationRow } from './destination.ts';
import { destinationKinds } from './kinds.ts';

/** A receipt with what the destination said, word for word. */
export interface ReceiptRow extends Receipt {
  readonly job: string;
  readonly format: FormatName;
  readonly answer: string | null;
}

/** @throws {ApiError} when there is no such destination */
export async function destinationRow(db: Knex, id: string): Promise<DestinationRow> {
  const row = await db<DestinationRow>('destinations').where({ id }).first();
  if (!row) throw missing('This destination');
  return row;
}

/** A destination as it is given out. */
export const openDestination = ({ token: _, ...rest }: DestinationRow): Destination => ({
  ...rest,
  takes: destinationKinds[rest.kind].takes,
});

/** A receipt as it is given out. */
export const openReceipt = ({ job: _j, format: _f, answer: _a, ...receipt }: ReceiptRow): Receipt => receipt;
