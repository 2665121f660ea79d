/** Moments of a track moved along pieces of straight line: a shift, a scale about a pivot, ties. */

/** A moment in the track and the moment it belongs at, in ms. */
export type Piece = readonly [from: number, to: number];

/**
 * Where a moment goes. One piece is a shift, two give a line, more give a line in pieces; outside,
 * the first and the last run on.
 * @param pieces in order of `from`, no two alike; none leaves every moment where it is
 * @returns whole ms, never below 0
 */
export function along(pieces: readonly Piece[], ms: number): number {
  const [first] = pieces;
  if (!first) return ms;
  const [second] = pieces.slice(1);
  if (!second) return Math.max(0, Math.round(ms + first[1] - first[0]));
  let i = 1;
  while (i < pieces.length - 1 && (pieces[i]?.[0] ?? 0) < ms) i++;
  const [a, b] = [pieces[i - 1] ?? first, pieces[i] ?? second];
  return Math.max(0, Math.round(a[1] + ((ms - a[0]) * (b[1] - a[1])) / (b[0] - a[0])));
}
