/** Makes a track of captions that were read from a file. */
import { withIds } from '../../core/formats/cue.ts';
import type { ReadResult } from '../../core/formats/format.ts';
import type { TrackSummary } from '../../core/job/job.ts';
import type { TrackKind } from '../../core/track/caption.ts';
import { ask } from '../api/client.ts';
import { newId } from '../outbox/deliver.ts';

export interface NewTrack {
  readonly kind: TrackKind;
  readonly name: string;
  /** BCP 47. */
  readonly language: string;
}

/** @throws {Refusal} when the server would not have it, or is away */
export async function addTrack(job: string, track: NewTrack, from: ReadResult): Promise<TrackSummary> {
  const made = await ask<TrackSummary>('POST', `/jobs/${job}/tracks`, { ...track, foreign: from.foreign });
  await ask('POST', `/tracks/${made.id}/edits`, {
    id: newId(),
    base: 0,
    edits: [{ type: 'insert', captions: withIds(from.captions, newId) }],
  });
  return made;
}
