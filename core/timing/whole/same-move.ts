/** What was done to the times of one whole track, done to another that shares them. */
import type { Timed } from '../drag/move.ts';
import type { Caption } from '../../model/caption.ts';
import type { Edit } from '../../model/edits.ts';
import { along, type Piece } from '../../model/pieces.ts';
import { followed, followEdit } from './follow.ts';
import type { Segment } from './segment.ts';

/** Along a line, or as a recording was cut again. */
export type SameMove = { readonly pieces: readonly Piece[] } | { readonly segments: readonly Segment[] };

/** The times captions have along pieces of a line; none ends as it begins. */
export const timesAlong = (captions: readonly Caption[], pieces: readonly Piece[]): readonly Timed[] =>
  captions.map(({ id, start, end }) => {
    const first = along(pieces, start);
    return { id, start: first, end: Math.max(first + 1, along(pieces, end)) };
  });

/** The edit that gives captions these times, and moves the times of their words along; what is not timed stays so. */
export function retimingAlong(captions: readonly Caption[], changes: readonly Timed[], pieces: readonly Piece[]): Edit {
  const timing = new Map(captions.map((c) => [c.id, c.timing]));
  const times = changes.map((c) => ({ ...c, timing: timing.get(c.id) ?? ('set' as const) }));
  return { type: 'retime', captions: times, pieces };
}

/**
 * The edit that moves a whole track; null where it has no captions.
 * @param newId names the second part of a caption that becomes two
 */
export function sameMove(captions: readonly Caption[], move: SameMove, newId: () => string): Edit | null {
  if (captions.length === 0) return null;
  if ('pieces' in move) return retimingAlong(captions, timesAlong(captions, move.pieces), move.pieces);
  return followEdit(captions, followed(captions, move.segments, newId).captions, move.segments);
}
