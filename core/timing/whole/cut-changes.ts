/** What became of a recording that was cut again, by the stretches its two cuts have in common, and in words. */
import { sum } from 'd3-array';
import { exactClock, seconds } from '../clock/clock.ts';
import { grain, segmentsInOrder, sharedBy, type Segment } from './segment.ts';

/** What became of a recording, in the order of the new one; times in ms. */
export type CutChange =
  /** A stretch of the old one that is not in the new, which would be at `at`. */
  | { readonly what: 'cut'; readonly from: number; readonly to: number; readonly at: number }
  /** A stretch of the new one that the old does not have there. */
  | { readonly what: 'put in'; readonly from: number; readonly to: number }
  /** A stretch of the old one that stands earlier or later, beginning at `at` in the new. */
  | { readonly what: 'moved'; readonly from: number; readonly to: number; readonly at: number };

/**
 * @param segments in order of the new recording
 * @param was length of the old recording, in ms
 * @param now of the new
 */
export function cutChangesOf(segments: readonly Segment[], was: number, now: number): readonly CutChange[] {
  const stays = segmentsInOrder(segments);
  /** What of the old recording also stands where it was is there once more, and not moved. */
  const isRepeated = (segment: Segment): boolean => sum(stays, (each) => sharedBy(segment, each)) > segment.length / 2;
  const changes: CutChange[] = [];
  const putIn = (from: number, to: number): void => {
    const last = changes.at(-1);
    if (last?.what === 'put in' && from - last.to <= grain) changes.splice(-1, 1, { ...last, to });
    else if (to - from > grain) changes.push({ what: 'put in', from, to });
  };
  let atNow = 0;
  for (const segment of [...segments, { now, was, length: 0 }]) {
    putIn(atNow, segment.now);
    atNow = segment.now + segment.length;
    if (segment.length === 0 || stays.has(segment)) continue;
    if (isRepeated(segment)) putIn(segment.now, atNow);
    else changes.push({ what: 'moved', from: segment.was, to: segment.was + segment.length, at: segment.now });
  }
  let end = 0;
  for (const segment of [...segments].sort((a, b) => a.was - b.was).concat({ now, was, length: 0 })) {
    if (segment.was - end > grain) changes.push({ what: 'cut', from: end, to: segment.was, at: segment.now });
    end = Math.max(end, segment.was + segment.length);
  }
  const placeOf = (change: CutChange): number => (change.what === 'put in' ? change.from : change.at);
  return changes.sort((a, b) => placeOf(a) - placeOf(b));
}

/** As `12.35 s cut, 00:00:20.000 to 00:00:32.350`. */
export function cutSaid(change: CutChange): string {
  const long = seconds(change.to - change.from);
  if (change.what === 'put in') return `${long} put in at ${exactClock(change.from)}`;
  const stretch = `${exactClock(change.from)} to ${exactClock(change.to)}`;
  return change.what === 'cut' ? `${long} cut, ${stretch}` : `${long} moved, ${stretch}, to ${exactClock(change.at)}`;
}
