/** Words as two tracks are compared by: without case and punctuation. */
import { tokensOfCaptions } from '../layout/tokens.ts';
import { withoutPunctuation } from '../languages/word-facts.ts';
import type { Caption } from '../model/caption.ts';

/** Words of a track as they are compared, each as it is written, with its caption and whether it is the first of it. */
export function wordsOf(captions: readonly Caption[]) {
  const tokens = tokensOfCaptions(captions);
  const words: string[] = [];
  const source: number[] = [];
  const opens: boolean[] = [];
  const written: string[] = [];
  let last = -1;
  tokens.text.forEach((token, i) => {
    // Signs alone are no word.
    const word = withoutPunctuation(token).normalize('NFC').toLowerCase().replaceAll('’', "'");
    if (word === '') return;
    const from = tokens.source[i] ?? 0;
    words.push(word);
    written.push(token);
    source.push(from);
    opens.push(from !== last);
    last = from;
  });
  return { words, written, source, opens };
}

/** Each word as a number, the same for the same word in both. */
export function numbered(...rows: readonly (readonly string[])[]): Int32Array[] {
  const known = new Map<string, number>();
  return rows.map((row) =>
    Int32Array.from(row, (word) => {
      const n = known.get(word) ?? known.size;
      known.set(word, n);
      return n;
    }),
  );
}

/** How many words two rows have in common at most, wherever they stand: no alignment of them finds more. */
export function mostInCommon<T>(a: Iterable<T>, b: Iterable<T>): number {
  const left = new Map<T, number>();
  for (const word of a) left.set(word, (left.get(word) ?? 0) + 1);
  let many = 0;
  for (const word of b) {
    const n = left.get(word) ?? 0;
    if (n > 0) many++;
    left.set(word, n - 1);
  }
  return many;
}
