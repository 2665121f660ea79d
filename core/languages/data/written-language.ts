/** What a language needs so that its writing can be judged, broken and mended. */
import type { PhraseTable } from './phrase-table.ts';

/** Numbers below a hundred in words, for the convention which of them are written in digits. */
export interface SmallNumbers {
  /** `forty-two` for 42. @param n a whole number from 0 to 99 */
  readonly inWords: (n: number) => string;
  /** 42 for `forty-two`, in any case; null where a word is no number below a hundred. */
  readonly ofWord: (word: string) => number | null;
  /** Begins a word that makes a number beside it part of a longer one, as in “twelve thousand”. */
  readonly larger: RegExp;
  /** Ends what stands before a number that goes on, as in “two hundred and twelve”. */
  readonly goesOn: RegExp;
}

export interface WrittenLanguage {
  /** Which words belong together. */
  readonly phrases: PhraseTable;
  /** Sounds people make while they look for words, in lower case. */
  readonly hesitations: ReadonlySet<string>;
  readonly smallNumbers: SmallNumbers;
}
