/** Captions with their words moved along a line, snapped to frames, or with a stretch of the recording taken out. */
import type { FrameRate } from '../time/frames.ts';
import { nearestFrame, frameLength } from '../time/timecode.ts';
import type { Caption, WordRange } from '../track/caption.ts';
import { spliceText } from '../track/ranges.ts';
import { along, type Piece } from '../track/pieces.ts';

/** A caption never has less than this, in ms: no format holds one that ends as it begins. */
const least = 1;

/** Where a moment goes, in ms. */
type Way = (ms: number) => number;
const moved = (words: readonly WordRange[], line: Way): WordRange[] =>
  words.map(([from, to, start, end, ...rest]) => {
    const at = line(start);
    return [from, to, at, Math.max(at, line(end)), ...rest];
  });

/**
 * Captions and their words along pieces of a line. What would begin before 0 begins at 0; what would lie before it whole is told
 * and left out of the captions, since no file can hold it.
 */
export function retimed(
  captions: readonly Caption[],
  pieces: readonly Piece[],
): { readonly captions: readonly Caption[]; readonly before: readonly Caption[] } {
  const line: Way = (ms) => along(pieces, ms);
  const kept: Caption[] = [];
  const before: Caption[] = [];
  for (const caption of captions) {
    const end = line(caption.end);
    if (end <= 0) before.push(caption);
    else {
      const start = line(caption.start);
      kept.push({ ...caption, start, end: Math.max(start + least, end), words: moved(caption.words, line) });
    }
  }
  return { captions: kept, before };
}

/** Begins and ends at pictures, each at the one nearest to it; a caption keeps a picture at the least. */
export function snapped(captions: readonly Caption[], rate: FrameRate): readonly Caption[] {
  return captions.map((c) => {
    const start = nearestFrame(c.start, rate);
    return { ...c, start, end: Math.max(nearestFrame(start + frameLength(rate), rate), nearestFrame(c.end, rate)) };
  });
}

/**
 * A stretch of the recording is taken out. Captions inside go; one that the cut passes through keeps the words said
 * outside it, by their times, and loses the others; where its words have no times it keeps all of them.
 * @param from in ms @param to in ms
 */
export function cutOut(captions: readonly Caption[], from: number, to: number): readonly Caption[] {
  const line: Way = (ms) => (ms <= from ? ms : ms >= to ? ms - (to - from) : from);
  return captions.flatMap((c) => {
    if (c.start >= from && c.end <= to) return [];
    let caption = c;
    // From the last word on, so that what is left keeps its place.
    for (const [first, last, start, end, , how] of [...c.words].reverse()) {
      const middle = (start + end) / 2;
      if (how !== 'guessed' && middle >= from && middle < to) caption = withoutWord(caption, first, last);
    }
    if (caption.text.trim() === '' && c.text.trim() !== '') return [];
    const start = line(c.start);
    return [{ ...caption, start, end: Math.max(start + least, line(c.end)), words: moved(caption.words, line) }];
  });
}

/** A caption without a word, and without the space that stood before it, or after it where it was the first. */
function withoutWord(caption: Caption, from: number, to: number): Caption {
  const { text } = caption;
  const isSpace = (at: number): boolean => /\s/u.test(text.charAt(at));
  let [first, last] = [from, to];
  // What is written onto the word, a comma or a full stop, goes with it.
  while (last < text.length && !isSpace(last)) last++;
  if (first > 0 && isSpace(first - 1)) first--;
  else if (last < text.length) last++;
  return { ...spliceText(caption, first, last, ''), proofed: false };
}
