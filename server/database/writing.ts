/** Work that writes: one transaction, tried again while another process has the database. */
import { setTimeout as pause } from 'node:timers/promises';
import type { Knex } from 'knex';
import { busy } from '../http/errors.ts';

/** Pauses between tries, in ms; about five seconds in all. */
const pauses = [10, 20, 40, 80, 160, 320, 640, 1000, 1000, 1000];

const isBusy = (error: unknown): boolean => String((error as { code?: unknown }).code).startsWith('SQLITE_BUSY');

/** @throws {ApiError} `busy` when the database stays taken */
export async function writing<T>(db: Knex, work: (tx: Knex.Transaction) => Promise<T>): Promise<T> {
  for (const wait of pauses) {
    try {
      return await db.transaction(work);
    } catch (error) {
      if (!isBusy(error)) throw error;
      await pause(wait);
    }
  }
  throw busy();
}
