/** Where two tracks differ in their words, place by place. */
import type { Caption } from '../track/caption.ts';
import { align } from './alignment.ts';
import { numbered, wordsOf } from './words.ts';

/** Words that stand in one track, and what the other has there; empty where it has nothing. */
export interface Difference {
  /** Where it is in the reference, in ms: the beginning of the caption. */
  readonly at: number;
  /** The captions it is in; null where a track has none there at all. */
  readonly captions: readonly [reference: string | null, other: string | null];
  /** A few words before and after it, as the reference has them. */
  readonly before: string;
  readonly reference: string;
  readonly other: string;
  readonly after: string;
}

/** So many words are shown before and after. */
const around = 4;
const empty = new Int32Array();

/** @param reference what is taken for right @returns in the order of the reference */
export function differences(reference: readonly Caption[], other: readonly Caption[]): Difference[] {
  const [a, b] = [wordsOf(reference), wordsOf(other)];
  const [left = empty, right = empty] = numbered(a.words, b.words);
  const { same } = align(left, right);
  const found: Difference[] = [];
  let [i, j] = [0, 0];
  for (const [x, y] of [...same, [a.words.length, b.words.length] as const]) {
    if (x > i || y > j) {
      const here = reference[a.source[Math.min(i, a.source.length - 1)] ?? -1];
      const there = other[b.source[Math.min(j, b.source.length - 1)] ?? -1];
      found.push({
        at: here?.start ?? there?.start ?? 0,
        captions: [here?.id ?? null, there?.id ?? null],
        before: a.written.slice(Math.max(0, i - around), i).join(' '),
        reference: a.written.slice(i, x).join(' '),
        other: b.written.slice(j, y).join(' '),
        after: a.written.slice(x, x + around).join(' '),
      });
    }
    [i, j] = [x + 1, y + 1];
  }
  return found;
}
