/**
 * Lines that times are moved along (`core/model/pieces.ts`): by as much, by a share, from one frame rate to another, or
 * through ties, each a moment of a track with the moment it belongs at.
 */
import { formatClock } from '../clock/clock.ts';
import { usualRates, type FrameRate } from '../clock/frames.ts';
import { along, type Piece } from '../../model/pieces.ts';

/** @param by in ms, later where it is positive. No moment is below 0. */
export const shiftBy = (by: number): readonly Piece[] => (by < 0 ? [[-by, 0]] : [[0, by]]);

/** What lasts `from` is to last `to`, from the beginning on. */
export const scaleBy = (from: number, to: number): readonly Piece[] => [
  [0, 0],
  [from, to],
];

/**
 * Times counted at one frame rate as though it were another: picture n stands at n / `from` and belongs at n / `to`.
 * The two are whole numbers, so that a day of times is exact to the ms.
 */
export const rateChange = (from: FrameRate, to: FrameRate): readonly Piece[] =>
  scaleBy(to.numerator * from.denominator, from.numerator * to.denominator);

/** Ties closer than this tell no rate, in ms. */
export const leastApart = 1000;

/** Why ties cannot be applied, as a sentence that names the pair. */
export interface TieFault {
  readonly fault: string;
  readonly pair: readonly [Piece, Piece];
}

const clock = (ms: number): string => formatClock(ms, { fraction: '.', hours: 'when needed', digits: 3 });
const named = ([at, to]: Piece): string => `${clock(at)} = ${clock(to)}`;

/** Ties in order, or the two that do not go together. */
export function orderedTies(ties: readonly Piece[]): readonly Piece[] | TieFault {
  const ordered = [...ties].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  for (let i = 1; i < ordered.length; i++) {
    const [before, after] = [ordered[i - 1], ordered[i]];
    if (!before || !after) continue;
    const pair = [before, after] as const;
    const both = `${named(before)} and ${named(after)}`;
    if (before[0] === after[0] || before[1] === after[1])
      return { pair, fault: `The ties ${both} hold one moment in two places.` };
    if (after[1] < before[1]) return { pair, fault: `The ties ${both} cross.` };
    if (after[0] - before[0] < leastApart || after[1] - before[1] < leastApart)
      return { pair, fault: `The ties ${both} are less than a second apart.` };
  }
  return ordered;
}

/**
 * How far each tie is from the one line that fits all of them best (least squares), in ms, positive where the tie asks
 * for later. Ties that agree on a drift leave next to nothing; one that stands out was set wrong.
 */
export function residuals(ties: readonly Piece[]): readonly number[] {
  const n = ties.length;
  if (n < 3) return ties.map(() => 0);
  const mean = (side: 0 | 1): number => ties.reduce((sum, tie) => sum + tie[side], 0) / n;
  const [at, to] = [mean(0), mean(1)];
  const spread = ties.reduce((sum, tie) => sum + (tie[0] - at) ** 2, 0);
  const slope = spread === 0 ? 1 : ties.reduce((sum, tie) => sum + (tie[0] - at) * (tie[1] - to), 0) / spread;
  // Nothing is 0, never -0.
  return ties.map((tie) => Math.round(tie[1] - (to + slope * (tie[0] - at))) + 0);
}

/** So many ties on either side say where one would be. */
const around = 2;

/**
 * How far each tie is from where the ties around it would put it, in ms, positive where it asks for later; 0 for one
 * alone.
 * @param ties in order
 */
export const offFromOthers = (ties: readonly Piece[]): readonly number[] =>
  ties.map(([at, to], i) => {
    const others = [...ties.slice(Math.max(0, i - around), i), ...ties.slice(i + 1, i + 1 + around)];
    return others.length === 0 ? 0 : to - along(others, at);
  });

/** Two rates whose mistake looks like the ties do, closer than this share. */
const alike = 0.00025;
/**
 * Which frame rate was taken for which, by the first and the last tie: a track counted at `from` is played at `to`. Null
 * where they are a shift, or like no such mistake. Of pairs that look the same (24 for 25, 48 for 50) the first usual one.
 */
export function rateMistake(ties: readonly Piece[]): { readonly from: FrameRate; readonly to: FrameRate } | null {
  const [first, last] = [ties[0], ties.at(-1)];
  if (!first || !last || last[0] === first[0]) return null;
  const share = (last[1] - first[1]) / (last[0] - first[0]);
  if (Math.abs(share - 1) < alike) return null;
  let found: { readonly from: FrameRate; readonly to: FrameRate } | null = null;
  let nearest = alike;
  for (const from of usualRates)
    for (const to of usualRates) {
      const away = Math.abs((from.numerator * to.denominator) / (from.denominator * to.numerator) / share - 1);
      if (from !== to && away < nearest) [found, nearest] = [{ from, to }, away];
    }
  return found;
}
