/** Opens the database of a data folder, made or brought up to date as needed. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import knex, { type Knex } from 'knex';
import ClientBetterSqlite3 from 'knex/lib/dialects/better-sqlite3/index.js';
import TransactionSqlite from 'knex/lib/dialects/sqlite3/execution/sqlite-transaction.js';
import type { Database } from 'better-sqlite3';
import { CannotStart } from '../start.ts';
import { migrationSource, stepNames } from './migrations.ts';

/** Transactions that take the right to write at once: one that had to ask for it later could be refused half-way. */
class ImmediateTransaction extends TransactionSqlite {
  override begin(connection: unknown): Promise<unknown> {
    return this.query(connection, 'BEGIN IMMEDIATE;');
  }
}

class Client extends ClientBetterSqlite3 {
  override transaction(...args: readonly unknown[]): ImmediateTransaction {
    // eslint-disable-next-line no-restricted-syntax -- those of one call
    return new ImmediateTransaction(this, ...args);
  }
}

/** How long the driver waits for another process, in ms; it stops everything meanwhile, so the rest is tried outside it. */
const patience = 20;

const nothing = (): void => undefined;
const silent = { warn: nothing, error: nothing, deprecate: nothing, debug: nothing };

const fileIn = (folder: string): string => join(folder, 'fenwix.sqlite');

/** Opens the database of a server: made or brought up to date as needed, write-ahead log with a flush to disk at every commit: what was acknowledged survives a power cut. */
export async function openDatabase(folder: string): Promise<Knex> {
  const isOld = existsSync(fileIn(folder));
  const db = connect(folder, [
    // What was acknowledged survives a power cut.
    'journal_mode = WAL',
    'synchronous = FULL',
    'foreign_keys = ON',
    // Words of what was deleted are overwritten, not only forgotten.
    'secure_delete = ON',
  ]);
  try {
    await bringUp(db, isOld);
  } catch (error) {
    await db.destroy();
    throw error;
  }
  return db;
}

/** Opens a data folder that a server has brought up to date, to read in it beside that server. */
export const openToRead = (folder: string): Knex => connect(folder, ['query_only = ON']);

function connect(folder: string, pragmas: readonly string[]): Knex {
  return knex({
    // Knex's types do not know that its own dialects can be extended.
    client: Client as unknown as typeof Knex.Client,
    connection: { filename: fileIn(folder) },
    useNullAsDefault: true,
    // What goes wrong is said by whoever asked; the driver's own words carry stack traces and what was written.
    log: silent,
    pool: {
      min: 1,
      max: 1,
      afterCreate(connection: Database, done: (error: Error | null, connection: Database) => void) {
        try {
          for (const pragma of [`busy_timeout = ${String(patience)}`, ...pragmas]) connection.pragma(pragma);
          done(null, connection);
        } catch (error) {
          done(error as Error, connection);
        }
      },
    },
  });
}

async function bringUp(db: Knex, isOld: boolean): Promise<void> {
  const made = (await db.schema.hasTable('knex_migrations'))
    ? (await db<{ name: string }>('knex_migrations').select('name')).map((row) => row.name)
    : [];
  if (made.some((name) => !stepNames.includes(name)))
    throw new CannotStart(
      'The data folder was made by a later Fenwix, which this one cannot read. Start that one, or name another folder with FENWIX_DATA. Nothing was touched.',
    );
  await db.migrate.latest({ migrationSource });
  // Folders from before deleted words were overwritten still hold them in pages nobody uses.
  if (isOld && !made.includes('004-kept-once')) {
    await db.raw('VACUUM');
    await emptyLog(db);
  }
}

/** Empties the write-ahead log into the database, so that nothing deleted stays in it. */
export async function emptyLog(db: Knex): Promise<void> {
  await db.raw('PRAGMA wal_checkpoint(TRUNCATE)');
}
