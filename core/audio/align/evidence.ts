/** What shows that a word was said where it was heard. */
import type { Hearing, PlacedWord } from './grammars.ts';

/** How long a word lasts: so much for a letter and once at most, never more than the third; so much for a letter at least. In ms. */
const [mostPerLetter, once, longestWord, leastPerLetter] = [130, 320, 1600, 18];

/** Whether a word goes with its sound. @param least the score it has to be over */
export function goesWithSound(
  { script }: Pick<Hearing, 'script'>,
  { word, start, end, score }: PlacedWord,
  least: number,
): boolean {
  const letters = script.words[word]?.letters ?? 0;
  const lasts = end - start;
  return (
    score > least && lasts <= Math.min(longestWord, once + mostPerLetter * letters) && lasts >= leastPerLetter * letters
  );
}

/** Words that are allowed to be left out between two of a run. */
const skips = 1;
/** Words that follow one another as they are written, at least so many in a row. */
export function runsIn(placed: readonly PlacedWord[], least: number): PlacedWord[][] {
  const runs: PlacedWord[][] = [];
  let now: PlacedWord[] = [];
  for (const p of placed) {
    const step = p.word - (now.at(-1)?.word ?? -10);
    if (now.length > 0 && step >= 1 && step <= 1 + skips) now.push(p);
    else {
      if (now.length >= least) runs.push(now);
      now = [p];
    }
  }
  if (now.length >= least) runs.push(now);
  return runs;
}

/** How much runs show: their words and letters. */
export function weightOf(
  { script }: Pick<Hearing, 'script'>,
  runs: readonly (readonly PlacedWord[])[],
): { readonly words: number; readonly letters: number } {
  let [words, letters] = [0, 0];
  for (const p of runs.flat()) {
    words++;
    letters += script.words[p.word]?.letters ?? 0;
  }
  return { words, letters };
}
