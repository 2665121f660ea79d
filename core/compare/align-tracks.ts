/** Two tracks with their words aligned: what every comparison of them begins from. */
import type { Caption } from '../model/caption.ts';
import { align, type Errors } from './alignment.ts';
import { numbered, wordsOf } from './words.ts';

/** Words `[from, to)` of either that the other does not have there. */
export interface Unlike {
  readonly reference: readonly [from: number, to: number];
  readonly other: readonly [from: number, to: number];
}
export interface AlignedTracks {
  readonly reference: readonly Caption[];
  readonly other: readonly Caption[];
  /** Their words. */
  readonly words: readonly [reference: ReturnType<typeof wordsOf>, other: ReturnType<typeof wordsOf>];
  readonly errors: Errors;
  /** Places [in the reference, in the other] of words that stand in both, in order. */
  readonly same: readonly (readonly [number, number])[];
  /** What stands between those. */
  readonly unlike: readonly Unlike[];
}
const empty = new Int32Array();

/** @param reference the reference, which counts as correct @param words of both, where they are known already */
export function alignTracks(
  reference: readonly Caption[],
  other: readonly Caption[],
  words: AlignedTracks['words'] = [wordsOf(reference), wordsOf(other)],
): AlignedTracks {
  const [a, b] = words;
  const [left = empty, right = empty] = numbered(a.words, b.words);
  const { same, ...errors } = align(left, right);
  const unlike: Unlike[] = [];
  let [i, j] = [0, 0];
  for (const [x, y] of [...same, [a.words.length, b.words.length] as const]) {
    if (x > i || y > j) unlike.push({ reference: [i, x], other: [j, y] });
    [i, j] = [x + 1, y + 1];
  }
  return { reference, other, words, errors, same, unlike };
}
