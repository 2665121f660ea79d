/** Capitals where sentences begin, and on words by hand. */
import { baseLanguage, isLanguageTag } from '../text/language.ts';
import { phrasesOf } from './bonds.ts';
import { withoutPunctuation, factsOf, kind } from './word-facts.ts';
import type { TextRange } from '../text/text-range.ts';

/** A letter in another size: `[from, to)` becomes `insert`. */
export interface Resized extends TextRange {
  readonly insert: string;
}

/** What may stand between the end of a sentence and the first letter of the next. */
const opening = /^[\s"'“”‘’«»„¿¡–—-]*(\p{Ll})/u;

/** A language whose letters the engine can be asked for; English where the tag is none. */
function lettersOf(language: string | null): string {
  const base = baseLanguage(language);
  return isLanguageTag(base) ? base : 'en';
}

function capitalOf(letter: string, language: string | null): string {
  const upper = letter.toLocaleUpperCase(lettersOf(language));
  // “ß” becomes “SS”, of which only the first letter is a capital.
  return upper.length > letter.length ? upper.charAt(0) + upper.slice(1).toLowerCase() : upper;
}

/**
 * Whether a sign ends a sentence: “.”, “?” or “!” after a word, with a space or nothing behind it. An
 * ellipsis, a title (“Dr.”), an initial and “a.m.” end none.
 * @param at offset behind the sign
 * @param language BCP 47
 */
export function signEndsSentence(text: string, at: number, language: string | null): boolean {
  if (!/[.?!]/.test(text.charAt(at - 1)) || !/^(?:\s|$)/.test(text.slice(at))) return false;
  const word =
    text
      .slice(0, at - 1)
      .split(/\s/)
      .at(-1) ?? '';
  if (!/[\p{L}\p{N}\p{M}"'”’»)\]]$/u.test(word)) return false;
  if (text.charAt(at - 1) !== '.') return true;
  const plain = withoutPunctuation(word);
  return (
    !/\p{L}\.\p{L}/u.test(word) &&
    !/^\p{L}$/u.test(plain) &&
    (factsOf(word, phrasesOf(language)).kinds & kind.titles) === 0
  );
}

/** The small letter that what follows begins with, as a capital; null where it begins with something else. */
export function openingCapital(text: string, from: number, language: string | null): Resized | null {
  const found = opening.exec(text.slice(from));
  const letter = found?.[1];
  if (!found || letter === undefined) return null;
  const to = from + found[0].length;
  return { from: to - letter.length, to, insert: capitalOf(letter, language) };
}

/** The word at an offset, or the next one, with a capital where it has none and without where it has; null where no word follows. */
export function turnCapital(text: string, at: number, language: string | null): Resized | null {
  for (const { index, 0: word } of text.matchAll(/[\p{L}\p{N}\p{M}'’-]+/gu)) {
    const letter = /\p{L}/u.exec(word);
    if (index + word.length < at || !letter) continue;
    const from = index + letter.index;
    const is = letter[0];
    const small = is.toLocaleLowerCase(lettersOf(language));
    const insert = small === is ? capitalOf(is, language) : small;
    return insert === is ? null : { from, to: from + is.length, insert };
  }
  return null;
}
