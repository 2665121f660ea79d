/** Marking times by key while the recording plays: a key goes down where a caption begins, and up where it ends. */
import { nearestStretch } from '../../audio/heard-under.ts';
import type { Stretch } from '../../audio/regions.ts';
import type { MoveRules, Timed } from './move.ts';

/** A mark is drawn to where speech starts from so far away, in ms. */
const drawnFrom = 300;

/**
 * When something happened that a key was pressed for.
 * @param at the playhead as the key went down or up, in ms
 * @param reaction what passes between hearing and pressing, in ms of the recording
 * @param speech draws the mark, where it is known
 */
export function markedAt(at: number, reaction: number, speech: readonly Stretch[] | null): number {
  const heard = Math.max(0, Math.round(at - reaction));
  return (speech && nearestStretch(speech, 'start', heard, drawnFrom)?.start) ?? heard;
}

export interface Marked {
  /** Times of the caption that begins. */
  readonly begun: Stretch;
  /** The caption before it, where that ends with this. */
  readonly ended: Timed | null;
}

/**
 * A caption begins: the one that was begun and not ended yet ends the smallest gap before it, others are not touched.
 * @param captions those that are timed, in order
 * @param open the one that was begun last and has no end of its own yet
 * @param usual how long a caption is until its end is marked, in ms
 * @returns null where there is no room for it
 */
export function markBegin(
  captions: readonly Timed[],
  open: Timed | null,
  at: number,
  usual: number,
  { gap, least, length }: MoveRules,
): Marked | null {
  const ends = open !== null && open.start + least <= at - gap;
  const before = captions.findLast((c) => c.start <= at && !(ends && c.id === open.id));
  const start = Math.max(at, before ? before.end + gap : 0);
  const next = captions.find((c) => c.start > at);
  const end = Math.min(start + usual, next ? next.start - gap : Infinity, length);
  if (end - start < least) return null;
  return { begun: { start, end }, ended: ends ? { ...open, end: at - gap } : null };
}

/** The end of a caption that was begun, as far as the next one leaves room. */
export function markEnd(captions: readonly Timed[], here: Timed, at: number, { gap, least, length }: MoveRules): Timed {
  const next = captions.find((c) => c.start > here.start && c.id !== here.id);
  const last = Math.min(next ? next.start - gap : Infinity, length);
  return { id: here.id, start: here.start, end: Math.max(here.start + least, Math.min(at, last)) };
}
