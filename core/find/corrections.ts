/** What somebody corrected, so that the same mistake can be found elsewhere. */
import { equalEnds } from '../text/equal-ends.ts';
import { tokensOf } from '../text/tokens.ts';
import { withoutPunctuation, factsOf } from '../languages/word-facts.ts';
import { phrasesOf } from '../languages/bonds.ts';
import type { Caption } from '../model/caption.ts';
import { compile } from './query.ts';
import { matchesIn, type MatchInTrack } from './replace.ts';

/** Words that were wrong, and what they became. */
export interface Correction {
  readonly was: string;
  readonly now: string;
}

/** More words than this are a rewriting, which stands nowhere else. */
const mostWords = 4;

const wordsOf = (text: string): string[] => tokensOf(text, 0, text.length).map(({ from, to }) => text.slice(from, to));
const fold = (word: string): string => withoutPunctuation(word).toLowerCase();

/**
 * The one stretch of words in which two texts differ; null where it is punctuation or capitals alone, or
 * more than a few words, or a small word (“the” for “a” stands everywhere and is right nearly everywhere).
 * @param language BCP 47
 */
export function correctionOf(before: string, after: string, language: string | null): Correction | null {
  const [old, fresh] = [wordsOf(before), wordsOf(after)];
  const { head, tail } = equalEnds(old.map(fold), fresh.map(fold));
  const gone = old.slice(head, old.length - tail);
  const come = fresh.slice(head, fresh.length - tail);
  if (gone.length === 0 || come.length === 0 || gone.length > mostWords || come.length > mostWords) return null;
  const was = withoutPunctuation(gone.join(' '));
  const now = withoutPunctuation(come.join(' '));
  if (was === '' || now === '' || was === now) return null;
  const phrases = phrasesOf(language);
  if (gone.length === 1 && factsOf(was, phrases).kinds !== 0) return null;
  return { was, now };
}

const seekOf = (words: string) => compile({ text: words, matchCase: false, wholeWords: true, pattern: false }).seek;

/** Whether what somebody corrected is still there: it may have been taken back since. */
export const isStillThere = ({ now }: Correction, { text }: Caption): boolean => (seekOf(now)?.(text).length ?? 0) > 0;

/**
 * The other places where the same words stand. Captions somebody has proofed are left out: there they were heard.
 * @param corrected the caption that was corrected; it is left out where what it has now holds the words that were wrong
 */
export function sameElsewhere(
  captions: readonly Caption[],
  { was, now }: Correction,
  corrected: string,
): MatchInTrack[] {
  const seek = seekOf(was);
  if (!seek) return [];
  const holds = seek(now).length > 0;
  return captions.flatMap((c) => (c.proofed || (holds && c.id === corrected) ? [] : matchesIn(c, seek)));
}

/**
 * What somebody wrote in this track where the recogniser had heard the same word, the most usual first.
 * @param heard as the recogniser wrote it
 */
export function correctedBefore(captions: readonly Caption[], heard: string): string[] {
  const wanted = heard.toLowerCase();
  const many = new Map<string, number>();
  for (const { text, words } of captions)
    for (const [from, to, , , , , first] of words) {
      if (first.toLowerCase() !== wanted) continue;
      const now = withoutPunctuation(text.slice(from, to));
      if (now !== '' && now.toLowerCase() !== wanted) many.set(now, (many.get(now) ?? 0) + 1);
    }
  return [...many].sort(([, a], [, b]) => b - a).map(([word]) => word);
}
