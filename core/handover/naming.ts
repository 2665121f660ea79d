/** File names as the places that take the files want them. */

import { graphemes } from '../text/graphemes.ts';

/** A name that every file system takes, of 80 UTF-16 units at most: no separators or signs that mean something to a shell or a drive. */
export function plainName(title: string): string {
  const name = title
    .normalize('NFC')
    .toLowerCase()
    .replace(/[\p{Cc}\p{Cs}\\/:*?"<>|.]+/gu, ' ')
    .trim()
    .replace(/\s+/g, '-');
  const short = firstGraphemes(name, longestName);
  // A cut may fall behind the dash between two words.
  return short.replace(/-$/, '') || 'captions';
}

/** Longest name, in UTF-16 units. */
const longestName = 80;

/** The beginning of a text, no character cut in two. */
function firstGraphemes(text: string, most: number): string {
  if (text.length <= most) return text;
  let end = 0;
  for (const cluster of graphemes(text.slice(0, 2 * most))) {
    if (end + cluster.length > most) break;
    end += cluster.length;
  }
  return text.slice(0, end);
}

/**
 * Fills a naming pattern: `{name}`, `{language}` (`en-GB`, or `en` where the pattern has `{REGION}`
 * too), `{REGION}` (`GB`; left out with the sign before it where the language has none).
 */
export function fileName(pattern: string, title: string, language: string): string {
  const [base = 'und', region] = language.split('-');
  const split = pattern.includes('{REGION}');
  return pattern
    .replace('{name}', () => plainName(title))
    .replace('{language}', () => (split ? base : language))
    .replace(/[_-]?\{REGION\}/, (found) => (region ? found.replace('{REGION}', region.toUpperCase()) : ''));
}

/** The pattern files of a format go by where nobody asks for another. Common practice. */
export function usualPattern(format: { readonly name: string; readonly extension: string }): string {
  return format.name === 'srt' ? '{name}.{language}_{REGION}.srt' : `{name}.{language}${format.extension}`;
}
