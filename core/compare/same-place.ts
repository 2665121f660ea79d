/** What another track has where a word of this one is said. */
import { tokensOfCaptions } from '../layout/tokens.ts';
import { withoutPunctuation } from '../languages/word-facts.ts';
import type { Caption } from '../model/caption.ts';

/** How far times of two tracks may be apart, in ms. */
const slack = 30;
/** More words than this are another passage. */
const mostWords = 3;

/**
 * The words another track has at a moment: those whose middle lies in it.
 * @param captions of the other track, in order
 * @param start in ms
 * @param end in ms
 * @returns empty where it has none, or more than a word’s worth
 */
export function wordsAt(captions: readonly Caption[], start: number, end: number): string {
  const near = captions.filter((c) => c.end >= start - slack && c.start <= end + slack);
  const words = tokensOfCaptions(near);
  const inside = words.text.filter((_, i) => {
    const middle = ((words.start[i] ?? 0) + (words.end[i] ?? 0)) / 2;
    return middle >= start - slack && middle <= end + slack;
  });
  return inside.length > mostWords ? '' : inside.map(withoutPunctuation).filter(Boolean).join(' ');
}
