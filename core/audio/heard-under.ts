/** What is heard under a stretch of time. */
import { bisector } from 'd3-array';
import type { Stretch } from './regions.ts';

const byEnd = bisector((each: Stretch) => each.end);

/** The stretches that reach into a time, in order. @param from in ms @param to in ms */
export function stretchesIn(stretches: readonly Stretch[], from: number, to: number): Stretch[] {
  const found: Stretch[] = [];
  for (let i = byEnd.right(stretches, from); i < stretches.length; i++) {
    const each = stretches[i];
    if (!each || each.start >= to) break;
    found.push(each);
  }
  return found;
}

/** How much of a time the stretches take up, in ms. */
export const heardFor = (stretches: readonly Stretch[], from: number, to: number): number =>
  stretchesIn(stretches, from, to).reduce((sum, s) => sum + Math.min(to, s.end) - Math.max(from, s.start), 0);

/** Whether any of a time lies in a stretch. @param stretch null for all of the recording */
export const isIn = (time: Stretch, stretch: Stretch | null | undefined): boolean =>
  !stretch || (time.start < stretch.end && time.end > stretch.start);

/** Speech that begins further away than this is not what a caption is for, in ms. */
export const speechWithin = 2000;

/** The stretch whose start, or end, is nearest to a moment; null where none is within reach. */
export function nearestStretch(
  stretches: readonly Stretch[],
  edge: 'start' | 'end',
  at: number,
  within: number,
): Stretch | null {
  let found: Stretch | null = null;
  let least = within;
  // One that reaches out of the time on either side may still have the edge that is nearest.
  for (const each of stretchesIn(stretches, at - within - 1, at + within + 1)) {
    const away = Math.abs(each[edge] - at);
    if (away <= least) [found, least] = [each, away];
  }
  return found;
}

interface Begins {
  readonly start: number;
}
/**
 * How late a caption begins against the speech it begins with, in ms, negative where it is early; null where it begins
 * in mid-speech: no speech begins near it, or another caption is nearer to where it does.
 */
export function speechOffset(
  caption: Begins,
  before: Begins | null,
  next: Begins | null,
  speech: readonly Stretch[],
): number | null {
  const nearest = nearestStretch(speech, 'start', caption.start, speechWithin);
  if (!nearest) return null;
  const away = (other: Begins): number => Math.abs(nearest.start - other.start);
  if ((before && away(before) < away(caption)) || (next && away(next) < away(caption))) return null;
  return caption.start - nearest.start;
}
