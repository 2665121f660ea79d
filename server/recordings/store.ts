/** Recordings as they are kept and as they are given out. */
import type { Knex } from 'knex';
import type { Recording } from '../../core/job/job.ts';
import { missing } from '../http/errors.ts';

export interface RecordingRow extends Omit<Recording, 'poster'> {
  /** Since when no job has used it, in ms since 1970; of those in use it says nothing. */
  readonly idle: number;
}

/** The small picture of a recording. */
export interface PosterRow {
  readonly hash: string;
  readonly type: string;
  readonly picture: Buffer;
}

/** A recording as it is given out. @throws {ApiError} when there is no such recording */
export async function recordingOf(db: Knex, hash: string): Promise<Recording> {
  const row = await db<RecordingRow>('recordings').where({ hash }).first();
  if (!row) throw missing('This recording');
  const { idle: _, ...recording } = row;
  const poster = await db<PosterRow>('posters').where({ hash }).select('hash').first();
  return { ...recording, poster: poster !== undefined };
}
