/** Recordings nobody uses, and uploads that never came to an end: taken away. */
import { readdirSync, rmSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { folderOf, partEnding } from './keep.ts';
import type { RecordingRow } from './store.ts';
import { inTurn } from './turns.ts';

/** A recording that no job uses is kept for so long: somebody may be filling in the rest of a new job. */
export const keptIdle = 24 * 3600 * 1000;

/** Jobs that use a recording, now or as the one before. @param hash of it, or the column that has that */
const usersOf = (db: Knex, hash: string | Knex.Raw): Knex.QueryBuilder =>
  db('jobs').where({ recording: hash }).orWhere({ recording_before: hash });

/** Its row, its picture and the work on it. */
async function forgetRecording(db: Knex, hash: string): Promise<void> {
  await db('work').where({ kind: 'draw-poster', subject: hash }).delete();
  await db('recordings').where({ hash }).delete();
}

/** Takes a recording away unless a job uses it. */
export const removeUnused = (db: Knex, data: string, hash: string): Promise<void> =>
  inTurn(async () => {
    if (await usersOf(db, hash).first()) return;
    await forgetRecording(db, hash);
    await rm(join(folderOf(data), hash), { force: true });
  });

/** Takes away what has been without a job for a day. @param now in ms since 1970 */
export async function sweepRecordings(db: Knex, data: string, now: number): Promise<void> {
  const rows = await db<RecordingRow>('recordings')
    .whereNotExists(usersOf(db, db.raw('recordings.hash')))
    .where('idle', '<', now - keptIdle)
    .select('hash');
  for (const { hash } of rows)
    await inTurn(async () => {
      // Asked again in its turn: it may have been imported once more meanwhile.
      const row = await db<RecordingRow>('recordings').where({ hash }).first();
      if (!row || row.idle >= now - keptIdle || (await usersOf(db, hash).first())) return;
      await forgetRecording(db, hash);
      await rm(join(folderOf(data), hash), { force: true });
    });
}

/**
 * Takes away files that no row speaks of: a kill came between the row and the file of one that was imported or taken
 * away. Files under other names than a hash are not ours.
 */
export async function sweepStray(db: Knex, data: string): Promise<void> {
  for (const name of readdirSync(folderOf(data)).filter((each) => /^[0-9a-f]{64}$/.test(each)))
    await inTurn(async () => {
      if (!(await db<RecordingRow>('recordings').where({ hash: name }).first()))
        await rm(join(folderOf(data), name), { force: true });
    });
}

/** Takes away what is left of uploads that a kill or a stop has cut off. */
export function sweepUploads(data: string): void {
  for (const name of readdirSync(folderOf(data)))
    if (name.endsWith(partEnding)) rmSync(join(folderOf(data), name), { force: true });
}
