/** Slips of wording that the text alone shows. */
import { baseLanguage } from './language.ts';
import type { TextRange } from './text-range.ts';

/** English words that are said twice in a row on purpose. */
const twice = new Set('had that no yes very so bye ha hear there now more is'.split(' '));

const isLetter = (text: string, at: number): boolean => {
  const unit = text.charCodeAt(at);
  if (unit < 0x80) return (unit | 0x20) >= 0x61 && (unit | 0x20) <= 0x7a;
  return /[\p{L}\p{M}]/u.test(text.charAt(at));
};
const isSpace = (unit: number): boolean => unit === 0x20 || unit === 0x0a;

/** Words that follow themselves with nothing but space between, the second of each. */
export function doubledWords(text: string): TextRange[] {
  const found: TextRange[] = [];
  let before = -1;
  let beforeEnd = -1;
  let start = -1;
  for (let i = 0; i <= text.length; i++) {
    const unit = i < text.length ? text.charCodeAt(i) : 0x20;
    if (i < text.length && isLetter(text, i)) {
      if (start < 0) start = i;
      continue;
    }
    if (start >= 0) {
      const length = i - start;
      if (before >= 0 && beforeEnd - before === length && isSame(text, before, start, length)) {
        if (!twice.has(text.slice(start, i).toLowerCase())) found.push({ from: start, to: i });
      }
      before = start;
      beforeEnd = i;
      start = -1;
    }
    // Anything but space parts words for good: “wait, wait” is meant.
    if (!isSpace(unit)) before = -1;
  }
  return found;
}

const isSame = (text: string, a: number, b: number, length: number): boolean =>
  text.slice(a, a + length).toLowerCase() === text.slice(b, b + length).toLowerCase();

/** Words without a capital after the end of a sentence. “p.m. the”, “she said” after a quotation and “…and” are none. */
export function lowerAfterEnd(text: string): TextRange[] {
  const found: TextRange[] = [];
  if (!/[.!?]\s\p{Ll}/u.test(text)) return found;
  for (const match of text.matchAll(/\p{L}{3}(?<!etc)[.!?]\s\p{Ll}[\p{L}’']*/gu))
    found.push({ from: match.index + 5, to: match.index + match[0].length });
  return found;
}

/** Small words that have a capital only where a sentence begins. */
const openers =
  'The|We|It|He|She|They|You|This|These|Those|There|If|When|But|And|So|Then|What|Why|How|Where|Now|Is|Are|Do|Does|Did|Can';
const opening = new RegExp(String.raw`\p{Ll}\s(?:${openers})\s\p{Ll}`, 'u');
const eachOpening = new RegExp(String.raw`(?<=\p{Ll}\s)(?:${openers})(?=\s\p{Ll})`, 'gu');

/** Words that begin a sentence though nothing ends the one before. @param language BCP 47; English where it is not known */
export function upperWithoutEnd(text: string, language: string | null | undefined): TextRange[] {
  if (baseLanguage(language) !== 'en' || !opening.test(text)) return [];
  return Array.from(text.matchAll(eachOpening), (m) => ({ from: m.index, to: m.index + m[0].length }));
}
