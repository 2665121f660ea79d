/** Tracks as their table has them. */
import type { Knex } from 'knex';
import type { NewTrack } from '../../core/contract/tracks.ts';
import type { TrackSummary } from '../../core/job/job.ts';
import { decodeCaption } from '../../core/track/decode.ts';
import { idTaken, missing } from '../http/errors.ts';
import { hashOf } from '../requested.ts';
import type { EditLog } from './log.ts';

export interface TrackRow extends TrackSummary {
  readonly job: string;
  readonly position: number;
  /** JSON of what its file held besides captions. */
  readonly foreign: string | null;
  /** What it was made of, as a hash; null for tracks from before that was kept. */
  readonly asked: string | null;
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

/**
 * Makes a track with its captions, whole or not at all.
 * @returns false where the same was made before
 * @throws {ApiError} `id-taken` where another goes by this id
 */
export async function makeTrack(tx: Knex, log: EditLog, job: string, wanted: TrackToMake): Promise<boolean> {
  const asked = hashOf(wanted);
  const before = await tx<TrackRow>('tracks').where({ id: wanted.id }).first();
  if (before) {
    if (before.asked === asked && before.job === job) return false;
    throw idTaken('track');
  }
  const last = await tx('tracks').where({ job }).max({ position: 'position' }).first();
  const { captions, foreign, ...rest } = wanted;
  const row: TrackRow = {
    ...rest,
    job,
    foreign: foreign === null ? null : JSON.stringify(foreign),
    edit: 0,
    captions: 0,
    proofed: 0,
    position: Number(last?.['position'] ?? -1) + 1,
    asked,
  };
  await log.begin(tx, row, captions);
  return true;
}
