/**
 * What each language has of what its writing is judged and broken by. A new language is a folder, and a line here; how its
 * figures are said is a line in `spoken.ts`, since that needs packages which only listening pays for.
 */
import { baseLanguage } from '../text/language.ts';
import { own } from '../text/own.ts';
import type { WrittenLanguage } from './data/written-language.ts';
import { hesitations } from './en/hesitations.ts';
import { phrases } from './en/phrases.ts';
import { smallNumbers } from './en/small-numbers.ts';

const languages: Readonly<Record<string, WrittenLanguage>> = {
  en: { phrases, hesitations, smallNumbers },
};

/** @param tag BCP 47; English where it is not known @returns null of a language that has no folder */
export const writtenLanguage = (tag: string | null | undefined): WrittenLanguage | null =>
  own(languages, baseLanguage(tag)) ?? null;
