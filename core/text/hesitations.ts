/** Sounds people make while they look for words; lists per language. */
import { baseLanguage } from './language.ts';
import { own } from './own.ts';
import type { TextRange } from './text-range.ts';

const lists: Readonly<Record<string, ReadonlySet<string>>> = {
  en: new Set(['um', 'umm', 'uhm', 'uh', 'uhh', 'er', 'erm']),
};
const none: ReadonlySet<string> = new Set();

/** Where the word itself stands. */
export interface Hesitation extends TextRange {
  readonly word: string;
}

/** The hesitations of a text. @param language BCP 47; English where it is not known */
export function hesitationsIn(text: string, language: string | null | undefined): Hesitation[] {
  const base = baseLanguage(language);
  const list = own(lists, base) ?? none;
  if (list.size === 0) return [];
  return Array.from(text.matchAll(/[\p{L}\p{M}'’-]+/gu), (m) => ({
    from: m.index,
    to: m.index + m[0].length,
    word: m[0],
  })).filter(({ word }) => list.has(word.toLowerCase()));
}
