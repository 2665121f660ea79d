/** Putting captions to the speech they are for. */
import { nearestStretch, speechOffset, speechWithin } from '../../audio/heard-under.ts';
import type { Stretch } from '../../audio/regions.ts';
import type { Moved, MoveRules, Timed } from './move.ts';

/** How long before its speech a caption begins and after it ends, in ms. */
export interface SpeechRoom {
  readonly lead: number;
  readonly linger: number;
}

/** The end of speech that a caption ends with; null where it ends in mid-speech, or another caption is nearer. */
function speechEnd(here: Timed, before: Timed | undefined, next: Timed | undefined, speech: readonly Stretch[]) {
  const nearest = nearestStretch(speech, 'end', here.end, speechWithin);
  if (!nearest) return null;
  const away = (other: Timed): number => Math.abs(nearest.end - other.end);
  const isTheirs = (other: Timed | undefined): boolean => other !== undefined && away(other) < away(here);
  return isTheirs(before) || isTheirs(next) ? null : nearest.end;
}

/**
 * A caption with its begin and end at the speech nearest to each, as far as its neighbours leave room. What lies in
 * mid-speech stays where it is.
 * @returns null where no speech is near it
 */
export function toSpeech(
  captions: readonly Timed[],
  index: number,
  speech: readonly Stretch[],
  { lead, linger }: SpeechRoom,
  { gap, least, length }: MoveRules,
): Moved | null {
  const here = captions[index];
  if (!here) return null;
  const [before, next] = [captions[index - 1], captions[index + 1]];
  const late = speechOffset(here, before ?? null, next ?? null, speech);
  const ends = speechEnd(here, before, next, speech);
  if (late === null && ends === null) return null;
  const wanted = {
    start: late === null ? here.start : here.start - late - lead,
    end: ends === null ? here.end : ends + linger,
  };
  const first = before ? Math.min(here.start, before.end + gap) : 0;
  const last = next ? Math.max(here.end, next.start - gap) : Math.max(here.end, length);
  const start = Math.max(first, wanted.start);
  const end = Math.min(last, wanted.end);
  // Its begin and its end may belong to stretches that cross.
  if (end - start < least) return { changes: [], stopped: 'least' };
  const stopped = start > wanted.start || end < wanted.end ? 'neighbour' : null;
  return { changes: start === here.start && end === here.end ? [] : [{ id: here.id, start, end }], stopped };
}
