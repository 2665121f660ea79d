/** Sentences and clauses of a text, and whether they stand on lines of their own where a style asks for it. */
import { tokensOf } from '../text/tokens.ts';
import { lengthsBefore, type Counting } from '../text/measures.ts';
import { bondsOf, type Bond } from './bonds.ts';
import type { Phrases } from './word-facts.ts';

/**
 * The words after which a line should end, because a sentence or clause above so many characters ends or
 * begins there: beside a sentence end one long side is enough, beside a clause end both have to be long,
 * so that “Well, …” does not count.
 * @param before characters before each word, with a space after every one where spaces count
 * @returns for each such word the length of the longer side, and 0 for the others
 */
export function ownLineEnds(
  bonds: readonly Bond[],
  before: Float64Array,
  limit: number,
  { spaces }: Counting,
): readonly number[] {
  const ends = bonds.map(() => 0);
  const stops = bonds.flatMap((bond, i) => (bond === 'sentence' || bond === 'clause' ? [i] : []));
  const length = (from: number, to: number): number => (before[to] ?? 0) - (before[from] ?? 0) - (spaces ? 1 : 0);
  stops.forEach((stop, k) => {
    const next = stops[k + 1];
    if (next === undefined) return;
    const left = length((stops[k - 1] ?? -1) + 1, stop + 1);
    const right = length(stop + 1, next + 1);
    const counts = bonds[stop] === 'sentence' ? Math.max(left, right) : Math.min(left, right);
    if (counts > limit) ends[stop] = Math.max(left, right);
  });
  return ends;
}

/**
 * The length of the longest sentence or clause above the limit that shares a line with another.
 * @returns null where each stands on its own
 */
export function tooLongForOneLine(text: string, limit: number, phrases: Phrases, counting: Counting): number | null {
  const stretches = tokensOf(text, 0, text.length);
  const words = stretches.map(({ from, to }) => text.slice(from, to));
  const ends = ownLineEnds(bondsOf(words, phrases), lengthsBefore(words, counting), limit, counting);
  const shared = ends.filter((_, i) => {
    const next = stretches[i + 1];
    return next !== undefined && !text.slice(stretches[i]?.to ?? 0, next.from).includes('\n');
  });
  return shared.reduce<number | null>((most, n) => (n > (most ?? 0) ? n : most), null);
}
