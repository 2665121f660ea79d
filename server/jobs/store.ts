/** Jobs as they are kept and as they are given out. */
import type { Knex } from 'knex';
import { keptStyle } from '../../core/style/decode-style.ts';
import type { FrameRate } from '../../core/timing/clock/frames.ts';
import type { Job, Recording } from '../../core/job/job.ts';
import type { Stretch } from '../../core/audio/regions.ts';
import { missing } from '../http/errors.ts';
import { recordingOf } from '../recordings/store.ts';
import { summaryOf, type TrackRow } from '../tracks/store.ts';

export interface JobRow {
  readonly id: string;
  readonly title: string;
  readonly series: string;
  readonly language: string;
  readonly rate: string;
  readonly style: string;
  readonly recording: string | null;
  readonly recording_before: string | null;
  /** What the job calls each, which may be another’s recording too; null where it says nothing. */
  readonly recording_name: string | null;
  readonly recording_before_name: string | null;
  readonly made: number;
  readonly sound_track: number;
  /** As JSON. */
  readonly stretch: string | null;
  /** What it was made of, as a hash; null for jobs from before that was kept. */
  readonly asked: string | null;
  /** A hash of what the counts of its tracks rest on. */
  readonly basis: string;
}

/** @throws {ApiError} when there is no such job */
export async function jobRow(db: Knex, id: string): Promise<JobRow> {
  const row = await db<JobRow>('jobs').where({ id }).first();
  if (!row) throw missing('This job');
  return row;
}

/** A job as it is given out. @throws {ApiError} when there is no such job */
export async function jobOf(db: Knex, id: string): Promise<Job> {
  const row = await jobRow(db, id);
  const { asked: _asked, basis: _ground, sound_track: soundTrack, recording_before: before, ...others } = row;
  const { recording_name: name, recording_before_name: nameBefore, ...kept } = others;
  const called = async (hash: string | null, as: string | null): Promise<Recording | null> => {
    const recording = hash === null ? null : await recordingOf(db, hash);
    return recording && { ...recording, name: as ?? recording.name };
  };
  const tracks = await db<TrackRow>('tracks').where({ job: id }).orderBy('position');
  return {
    ...kept,
    soundTrack,
    stretch: kept.stretch === null ? null : (JSON.parse(kept.stretch) as Stretch),
    rate: JSON.parse(kept.rate) as FrameRate,
    style: keptStyle(JSON.parse(kept.style)),
    recording: await called(kept.recording, name),
    recordingBefore: await called(before, nameBefore),
    tracks: tracks.filter((t) => t.deleted === null).map(summaryOf),
    deleted: tracks.flatMap((t) => (t.deleted === null ? [] : [{ ...summaryOf(t), deleted: t.deleted }])),
  };
}
