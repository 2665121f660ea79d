/** Captions with their words moved along a line, or snapped to frames. */
import type { FrameRate } from '../clock/frames.ts';
import { nearestFrame, frameLength } from '../clock/timecode.ts';
import type { Caption, WordRange } from '../../model/caption.ts';
import { leastCaption } from './follow.ts';
import { along, type Piece } from '../../model/pieces.ts';

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
      kept.push({ ...caption, start, end: Math.max(start + leastCaption, end), words: moved(caption.words, line) });
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
