/** Jobs as they are kept and as they are given out. */
import type { Knex } from 'knex';
import { keptStyle } from '../../core/rules/decode-style.ts';
import type { FrameRate } from '../../core/time/frames.ts';
import type { Job } from '../../core/job/job.ts';
import { missing } from '../problem.ts';
import { openRecording, type RecordingRow } from '../recordings/store.ts';
import type { TrackRow } from '../tracks/log.ts';

export interface JobRow {
  readonly id: string;
  readonly title: string;
  readonly series: string;
  readonly language: string;
  readonly rate: string;
  readonly style: string;
  readonly recording: string | null;
  readonly made: number;
  /** What it was made of, as a hash; null for jobs from before that was kept. */
  readonly asked: string | null;
}

/** @throws {Problem} when there is no such job */
export async function jobRow(db: Knex, id: string): Promise<JobRow> {
  const row = await db<JobRow>('jobs').where({ id }).first();
  if (!row) throw missing('This job');
  return row;
}

async function whole(db: Knex, row: JobRow): Promise<Job> {
  const recording = row.recording ? await db<RecordingRow>('recordings').where({ hash: row.recording }).first() : null;
  const tracks = await db<TrackRow>('tracks').where({ job: row.id }).orderBy('position');
  const { asked: _, ...kept } = row;
  return {
    ...kept,
    rate: JSON.parse(row.rate) as FrameRate,
    style: keptStyle(JSON.parse(row.style)),
    recording: recording ? openRecording(recording) : null,
    tracks: tracks.map(({ foreign: _foreign, asked: _asked, ...summary }) => summary),
  };
}

export const jobOf = async (db: Knex, id: string): Promise<Job> => whole(db, await jobRow(db, id));

/** All jobs, the newest first. */
export async function allJobs(db: Knex): Promise<Job[]> {
  const rows = await db<JobRow>('jobs').orderBy('made', 'desc');
  return Promise.all(rows.map((row) => whole(db, row)));
}
