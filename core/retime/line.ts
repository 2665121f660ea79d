/**
 * Times moved along a line: by as much, by a share, from one frame rate to another, or through ties, each a moment of a
 * track with the moment it belongs at. One tie is a shift, two are a line, more are a line in pieces whose first and last
 * run on outwards.
 */
import type { FrameRate } from '../time/frames.ts';
import { formatClock } from '../time/clock.ts';

/** Where a moment belongs. @param ms in ms @returns in whole ms */
export type Line = (ms: number) => number;

/** A moment of the track, and the moment it belongs at, in ms. */
export interface Tie {
  readonly at: number;
  readonly to: number;
}

/** @param by in ms, later where it is positive */
export const shiftLine =
  (by: number): Line =>
  (ms) =>
    Math.round(ms + by);

/** What lasts `from` is to last `to`, about a moment that stays. @param pivot in ms */
export const scaleLine =
  (from: number, to: number, pivot = 0): Line =>
  (ms) =>
    pivot + Math.round(((ms - pivot) * to) / from);

/**
 * Times counted at one frame rate as though it were another: picture n stands at n / `from` and belongs at n / `to`.
 * Worked out as a ratio of whole numbers, so that hours of times stay exact to the ms.
 */
export const rateLine = (from: FrameRate, to: FrameRate): Line =>
  scaleLine(to.numerator * from.denominator, from.numerator * to.denominator);

/** Ties closer than this tell no rate, in ms. */
const leastApart = 1000;

/** Why ties cannot be applied, as a sentence that names the pair. */
export interface TieFault {
  readonly fault: string;
  readonly pair: readonly [Tie, Tie];
}

const clock = (ms: number): string => formatClock(ms, { fraction: '.', hours: 'when needed', digits: 3 });
const named = ({ at, to }: Tie): string => `${clock(at)} = ${clock(to)}`;

/** Ties in order, or the two that do not go together. */
export function orderedTies(ties: readonly Tie[]): readonly Tie[] | TieFault {
  const ordered = [...ties].sort((a, b) => a.at - b.at || a.to - b.to);
  for (let i = 1; i < ordered.length; i++) {
    const [before, after] = [ordered[i - 1], ordered[i]];
    if (!before || !after) continue;
    const pair = [before, after] as const;
    const both = `${named(before)} and ${named(after)}`;
    if (before.at === after.at || before.to === after.to)
      return { pair, fault: `The ties ${both} hold one moment in two places.` };
    if (after.to < before.to) return { pair, fault: `The ties ${both} cross.` };
    if (after.at - before.at < leastApart || after.to - before.to < leastApart)
      return { pair, fault: `The ties ${both} are less than a second apart.` };
  }
  return ordered;
}

/** The line through ties that are in order; nothing moves where there are none. */
export function tieLine(ties: readonly Tie[]): Line {
  const [first] = ties;
  if (!first) return (ms) => ms;
  if (ties.length === 1) return shiftLine(first.to - first.at);
  return (ms) => {
    let i = 1;
    while (i < ties.length - 1 && ms >= (ties[i]?.at ?? Infinity)) i++;
    const [a, b] = [ties[i - 1], ties[i]];
    return a && b ? a.to + Math.round(((ms - a.at) * (b.to - a.to)) / (b.at - a.at)) : ms;
  };
}

/**
 * How far each tie is from the one line that fits all of them best (least squares), in ms, positive where the tie asks
 * for later. Ties that agree on a drift leave next to nothing; one that stands out was set wrong.
 */
export function residuals(ties: readonly Tie[]): readonly number[] {
  const n = ties.length;
  if (n < 3) return ties.map(() => 0);
  const mean = (of: (tie: Tie) => number): number => ties.reduce((sum, tie) => sum + of(tie), 0) / n;
  const [at, to] = [mean((t) => t.at), mean((t) => t.to)];
  const spread = ties.reduce((sum, t) => sum + (t.at - at) ** 2, 0);
  const slope = spread === 0 ? 1 : ties.reduce((sum, t) => sum + (t.at - at) * (t.to - to), 0) / spread;
  // Nothing is 0, never -0.
  return ties.map((t) => Math.round(t.to - (to + slope * (t.at - at))) + 0);
}
