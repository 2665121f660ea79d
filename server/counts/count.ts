/** Counts the findings of one track that have to go. */
import type { Knex } from 'knex';
import { keptStyle } from '../../core/style/decode-style.ts';
import { findIn } from '../../core/rules/finder.ts';
import { isTranslation } from '../../core/job/job.ts';
import type { Stretch } from '../../core/audio/regions.ts';
import type { FrameRate } from '../../core/timing/clock/frames.ts';
import type { EditLog } from '../tracks/log.ts';
import { keptRegions } from './kept-regions.ts';
import { trackRow } from '../tracks/store.ts';

/** A count, and what it rests on. */
export interface Counted {
  readonly must: number;
  readonly edit: number;
  readonly basis: string;
}

interface CountedOn {
  readonly style: string;
  readonly rate: string;
  readonly basis: string;
  readonly length: number | null;
  readonly language: string;
  readonly recording: string | null;
  readonly sound_track: number;
  readonly stretch: string | null;
}

/** @throws {ApiError} when the track is gone */
export async function countMust(db: Knex, log: EditLog, id: string): Promise<Counted> {
  const row = await trackRow(db, id);
  const track = await log.load(id);
  const job = await db('jobs')
    .leftJoin('recordings', 'recordings.hash', 'jobs.recording')
    .where('jobs.id', row.job)
    .first<CountedOn | undefined>(
      'jobs.style',
      'jobs.rate',
      'jobs.basis',
      'jobs.language',
      'jobs.recording',
      'jobs.sound_track',
      'jobs.stretch',
      'recordings.length',
    );
  if (!job) return { must: 0, edit: row.edit, basis: '' };
  const { must } = findIn(track.captions, {
    style: keptStyle(JSON.parse(job.style)),
    rate: JSON.parse(job.rate) as FrameRate,
    length: job.length,
    language: track.language,
    regions: isTranslation(row, job.language) ? null : await keptRegions(db, job.recording, job.sound_track),
    stretch: job.stretch === null ? null : (JSON.parse(job.stretch) as Stretch),
  });
  return { must, edit: track.edit, basis: job.basis };
}
