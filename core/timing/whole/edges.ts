/** Begins and ends of captions moved by themselves: to the frames, to their neighbours, or further out. */
import type { FrameRate } from '../clock/frames.ts';
import type { Timed } from '../drag/move.ts';
import type { Caption } from '../../model/caption.ts';
import { snapped } from './retimed.ts';

const changed = (before: readonly Caption[], after: readonly Timed[]): readonly Timed[] =>
  after.filter((c, i) => c.start !== before[i]?.start || c.end !== before[i].end);

/** Those that get other times when all begin and end at pictures. */
export const snappedTimes = (captions: readonly Caption[], rate: FrameRate): readonly Timed[] =>
  changed(
    captions,
    snapped(captions, rate).map(({ id, start, end }) => ({ id, start, end })),
  );

/**
 * Short gaps closed: a caption stays until the next begins, but for the gap that has to be between two.
 * @param captions in order
 * @param upTo gaps of this and less are closed, in ms
 * @param gap that is left, in ms
 */
export function closedGaps(captions: readonly Caption[], upTo: number, gap: number): readonly Timed[] {
  const after = captions.map(({ id, start, end }, i) => {
    const room = (captions[i + 1]?.start ?? Infinity) - end;
    return { id, start, end: room > gap && room <= upTo ? end + room - gap : end };
  });
  return changed(captions, after);
}

/** How far begins and ends are moved out, and what they keep to; in ms. */
export interface Further {
  /** Begins so much earlier, and ends so much later. */
  readonly lead: number;
  readonly linger: number;
  /** Left between two captions. */
  readonly gap: number;
  /** Of the recording; Infinity where it is not known. */
  readonly length: number;
}

/**
 * Captions that begin early and end late, within the room there is between them: an early begin comes first, since a
 * late end costs nobody a word. What overlaps or touches already stays.
 * @param captions in order
 */
export function furtherOut(captions: readonly Caption[], { lead, linger, gap, length }: Further): readonly Timed[] {
  const starts = captions.map(({ start }, i) => {
    const before = captions[i - 1];
    return Math.min(start, Math.max(0, start - lead, before ? before.end + gap : 0));
  });
  const after = captions.map(({ id, end }, i) => {
    const room = Math.min(length, (starts[i + 1] ?? Infinity) - gap);
    return { id, start: starts[i] ?? 0, end: Math.max(end, Math.min(end + linger, room)) };
  });
  return changed(captions, after);
}
