/** How the figures, signs and short forms of each language are said. */
import { own } from '../text/own.ts';
import type { SpokenLanguage } from './data/spoken-language.ts';
import { german } from './de/spoken.ts';
import { english } from './en/spoken.ts';
import { spanish } from './es/spoken.ts';
import { french } from './fr/spoken.ts';
import { italian } from './it/spoken.ts';
import { dutch } from './nl/spoken.ts';
import { portuguese } from './pt/spoken.ts';

const languages: Readonly<Record<string, SpokenLanguage>> = {
  en: english,
  fr: french,
  es: spanish,
  de: german,
  it: italian,
  nl: dutch,
  pt: portuguese,
};
/** @param tag BCP 47; of a language that is not known, the figures are said in English */
export const spokenLanguage = (tag: string): SpokenLanguage =>
  own(languages, tag.split('-')[0]?.toLowerCase() ?? '') ?? english;
