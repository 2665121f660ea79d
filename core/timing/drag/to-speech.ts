/** Putting captions to the speech they are for, and finding room for new ones where somebody speaks and nothing stands. */
import { max } from 'd3-array';
import { heardFor, nearestStretch, speechOffset, speechWithin } from '../../audio/heard-under.ts';
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

/** Figures of new captions, in ms. */
export interface NewCaptions extends SpeechRoom {
  readonly shortest: number;
  readonly longest: number;
}

/**
 * Times of new captions, one for every stretch of speech that captions cover less than half of; one that is too long
 * for a caption is shared among several.
 */
export function captionsForSpeech(
  captions: readonly Timed[],
  speech: readonly Stretch[],
  { lead, linger, shortest, longest }: NewCaptions,
  { gap, least, length }: MoveRules,
): Stretch[] {
  const made: Stretch[] = [];
  let next = 0;
  for (const [i, { start, end }] of speech.entries()) {
    while ((captions[next]?.end ?? Infinity) <= start) next++;
    let over = next;
    while ((captions[over]?.start ?? Infinity) < end) over++;
    const those = captions.slice(next, over);
    if (heardFor(those, start, end) * 2 >= end - start) continue;
    // Only what is free of it can be filled: from the last caption that reaches into its beginning to the next one.
    const before = Math.max(
      made.at(-1)?.end ?? -gap,
      captions[next - 1]?.end ?? -gap,
      max(those, (c) => (c.start <= start ? c.end : undefined)) ?? -gap,
    );
    const after = Math.min(
      those.find((c) => c.start > start)?.start ?? captions[over]?.start ?? length + gap,
      speech[i + 1]?.start ?? Infinity,
    );
    const first = Math.max(before + gap, start - lead);
    const last = Math.min(after - gap, Math.max(end + linger, first + shortest), length);
    if (last - first < least) continue;
    const pieces = Math.max(1, Math.ceil((last - first) / longest));
    for (let n = 0; n < pieces; n++) {
      const from = first + Math.round(((last - first) * n) / pieces);
      const to = first + Math.round(((last - first) * (n + 1)) / pieces);
      made.push({ start: from, end: n + 1 < pieces ? to - gap : to });
    }
  }
  return made;
}
