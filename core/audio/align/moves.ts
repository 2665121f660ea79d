/** How far captions move, and what their neighbours say of those that were not heard. */
import { median } from 'd3-array';
import type { CaptionPlace } from './caption-place.ts';

/** What of a caption there is to place. */
export interface CaptionToPlace {
  readonly start: number;
  readonly end: number;
  readonly timing: 'set' | 'provisional';
}

/** Neighbours move alike where their offsets are no further apart than this and this share of the time between them, in ms. */
const [alike, alikeShare] = [500, 0.06];
/** A caption whose move differs so much from that of its neighbours was heard wrong, in ms. */
const odd = 350;

/** How far a caption surely moves. */
export interface Move {
  /** Where it was, in ms. */
  readonly at: number;
  readonly by: number;
}
/** Null where it is not sure. */
export const moveOf = (c: CaptionToPlace | undefined, place: CaptionPlace | null | undefined): Move | null =>
  c && place ? { at: c.start, by: place.start - c.start } : null;
const isAlike = (a: Move, b: Move): boolean => Math.abs(a.by - b.by) <= alike + Math.abs(b.at - a.at) * alikeShare;
/** The nearest that surely move: so many on either side of a place, in order. */
function movesAround(
  moves: readonly (Move | null)[],
  i: number,
  many: number,
): { readonly before: Move[]; readonly after: Move[] } {
  const [before, after]: [Move[], Move[]] = [[], []];
  for (let k = i - 1; k >= 0 && before.length < many; k--) {
    const move = moves[k];
    if (move) before.unshift(move);
  }
  for (let k = i + 1; k < moves.length && after.length < many; k++) {
    const move = moves[k];
    if (move) after.push(move);
  }
  return { before, after };
}
/** How far neighbours say that a moment moves, in ms; null where they do not agree, or where too few are known. */
export function agreedMove(moves: readonly (Move | null)[], i: number, at: number): number | null {
  const { before, after } = movesAround(moves, i, 2);
  // Beyond the first and the last that are sure, two on one side have to do.
  const [a, b] = before.length > 0 && after.length > 0 ? [before.at(-1), after[0]] : before.length > 0 ? before : after;
  if (!a || !b || !isAlike(a, b)) return null;
  const share = b.at > a.at ? (at - a.at) / (b.at - a.at) : 0;
  // A line through two that are near each other does not reach far.
  return Math.abs(share) > 4 ? (share < 0 ? a.by : b.by) : a.by + (b.by - a.by) * share;
}
/** Whether a caption moves differently from all around it, which agree with each other. */
export function isOdd(moves: readonly (Move | null)[], i: number, move: Move): boolean {
  const { before, after } = movesAround(moves, i, 2);
  const others = [...before, ...after];
  if (others.length < 3 || before.length === 0 || after.length === 0) return false;
  const agree = others.every((m, k) => k === 0 || isAlike(others[k - 1] ?? m, m));
  const said = agreedMove(moves, i, move.at);
  return agree && said !== null && Math.abs(said - move.by) > odd;
}

/** So many neighbours on either side are asked; they agree where half are no further than the first from their line, and one further than the second is off it, in ms. */
const [asked, agreeing, offLine] = [3, 60, 120];
/**
 * Whether a caption is off the straight line on which its neighbours move: where it is hard to hear, that is heard wrong.
 * The line is that of the middle slope between any two of them (Theil and Sen), which single wrong ones do not bend.
 */
export function isOff(moves: readonly (Move | null)[], i: number, move: Move): boolean {
  const { before, after } = movesAround(moves, i, asked);
  const others = [...before, ...after];
  if (others.length < asked) return false;
  const slopes = others.flatMap((a, k) =>
    others.slice(k + 1).flatMap((b) => (b.at > a.at ? [(b.by - a.by) / (b.at - a.at)] : [])),
  );
  const slope = median(slopes) ?? 0;
  const from = median(others, (m) => m.by - slope * m.at) ?? 0;
  const off = ({ at, by }: Move): number => Math.abs(by - from - slope * at);
  return (median(others, off) ?? 0) <= agreeing && off(move) > offLine;
}
