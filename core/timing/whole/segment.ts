/** Stretches that two cuts of a recording have in common, and which of them are in the same order in both. */

/** A stretch of the new recording that is one of the old, in ms. */
export interface Segment {
  /** Where it begins in the new and in the old. */
  readonly now: number;
  readonly was: number;
  readonly length: number;
}

/** How much of the old recording two segments share, in ms. */
export const sharedBy = (a: Segment, b: Segment): number =>
  Math.max(0, Math.min(a.was + a.length, b.was + b.length) - Math.max(a.was, b.was));

/** So much of two may overlap in the old recording and they are still one after the other, in ms: the grain of the comparison. */
export const grain = 100;

/**
 * Those that are one after the other in both, as many ms of them as can be: all others were moved, or are there twice.
 * By dynamic programming over the heaviest increasing row.
 * @param segments in order of the new recording
 */
export function segmentsInOrder(segments: readonly Segment[]): ReadonlySet<Segment> {
  const best: number[] = [];
  const before: (number | null)[] = [];
  let last: number | null = null;
  segments.forEach((segment, i) => {
    [best[i], before[i]] = [segment.length, null];
    for (let k = 0; k < i; k++) {
      const earlier = segments[k];
      const sum = (best[k] ?? 0) + segment.length;
      if (earlier && earlier.was + earlier.length <= segment.was + grain && sum > (best[i] ?? 0))
        [best[i], before[i]] = [sum, k];
    }
    if (last === null || (best[i] ?? 0) > (best[last] ?? 0)) last = i;
  });
  const inOrder = new Set<Segment>();
  for (let i: number | null = last; i !== null; i = before[i] ?? null) {
    const segment = segments[i];
    if (segment) inOrder.add(segment);
  }
  return inOrder;
}
