/** Sentences and clauses of a text, and whether they stand on lines of their own where a style asks for it. */
import { lineLength, type Counting } from './measures.ts';
import { bondsOf, type Bond } from './phrases/bonds.ts';
import type { Phrases } from './phrases/words.ts';

/**
 * Marks the words after which a line should end, because a sentence or clause above so many characters
 * ends there: beside a sentence end one long side is enough, beside a clause end both have to be long,
 * so that “Well, …” does not count.
 * @param before characters before each word with a space after every one, as lines measure them
 * @returns 1 for each such word
 */
export function ownLineEnds(bonds: readonly Bond[], before: readonly number[], limit: number): Uint8Array {
  const ends = new Uint8Array(bonds.length);
  const stops = bonds.flatMap((bond, i) => (bond === 'sentence' || bond === 'clause' ? [i] : []));
  stops.forEach((stop, k) => {
    const next = stops[k + 1] ?? bonds.length - 1;
    if (next <= stop) return;
    const left = (before[stop + 1] ?? 0) - (before[(stops[k - 1] ?? -1) + 1] ?? 0) - 1;
    const right = (before[next + 1] ?? 0) - (before[stop + 1] ?? 0) - 1;
    const counts = bonds[stop] === 'sentence' ? Math.max(left, right) : Math.min(left, right);
    if (counts > limit) ends[stop] = 1;
  });
  return ends;
}

/**
 * The length of the longest sentence or clause above the limit that shares a line with another.
 * @returns null where each stands on its own
 */
export function tooLongForOneLine(text: string, limit: number, phrases: Phrases, counting: Counting): number | null {
  const words = Array.from(text.matchAll(/\S+/g), (m) => ({ text: m[0], from: m.index }));
  const before = [0];
  for (const word of words) before.push((before.at(-1) ?? 0) + lineLength(word.text, counting) + 1);
  const bonds = bondsOf(
    words.map((w) => w.text),
    phrases,
  );
  const ends = ownLineEnds(bonds, before, limit);
  let longest: number | null = null;
  let from = 0;
  bonds.forEach((bond, i) => {
    if (bond !== 'sentence' && bond !== 'clause') return;
    const next = words[i + 1];
    const sharesLine = next !== undefined && !text.slice(words[i]?.from ?? 0, next.from).includes('\n');
    if (ends[i] === 1 && sharesLine) {
      let stop = i + 1;
      while (stop < bonds.length - 1 && bonds[stop] !== 'sentence' && bonds[stop] !== 'clause') stop++;
      const here = (before[i + 1] ?? 0) - (before[from] ?? 0) - 1;
      const after = (before[stop + 1] ?? 0) - (before[i + 1] ?? 0) - 1;
      longest = Math.max(longest ?? 0, here, after);
    }
    from = i + 1;
  });
  return longest;
}
