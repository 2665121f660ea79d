/** Long stretches in which nobody speaks and no caption is, drawn short: times of the recording against places on a page. */
import { bisector } from 'd3-array';
import type { Stretch } from '../../audio/regions.ts';

/** Silence shorter than this is left as it is; so much of it is left on either side of a fold; in ms. */
const [leastSilence, margin] = [6000, 1000];

/** What lies between stretches, where nothing is. @param busy in any order, they may overlap @param length in ms */
export function silencesIn(busy: readonly Stretch[], length: number): Stretch[] {
  const silences: Stretch[] = [];
  let end = 0;
  for (const each of [...busy].sort((a, b) => a.start - b.start)) {
    if (each.start - end >= leastSilence) silences.push({ start: end + margin, end: each.start - margin });
    end = Math.max(end, each.end);
  }
  if (length - end >= leastSilence) silences.push({ start: end + margin, end: length - margin });
  return silences;
}

/** Goes from times to places and back. Both grow together; where nothing is folded they are the same. */
export interface FoldedScale {
  /** Where a moment stands, in ms of the page. @param ms a time of the recording */
  readonly place: (ms: number) => number;
  /** The moment at a place. @param place in ms of the page */
  readonly time: (place: number) => number;
}

const plain: FoldedScale = { place: (ms) => ms, time: (place) => place };

/**
 * @param folds in order of time, apart from one another
 * @param each what a fold takes up, in ms of the page; one that is shorter stays as it is
 */
export function foldedScale(folds: readonly Stretch[], each: number): FoldedScale {
  const knots: { readonly at: number; readonly place: number }[] = [{ at: 0, place: 0 }];
  let saved = 0;
  for (const { start, end } of folds) {
    if (end - start <= each) continue;
    knots.push({ at: start, place: start - saved });
    saved += end - start - each;
    knots.push({ at: end, place: end - saved });
  }
  if (knots.length === 1) return plain;
  const through = (from: 'at' | 'place', to: 'at' | 'place'): ((value: number) => number) => {
    const by = bisector((knot: (typeof knots)[number]) => knot[from]);
    return (value) => {
      const i = by.right(knots, value);
      const before = knots[Math.max(0, i - 1)];
      const after = knots[i];
      if (!before) return value;
      // Before the first and after the last both go on alike.
      const share = after && i > 0 ? (after[to] - before[to]) / (after[from] - before[from]) : 1;
      return before[to] + (value - before[from]) * share;
    };
  };
  return { place: through('at', 'place'), time: through('place', 'at') };
}
