/** The times of another track taken one for one, where captions of the two are paired. */
import { max } from 'd3-array';
import type { Timed } from '../drag/move.ts';
import type { Caption } from '../../model/caption.ts';
import { along, type Piece } from '../../model/pieces.ts';
import { certain, type Pair } from './pair.ts';

/** A caption that is squeezed between two others keeps at least this, in ms, or is left to overlap and be found. */
const least = 300;

/**
 * When captions are shown: with those they are paired with; several that are one there share its time as they shared
 * their own. What has no pair goes along the line, between its neighbours where there is room.
 * @param pieces the line through the ties
 */
export function oneForOne(
  moved: readonly Caption[],
  giving: readonly Caption[],
  pairs: readonly Pair[],
  pieces: readonly Piece[],
): readonly Timed[] {
  const taken = new Map<number, Timed>();
  for (const { moved: here, giving: there, certainty } of pairs) {
    const [first, last] = [giving[there[0]], giving[there[1] - 1]];
    const own = moved.slice(here[0], here[1]);
    const [from, to] = [own[0]?.start ?? 0, max(own, (c) => c.end) ?? 0];
    if (certainty < certain || !first || !last || to <= from) continue;
    const line = (ms: number): number =>
      Math.round(first.start + ((ms - from) * (last.end - first.start)) / (to - from));
    own.forEach((c, i) => {
      const start = line(c.start);
      taken.set(here[0] + i, { id: c.id, start, end: Math.max(start + 1, line(c.end)) });
    });
  }
  const ends = moved.map((_, i) => taken.get(i));
  return moved.map((c, i): Timed => {
    const mine = taken.get(i);
    if (mine) return mine;
    const start = along(pieces, c.start);
    const by = { id: c.id, start, end: Math.max(start + 1, along(pieces, c.end)) };
    const from = Math.max(by.start, ends[i - 1]?.end ?? 0);
    const to = Math.min(by.end, ends[i + 1]?.start ?? Infinity);
    return to - from >= least ? { id: c.id, start: from, end: to } : by;
  });
}
