/** How closely words belong together, and so how well a line or a caption breaks between them. */
import { english } from './english.ts';
import { noPhrases, type PhraseTable } from './table.ts';

/** What stands between two words, from the best place to break to the worst. */
export type Bond = 'sentence' | 'clause' | 'phrase' | 'none' | 'loose' | 'close';

const tables: Readonly<Record<string, PhraseTable>> = { en: english };

/** The table for a language by its tag (BCP 47); the English one where the language is not known. */
export function phrasesOf(language: string | null | undefined): PhraseTable {
  const base = (language ?? 'en').split('-')[0]?.toLowerCase() ?? '';
  return Object.hasOwn(tables, base) ? (tables[base] ?? noPhrases) : noPhrases;
}

const closers = `["'”’»)\\]]*`;
const sentenceEnd = new RegExp(`[.!?…。！？؟]${closers}$`, 'u');
const clauseEnd = new RegExp(`[,;:،、；：–—]${closers}$`, 'u');

/** A word without the punctuation around it, in lower case, with a plain apostrophe. */
export function bareWord(word: string): string {
  const inside = /[\p{L}\p{N}](?:.*[\p{L}\p{N}])?/su.exec(word)?.[0] ?? '';
  return inside.replace(/’/g, "'").toLowerCase();
}

const isNumber = (word: string): boolean => /^[£$€]?\d/.test(word);
const isCapital = (word: string): boolean => /^["'“‘([]*\p{Lu}[\p{Ll}'’.-]/u.test(word);

/**
 * How closely two words that follow each other belong together.
 * @param before as written, with its punctuation
 * @param after as written
 */
export function bondBetween(before: string, after: string, phrases: PhraseTable): Bond {
  const a = bareWord(before);
  // “Mr.” ends no sentence.
  if (phrases.titles.has(a) && isCapital(after)) return 'close';
  if (sentenceEnd.test(before)) return 'sentence';
  if (clauseEnd.test(before)) return 'clause';
  const b = bareWord(after);
  if (a === '' || b === '') return 'none';
  if (phrases.conjunctions.has(a) && !phrases.conjunctions.has(b)) return 'close';
  if (phrases.determiners.has(a) || phrases.negations.has(a)) return 'close';
  if (phrases.prepositions.has(a)) return 'close';
  if (isNumber(before) || phrases.numbers.has(a)) return 'close';
  if (phrases.units.has(b) && isNumber(before)) return 'close';
  if (phrases.conjunctions.has(b)) return 'phrase';
  if (isCapital(before) && isCapital(after)) return 'close';
  if (phrases.auxiliaries.has(a)) return phrases.determiners.has(b) || phrases.prepositions.has(b) ? 'loose' : 'close';
  if (phrases.subjects.has(a)) return 'close';
  if (phrases.adjectives.has(a) || phrases.intensifiers.has(a) || phrases.adjectiveEndings.test(a))
    return isSmall(b, phrases) ? 'none' : 'close';
  if (phrases.prepositions.has(b)) return 'phrase';
  return phrases.negations.has(b) ? 'loose' : 'none';
}

/** Words that carry no weight of their own, after which no noun phrase goes on. */
const isSmall = (word: string, phrases: PhraseTable): boolean =>
  phrases.prepositions.has(word) ||
  phrases.determiners.has(word) ||
  phrases.auxiliaries.has(word) ||
  phrases.subjects.has(word);

/**
 * Bonds after each word of a text; the last has none. Inside brackets everything belongs together, as
 * does a sound note.
 */
export function bondsOf(words: readonly string[], phrases: PhraseTable): Bond[] {
  let depth = 0;
  return words.map((word, i) => {
    for (const sign of word) {
      if (sign === '[' || sign === '(') depth++;
      else if ((sign === ']' || sign === ')') && depth > 0) depth--;
    }
    const next = words[i + 1];
    if (next === undefined) return 'sentence';
    return depth > 0 ? 'close' : bondBetween(word, next, phrases);
  });
}
