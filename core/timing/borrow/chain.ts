/**
 * Two sequences paired in order: each of the one with one, with two in a row, or with none of the other, so that the sum
 * of what speaks for the pairs is the greatest (dynamic programming). Pairs are also held against the pair before them,
 * by how far their places are apart.
 */

/** How many of the one and of the other go together, and what that costs beside one for one. */
const kinds = [
  { first: 1, second: 1, cost: 0.0 },
  { first: 1, second: 2, cost: 1.8 },
  { first: 2, second: 1, cost: 1.8 },
] as const;
/** What it costs to leave one without another. */
const alone = 0.9;
/** Above so many cells only those near the diagonal are looked at, but never fewer to its sides than `leastBand`. */
const [mostCells, leastBand] = [3_000_000, 400];
const worst = -1e9;

/** What the pairs are found by. Of `many` 1 or 2 that begin at a place. */
export interface Chained {
  /** What speaks for a pair by itself, 0 where nothing does. */
  readonly likeness: (i: number, manyI: number, j: number, manyJ: number) => number;
  /** By how much the place in the second is later than in the first, in ms; NaN where one of them has none. */
  readonly offset: (i: number, j: number) => number;
  /** When one of the first begins, in ms. */
  readonly start: (i: number) => number;
  /** What speaks for a pair by its offset, from that of a pair before it, and how long after that it begins; in ms. */
  readonly rhythm: (change: number, apart: number) => number;
  /** The most that can be. */
  readonly mostRhythm: number;
}
export interface Link {
  readonly first: readonly [from: number, to: number];
  readonly second: readonly [from: number, to: number];
}

/** The best that ends in a row, for each place of the second. */
interface Row {
  /** With a pair that ends here, and its offset. */
  readonly pair: Float64Array;
  readonly pairOffset: Float64Array;
  /** In any way, with the offset and the place of the last pair before. */
  readonly best: Float64Array;
  readonly lastOffset: Float64Array;
  readonly lastAt: Float64Array;
}
const rowOf = (wide: number): Row => ({
  pair: new Float64Array(wide).fill(worst),
  pairOffset: new Float64Array(wide).fill(NaN),
  best: new Float64Array(wide).fill(worst),
  lastOffset: new Float64Array(wide).fill(NaN),
  lastAt: new Float64Array(wide).fill(NaN),
});

/** How a cell came about: without one of the first, of the second, or with a pair that ends there. */
const [paired, withoutFirst, withoutSecond] = [0, 1, 2];
/** Added to the kind of a pair that goes on from the pair just before it. */
const goesOn = 4;

/** @param n how many there are of the first @param m of the second */
export function chain(n: number, m: number, by: Chained): readonly Link[] {
  const band = n * m > mostCells ? Math.max(leastBand, Math.round(mostCells / n / 2)) : m;
  const middle = (i: number): number => (n === 0 ? 0 : Math.round((i * m) / n));
  const low = (i: number): number => Math.max(0, middle(i) - band);
  const high = (i: number): number => Math.min(m, middle(i) + band);
  const wide = Math.min(m, 2 * band) + 1;
  const steps = new Uint8Array((n + 1) * wide);
  const pairs = new Uint8Array((n + 1) * wide);
  let [row, above, twoAbove] = [rowOf(m + 1), rowOf(m + 1), rowOf(m + 1)];

  /** What the offset of a pair speaks for it after another pair; nothing where one of the two has none. */
  function rhythm(offset: number, start: number, before: number, at: number): number {
    return Number.isNaN(offset) || Number.isNaN(before) ? 0 : by.rhythm(offset - before, start - at);
  }
  /** The best pair that ends at a cell. Plain variables: this is gone through tens of millions of times for a long track. */
  function endHere(i: number, j: number): number {
    let sum = worst;
    let how = 0;
    for (let k = 0; k < kinds.length; k++) {
      const kind = kinds[k] ?? kinds[0];
      const di = kind.first;
      const dj = kind.second;
      if (i < di || j < dj) continue;
      const own = by.likeness(i - di, di, j - dj, dj) - kind.cost;
      // With the best of rhythms it would still be better to leave them alone.
      if (own + by.mostRhythm < -(di + dj) * alone) continue;
      const from = di === 1 ? above : twoAbove;
      const offset = by.offset(i - di, j - dj);
      const start = by.start(i - di);
      const free =
        (from.best[j - dj] ?? worst) +
        rhythm(offset, start, from.lastOffset[j - dj] ?? NaN, from.lastAt[j - dj] ?? NaN);
      const pair = from.pair[j - dj] ?? worst;
      const next =
        pair === worst ? worst : pair + rhythm(offset, start, from.pairOffset[j - dj] ?? NaN, by.start(i - di - 1));
      const most = own + Math.max(free, next);
      if (most <= sum) continue;
      sum = most;
      how = k + 1 + (next > free ? goesOn : 0);
      row.pairOffset[j] = offset;
    }
    row.pair[j] = sum;
    return how;
  }

  for (let i = 0; i <= n; i++) {
    row.pair.fill(worst);
    row.best.fill(worst);
    for (let j = low(i); j <= high(i); j++) {
      const at = i * wide + j - low(i);
      if (i === 0 && j === 0) {
        [row.best[0], row.lastOffset[0], row.lastAt[0]] = [0, NaN, NaN];
        continue;
      }
      pairs[at] = endHere(i, j);
      const pair = row.pair[j] ?? worst;
      const up = i > 0 ? (above.best[j] ?? worst) - alone : worst;
      const left = j > 0 ? (row.best[j - 1] ?? worst) - alone : worst;
      if (pair >= up && pair >= left) {
        row.best[j] = pair;
        row.lastOffset[j] = row.pairOffset[j] ?? NaN;
        row.lastAt[j] = by.start(i - 1);
        steps[at] = paired;
      } else if (up >= left) {
        row.best[j] = up;
        row.lastOffset[j] = above.lastOffset[j] ?? NaN;
        row.lastAt[j] = above.lastAt[j] ?? NaN;
        steps[at] = withoutFirst;
      } else {
        row.best[j] = left;
        row.lastOffset[j] = row.lastOffset[j - 1] ?? NaN;
        row.lastAt[j] = row.lastAt[j - 1] ?? NaN;
        steps[at] = withoutSecond;
      }
    }
    [row, above, twoAbove] = [twoAbove, row, above];
  }

  const links: Link[] = [];
  let isPair = false;
  for (let i = n, j = m; i > 0 || j > 0;) {
    const at = i * wide + j - low(i);
    if (!isPair && steps[at] === withoutFirst) i--;
    else if (!isPair && steps[at] === withoutSecond) j--;
    else {
      const how = pairs[at] ?? 0;
      const kind = kinds[(how & 3) - 1];
      if (!kind) break;
      links.push({ first: [i - kind.first, i], second: [j - kind.second, j] });
      [i, j, isPair] = [i - kind.first, j - kind.second, how > goesOn];
    }
  }
  return links.reverse();
}
