/** Sounds people make while they look for words, found in a text. */
import type { TextRange } from '../text/text-range.ts';
import { writtenLanguage } from './index.ts';

/** Where the word itself stands. */
export interface Hesitation extends TextRange {
  readonly word: string;
}

/** The hesitations of a text. @param language BCP 47; English where it is not known */
export function hesitationsIn(text: string, language: string | null | undefined): Hesitation[] {
  const list = writtenLanguage(language)?.hesitations;
  if (!list) return [];
  return Array.from(text.matchAll(/[\p{L}\p{M}'’-]+/gu), (m) => ({
    from: m.index,
    to: m.index + m[0].length,
    word: m[0],
  })).filter(({ word }) => list.has(word.toLowerCase()));
}
