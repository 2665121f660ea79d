/** The fewest changes that make one row of words into another, as an edit distance with its way (Levenshtein). */

import { max } from 'd3-array';
import { mostInCommon } from './words.ts';

/** How many there are of each, in words of the reference. */
export interface Errors {
  readonly substitutions: number;
  readonly deletions: number;
  readonly insertions: number;
}
export interface Alignment extends Errors {
  /** Places [in the first, in the second] of what stands in both, in order. */
  readonly same: readonly (readonly [number, number])[];
}

/** A table of more cells than this is not made: rows are first cut where both have the same. */
const mostCells = 8_000_000;
/** So many words in a row that stand once in each are a place to cut. */
const run = 3;

/**
 * Aligns two rows of numbers, each standing for a word. For rows too long for one table the cut may cost a change more
 * than the fewest.
 */
export function align(a: Int32Array, b: Int32Array): Alignment {
  const same: (readonly [number, number])[] = [];
  const sum = { substitutions: 0, deletions: 0, insertions: 0 };
  const add = ({ substitutions, deletions, insertions }: Errors): void => {
    sum.substitutions += substitutions;
    sum.deletions += deletions;
    sum.insertions += insertions;
  };
  function between(a0: number, a1: number, b0: number, b1: number): void {
    let [i, j] = [a0, b0];
    for (; i < a1 && j < b1 && a[i] === b[j]; i++, j++) same.push([i, j]);
    let tail = 0;
    while (tail < a1 - i && tail < b1 - j && a[a1 - 1 - tail] === b[b1 - 1 - tail]) tail++;
    const [ai, bj] = [a1 - tail, b1 - tail];
    if (i === ai || j === bj) add({ substitutions: 0, deletions: ai - i, insertions: bj - j });
    else {
      const cut = (ai - i + 1) * (bj - j + 1) > mostCells ? placeToCut(a.subarray(i, ai), b.subarray(j, bj)) : null;
      if (cut) {
        between(i, i + cut[0], j, j + cut[1]);
        between(i + cut[0], ai, j + cut[1], bj);
      } else {
        const inner = table(a.subarray(i, ai), b.subarray(j, bj));
        for (const [x, y] of inner.same) same.push([i + x, j + y]);
        add(inner);
      }
    }
    for (let n = 0; n < tail; n++) same.push([ai + n, bj + n]);
  }
  between(0, a.length, 0, b.length);
  return { ...sum, same };
}

/** Near the middle, a run of words that stands once in each; where there is none, one that stands about as far on in both. */
function placeToCut(a: Int32Array, b: Int32Array): readonly [number, number] {
  const words = 1 + Math.max(max(a) ?? 0, max(b) ?? 0);
  /** Of more than some 200,000 words two runs may be taken for one, and the cut then costs a little more. */
  const key = (row: Int32Array, at: number): number => {
    let sum = 0;
    for (let n = 0; n < run; n++) sum = sum * words + (row[at + n] ?? 0);
    return sum;
  };
  const once = (row: Int32Array): Map<number, number> => {
    const places = new Map<number, number>();
    for (let at = 0; at + run <= row.length; at++) {
      const k = key(row, at);
      places.set(k, places.has(k) ? -1 : at);
    }
    return places;
  };
  const [inA, inB] = [once(a), once(b)];
  let best: readonly [number, number] | null = null;
  let nearest = Infinity;
  for (const [k, at] of inA) {
    const there = inB.get(k) ?? -1;
    if (at <= 0 || there <= 0) continue;
    // The middle of both, and no further from where the other's share would have it than a tenth.
    const away = Math.abs(at / a.length - 0.5) + Math.abs(there / b.length - 0.5);
    if (away < nearest) [best, nearest] = [[at, there], away];
  }
  return best ?? asFarOn(a, b);
}

/** The middle of the first, and in the second the nearest to as far on where a run of the same words stands. */
function asFarOn(a: Int32Array, b: Int32Array): readonly [number, number] {
  const at = a.length >> 1;
  const there = Math.round((b.length * at) / a.length);
  const isSame = (from: number): boolean => {
    for (let n = 0; n < run; n++) if (a[at + n] !== b[from + n]) return false;
    return true;
  };
  for (let away = 0; away <= there || there + away < b.length; away++)
    for (const from of [there - away, there + away]) if (from > 0 && from < b.length && isSame(from)) return [at, from];
  return [at, there];
}

/** The first band is as wide as an eighth of the rows, but never narrower than this to either side. */
const [firstShare, narrowest] = [1 / 8, 32];
/** More than any row costs, and still a small number. */
const beyond = 1 << 29;

/**
 * The table near its diagonal: a way with `d` changes is nowhere further from it than `d` (Ukkonen, *Algorithms for
 * Approximate String Matching*, 1985), so what is found within a band that wide is the fewest of all. The band is doubled
 * until it is. Where several ways are as short, words are told as replaced before as left out or put in.
 */
function table(a: Int32Array, b: Int32Array): Alignment {
  const apart = Math.abs(a.length - b.length);
  const all = Math.max(a.length, b.length);
  // What stands in one only is changed in any case.
  const fewest = all - mostInCommon(a, b);
  for (let band = Math.max(apart, fewest, narrowest, Math.ceil(all * firstShare)); ; band *= 2) {
    const found = within(a, b, Math.min(band, all));
    if (found.substitutions + found.deletions + found.insertions <= band) return found;
  }
}

/** @param band cells further than this from the diagonal are not looked at */
function within(a: Int32Array, b: Int32Array, band: number): Alignment {
  const wide = Math.min(b.length, 2 * band) + 1;
  const low = (i: number): number => Math.max(0, i - band);
  /** The step that led to each cell: 0 the same, 1 another, 2 left out, 3 put in. */
  const steps = new Uint8Array((a.length + 1) * wide);
  let above = new Int32Array(b.length + 2).fill(beyond);
  let row = new Int32Array(b.length + 2).fill(beyond);
  for (let j = 0; j <= Math.min(b.length, band); j++) {
    above[j] = j;
    steps[j] = 3;
  }
  for (let i = 1; i <= a.length; i++) {
    const word = a[i - 1];
    const from = low(i);
    const to = Math.min(b.length, i + band);
    const at = i * wide - from;
    if (from === 0) {
      row[0] = i;
      steps[at] = 2;
    } else row[from - 1] = beyond;
    for (let j = Math.max(1, from); j <= to; j++) {
      // Plain variables: this is gone through hundreds of millions of times for a long track.
      const isSame = word === b[j - 1];
      let cost = (above[j - 1] ?? 0) + (isSame ? 0 : 1);
      let step = isSame ? 0 : 1;
      const without = (above[j] ?? 0) + 1;
      if (without < cost) {
        cost = without;
        step = 2;
      }
      const more = (row[j - 1] ?? 0) + 1;
      if (more < cost) {
        cost = more;
        step = 3;
      }
      row[j] = cost;
      steps[at + j] = step;
    }
    row[to + 1] = beyond;
    [above, row] = [row, above];
  }
  const count = [0, 0, 0, 0];
  const same: (readonly [number, number])[] = [];
  for (let i = a.length, j = b.length; i > 0 || j > 0;) {
    const step = steps[i * wide + j - low(i)] ?? 0;
    count[step] = (count[step] ?? 0) + 1;
    if (step !== 3) i--;
    if (step !== 2) j--;
    if (step === 0) same.push([i, j]);
  }
  return { substitutions: count[1] ?? 0, deletions: count[2] ?? 0, insertions: count[3] ?? 0, same: same.reverse() };
}
