/** Which word a listener means: the one just heard, and the ones before it. */
import { tokensOf } from '../text/tokens.ts';
import type { TextRange } from '../text/text-range.ts';
import { captionAt, type Caption } from './caption.ts';

/** A word by its caption's place in the track and its stretch of the text. */
export interface WordPosition extends TextRange {
  readonly index: number;
}

/** A word and when it begins, in ms. */
interface Begun extends TextRange {
  readonly start: number;
}

/** The words of a caption with the times they begin; where it has no word times, its own is shared out by letters. */
function wordsOf({ text, words, start, end }: Caption): readonly Begun[] {
  if (words.length > 0) return words.flatMap(([from, to, at]) => (to > from ? [{ from, to, start: at }] : []));
  const each = (end - start) / Math.max(1, text.length);
  return tokensOf(text, 0, text.length).map(({ from, to }) => ({ from, to, start: start + from * each }));
}

/**
 * The last word that has begun at a time.
 * @param ms a moment of the recording
 * @returns null before the first word
 */
export function heardAt(captions: readonly Caption[], ms: number): WordPosition | null {
  for (let index = captionAt(captions, ms); index >= 0; index--) {
    const caption = captions[index];
    const word = caption && wordsOf(caption).findLast((w) => w.start <= ms);
    if (word) return { index, from: word.from, to: word.to };
  }
  return null;
}

/**
 * When the word that is being said at a time began, in ms; null between words, and where no word times are
 * known. Playback that was held in the middle of a word goes on from there.
 */
export function wordBegan(captions: readonly Caption[], ms: number): number | null {
  const word = captions[captionAt(captions, ms)]?.words.find((w) => w[2] <= ms && ms < w[3]);
  return word?.[2] ?? null;
}

/** The word before one; null before the first. */
export function heardBefore(captions: readonly Caption[], { index, from }: WordPosition): WordPosition | null {
  for (let i = index; i >= 0; i--) {
    const caption = captions[i];
    const word = caption && wordsOf(caption).findLast((w) => i < index || w.to <= from);
    if (word) return { index: i, from: word.from, to: word.to };
  }
  return null;
}

/**
 * Where a caption is split for a moment: before the word that begins nearest to it.
 * @param ms a moment of the recording
 * @returns an offset of the text; null where there is one word only
 */
export function splitFor(of: Caption, ms: number): number | null {
  const [, ...later] = wordsOf(of);
  const nearest = later.reduce<Begun | null>(
    (best, word) => (best && Math.abs(best.start - ms) <= Math.abs(word.start - ms) ? best : word),
    null,
  );
  return nearest?.from ?? null;
}
