/** Makes a track of captions that were read from a file. */
import { withIds } from '../../core/formats/cue.ts';
import type { ReadResult } from '../../core/formats/format.ts';
import type { TrackSummary } from '../../core/job/job.ts';
import type { Caption, Foreign, TrackKind } from '../../core/model/caption.ts';
import { ask } from '../data/client/client.ts';
import { newId } from '../data/sync/ids.ts';

export interface TrackHead {
  readonly kind: TrackKind;
  readonly name: string;
  /** BCP 47. */
  readonly language: string;
}

/** A track with its captions, as the server takes it: whole, under an id made here, once however often it is sent. */
export interface MadeTrack extends TrackHead {
  readonly id: string;
  readonly foreign: Foreign | null;
  readonly captions: readonly Caption[];
}

export const trackFrom = (track: TrackHead, from: Pick<ReadResult, 'captions' | 'foreign'>): MadeTrack => ({
  ...track,
  id: newId(),
  foreign: from.foreign,
  captions: withIds(from.captions, newId),
});

/** The captions of a track as another, under ids of their own. What is copied of a machine draft is captions. */
export const copyOf = (
  track: TrackHead & { readonly captions: readonly Caption[]; readonly foreign: Foreign | null },
  name: string,
): MadeTrack => ({
  kind: track.kind === 'machine' ? 'captions' : track.kind,
  name,
  language: track.language,
  id: newId(),
  foreign: track.foreign,
  captions: track.captions.map((c) => ({ ...c, id: newId() })),
});

/** @throws {ApiError} when the server would not have it, or is away; asking again with the same track makes it once */
export const addTrack = (job: string, track: MadeTrack): Promise<TrackSummary> =>
  ask('POST /api/jobs/:id/tracks', { params: { id: job }, body: track });
