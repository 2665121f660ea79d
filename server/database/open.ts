/** Opens the database of a data folder, made or brought up to date as needed. */
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import knex, { type Knex } from 'knex';
import type { Database } from 'better-sqlite3';
import { migrationSource } from './migrations.ts';

/** Write-ahead log with a flush to disk at every commit: what was acknowledged survives a power cut. */
export async function openDatabase(folder: string): Promise<Knex> {
  mkdirSync(folder, { recursive: true });
  const db = knex({
    client: 'better-sqlite3',
    connection: { filename: join(folder, 'fenwix.sqlite') },
    useNullAsDefault: true,
    pool: {
      min: 1,
      max: 1,
      afterCreate(connection: Database, done: (error: Error | null, connection: Database) => void) {
        for (const pragma of ['journal_mode = WAL', 'synchronous = FULL', 'foreign_keys = ON'])
          connection.pragma(pragma);
        done(null, connection);
      },
    },
  });
  await db.migrate.latest({ migrationSource });
  return db;
}
