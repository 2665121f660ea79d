/** Times of a caption as they are typed: one after another, in either order. */
import type { Edge, MoveRules, Timed } from './move.ts';

/** What can be typed of a caption's times. */
export type TimeField = Edge | 'duration';

export interface TypedMove {
  /** Which caption of those that are timed, from 0. */
  readonly index: number;
  readonly field: TimeField;
  /** The moment, or for how long, in ms. */
  readonly ms: number;
  /** The caption moves as it is: its other edge goes along. */
  readonly whole?: boolean;
}

/** Why it cannot have those times. */
export type Refused =
  /** It would be shorter than a caption can be, in ms. */
  | { readonly why: 'least'; readonly least: number }
  /** The recording ends before, in ms. */
  | { readonly why: 'end'; readonly length: number }
  /** Another caption stands there, or nearer than the smallest gap. */
  | { readonly why: 'neighbour'; readonly neighbour: Timed };

/** The time between two captions; below 0 where they are on screen together. */
const between = (a: Timed, b: Timed): number => Math.max(b.start - a.end, a.start - b.end);

/** A begin after the end, or an end before the begin, is typed by somebody who types the other one next: it goes along. */
function wanted({ start, end }: Timed, { field, ms, whole = false }: TypedMove): { start: number; end: number } {
  const long = end - start;
  if (field === 'duration') return { start, end: start + ms };
  if (field === 'start') return { start: ms, end: whole || ms >= end ? ms + long : end };
  return { start: whole || ms <= start ? Math.max(0, ms - long) : start, end: ms };
}

/**
 * A caption with a time that was typed; it may go past others, and stands on none.
 * @returns the caption with its times, or why it cannot have them
 */
export function typedTimes(
  captions: readonly Timed[],
  move: TypedMove,
  { gap, least, length }: Pick<MoveRules, 'gap' | 'least' | 'length'>,
): Timed | Refused | null {
  const here = captions[move.index];
  if (!here) return null;
  const now: Timed = { id: here.id, ...wanted(here, move) };
  if (now.end - now.start < least) return { why: 'least', least };
  if (now.end > length && now.end > here.end) return { why: 'end', length };
  // Where two stand too near each other already, only nearer is refused.
  const neighbour = captions.find(
    (other) => other !== here && between(now, other) < gap && between(now, other) < between(here, other),
  );
  return neighbour ? { why: 'neighbour', neighbour } : now;
}
