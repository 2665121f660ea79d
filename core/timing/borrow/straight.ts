/**
 * One straight line through the ties of two tracks: the same times later or earlier, or counted at another frame rate too.
 * Where it explains them, a track moves along it and keeps its own rhythm, which was somebody's work; going through every
 * tie would give it the other's.
 */
import { extent, median } from 'd3-array';
import { usualRates, rateText, type FrameRate } from '../clock/frames.ts';
import { along, type Piece } from '../../model/pieces.ts';

/** The line holds where half of the ties are nearer to it than this, in ms. */
const holds = 500;
/** Fewer ties than this show no line. */
const fewest = 4;
/** A frame rate is taken for a mistake only where it leaves less than this share of what a shift leaves. */
const better = 0.6;
/** … and where what it changes over the whole track is so many times what the ties' own jitter could feign. */
const feigned = 6;
/** What is changed over the whole track by less than this is nothing, however little the ties jitter, in ms. */
const nothing = 100;
/** Of a normal spread: its standard deviation, where half lies nearer than 1. */
const normal = 1.4826;
/** A tie is beside the line where it is further off than this, and than so many times the middle, in ms. */
const [beside, timesMiddle] = [1500, 6];
/** More ties beside it than this share are another cut, and no line. */
const mostBeside = 0.1;
/** The second point of a line lies so far behind the first, in ms: any rounding of its slope is lost in less than a ms. */
const far = 100_000_000;

export interface StraightLine {
  readonly pieces: readonly Piece[];
  /** What the times were counted at, and what they are played at; null for a shift alone. */
  readonly rates: { readonly from: FrameRate; readonly to: FrameRate } | null;
  /** What is left to be added once the rate is right, in ms; later where it is positive. */
  readonly by: number;
  /** How far the ties are from it in the middle, in ms. */
  readonly middle: number;
  /** How far each is from it, in ms, positive where the tie asks for later. */
  readonly off: readonly number[];
  /** Which ties are so far beside it that they are left out. */
  readonly leftOut: readonly boolean[];
}

interface Slope {
  /** What lasts `was` lasts `now`. */
  readonly was: number;
  readonly now: number;
  readonly rates: StraightLine['rates'];
}

/** A shift, and every mistake there is between two usual rates, those that look the same once. */
function slopes(): readonly Slope[] {
  const found: Slope[] = [{ was: 1, now: 1, rates: null }];
  for (const from of usualRates)
    for (const to of usualRates) {
      const [was, now] = [to.numerator * from.denominator, from.numerator * to.denominator];
      if (found.some((s) => s.was * now === s.now * was)) continue;
      found.push({ was, now, rates: { from, to } });
    }
  return found;
}

function through(ties: readonly Piece[], { was, now, rates }: Slope): StraightLine {
  const slope = now / was;
  const by = Math.round(median(ties, ([at, to]) => to - at * slope) ?? 0);
  // From the first whole moment that is not before the beginning.
  const steps = Math.max(0, Math.ceil(-by / now));
  const first: Piece = [steps * was, steps * now + by];
  const more = Math.ceil(far / Math.min(was, now));
  const pieces: readonly Piece[] = rates === null ? [first] : [first, [first[0] + more * was, first[1] + more * now]];
  const off = ties.map(([at, to]) => to - along(pieces, at));
  const middle = median(off, Math.abs) ?? 0;
  const leftOut = off.map((ms) => Math.abs(ms) > Math.max(beside, timesMiddle * middle));
  return { pieces, rates, by, middle, off, leftOut };
}

/**
 * Whether a slope is seen in the ties, and not in their jitter: what it changes from the first to the last stands far
 * over the error with which a slope through so many can be told (of evenly spread points: their deviation by √(12 ∕ n)).
 */
function isSeen(ties: readonly Piece[], { pieces, middle }: StraightLine): boolean {
  const [first = 0, last = 0] = extent(ties, ([at]) => at);
  const changed = Math.abs(along(pieces, last) - along(pieces, first) - (last - first));
  return changed > Math.max(nothing, feigned * normal * middle * Math.sqrt(12 / ties.length));
}

/**
 * The line that explains ties best; null where none does.
 * @param ties moments of the track that moves, with where they belong
 */
export function straightLine(ties: readonly Piece[]): StraightLine | null {
  if (ties.length < fewest) return null;
  const [shift, ...others] = slopes().map((slope) => through(ties, slope));
  if (!shift) return null;
  const seen = others.filter((line) => isSeen(ties, line));
  const scaled = seen.reduce((best, line) => (line.middle < best.middle ? line : best), shift);
  const found = scaled.middle < shift.middle * better ? scaled : shift;
  const isAlone = found.leftOut.filter(Boolean).length <= mostBeside * ties.length;
  return found.middle < holds && isAlone ? found : null;
}

/** A line as people say it: “25 for 23.976, and 9.3 s earlier”. */
export function lineInWords({ rates, by }: Pick<StraightLine, 'rates' | 'by'>): string {
  const shift =
    by === 0 ? '' : `${(Math.abs(by) / 1000).toFixed(Math.abs(by) < 100 ? 2 : 1)} s ${by < 0 ? 'earlier' : 'later'}`;
  if (!rates) return shift === '' ? 'at the same times' : shift;
  const counted = `${rateText(rates.from)} for ${rateText(rates.to)}`;
  return shift === '' ? counted : `${counted}, and ${shift}`;
}
