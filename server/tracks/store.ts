/** Tracks as their table has them. */
import type { Knex } from 'knex';
import type { NewTrack } from '../../core/contract/tracks.ts';
import type { TrackSummary } from '../../core/job/job.ts';
import { decodeCaption } from '../../core/model/decode.ts';
import { missing } from '../http/errors.ts';

export interface TrackRow extends TrackSummary {
  readonly job: string;
  readonly position: number;
  /** JSON of what its file held besides captions. */
  readonly foreign: string | null;
  /** What it was made of, as a hash; null for tracks from before that was kept. */
  readonly asked: string | null;
  /** When it was deleted, in ms since 1970; null while it is there. */
  readonly deleted: number | null;
}

/** A track to be made, as it came: what is left out filled in, its captions not looked at yet. */
export type ReceivedTrack = Required<Omit<NewTrack, 'captions'>> & { readonly captions: readonly unknown[] };

/** A track to be made, with its captions as values. */
export type TrackToMake = Required<NewTrack>;

/** @throws {NotDecoded} naming the first caption that is none */
export const decodeTrack = (received: ReceivedTrack): TrackToMake => ({
  ...received,
  captions: received.captions.map((c, i) => decodeCaption(c, `caption ${String(i + 1)}`)),
});

/** @throws {ApiError} when there is no such track */
export async function trackRow(db: Knex, id: string): Promise<TrackRow> {
  const row = await db<TrackRow>('tracks').where({ id }).first();
  if (!row) throw missing('This track');
  return row;
}

/** The title of the job a track is made in. @throws {ApiError} when there is no such job */
export async function jobTitle(db: Knex, job: string): Promise<string> {
  const row = await db<{ readonly id: string; readonly title: string }>('jobs').where({ id: job }).first('title');
  if (!row) throw missing('This job');
  return row.title;
}

/** A track as it is given out. */
export const summaryOf = ({ id, kind, language, name, edit, captions, proofed }: TrackRow): TrackSummary => ({
  id,
  kind,
  language,
  name,
  edit,
  captions,
  proofed,
});
