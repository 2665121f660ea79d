/** What is said in captions, as one row of words, and how long saying it takes. */
import type { Reading } from '../../languages/data/spoken-language.ts';

/** A word to be found. */
export interface WordToPlace {
  /** Place of its caption. */
  readonly caption: number;
  /** Offsets into that caption's text. */
  readonly from: number;
  readonly to: number;
  readonly readings: readonly Reading[];
  /** Letters that are said, of its first reading. */
  readonly letters: number;
}
/** The words of a whole track, in order. */
export interface Script {
  readonly words: readonly WordToPlace[];
  /** For each caption the place of its first word; where it has none, that of the next one said. */
  readonly firstOf: readonly number[];
}

/** Time a stretch of the words needs to be said, in ms, as people speak. @param from @param to places, the last not among them */
export function sayingTime({ words }: Script, from: number, to: number): number {
  let letters = 0;
  for (let i = from; i < to; i++) letters += (words[i]?.letters ?? 0) + 1;
  return letters * perSaidLetter;
}
/** A letter with the pauses inside sentences takes about so long, in ms: measured on the human clips and both synthetic voices. */
export const perSaidLetter = 68;
