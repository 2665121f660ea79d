/** How captions would be moved while that is tried, what each would become, and the edit that does it. */
import { shifted, shiftedTimes } from '../../../core/operations/several.ts';
import { followed, followEdit, type Followed } from '../../../core/timing/whole/follow.ts';
import { retimingAlong, timesAlong, type SameMove } from '../../../core/timing/whole/same-move.ts';
import type { Segment } from '../../../core/timing/whole/segment.ts';
import type { Timed } from '../../../core/timing/drag/move.ts';
import type { Caption } from '../../../core/model/caption.ts';
import type { Edit } from '../../../core/model/edits.ts';
import type { Piece } from '../../../core/model/pieces.ts';
import { newId } from '../../data/sync/ids.ts';

/** How captions would be moved, or why they cannot be; null where nothing is asked for yet. */
export type Plan =
  | { readonly by: number }
  | { readonly pieces: readonly Piece[] }
  /** These, and the times of their words along the pieces. */
  | { readonly taken: readonly Timed[]; readonly pieces: readonly Piece[] }
  | {
      readonly times: readonly Timed[];
      readonly edit: Edit | null;
      /** The track after that, where it is more than other times. */
      readonly captions?: readonly Caption[];
    }
  /** The track as it follows a recording that was cut again. */
  | { readonly follows: Followed; readonly segments: readonly Segment[] }
  | { readonly fault: string }
  | null;

export const captionsInWords = (many: number): string => (many === 1 ? 'One caption' : `${String(many)} captions`);

/** How captions would be moved by what was done to others, or by what became of their recording. */
export const planOfMove = (move: SameMove, captions: readonly Caption[]): NonNullable<Plan> =>
  'pieces' in move ? move : { follows: followed(captions, move.segments, newId), segments: move.segments };

/** The new times of those that have others. */
function movedBetween(before: readonly Caption[], after: readonly Caption[]): readonly Timed[] {
  const was = new Map(before.map((c) => [c.id, c]));
  return after.filter((c) => was.get(c.id)?.start !== c.start || was.get(c.id)?.end !== c.end);
}

/** The new times of those that get others. @param moved those that are to be moved @param all of the track */
export function timesOfPlan(plan: Plan, moved: readonly Caption[], all: readonly Caption[]): readonly Timed[] {
  if (!plan || 'fault' in plan) return [];
  if ('by' in plan) return shiftedTimes(moved, plan.by);
  if ('times' in plan) return plan.times;
  if ('taken' in plan) return plan.taken;
  if ('follows' in plan) return movedBetween(all, plan.follows.captions);
  return timesAlong(moved, plan.pieces);
}

/** The same as one step; null where nothing is to be done. */
export function editOfPlan(plan: Plan, moved: readonly Caption[], all: readonly Caption[]): Edit | null {
  if (!plan || 'fault' in plan) return null;
  if ('follows' in plan) return followEdit(all, plan.follows.captions, plan.segments);
  // Words may get times where no caption moves.
  if ('times' in plan) return plan.edit;
  const changes = timesOfPlan(plan, moved, all);
  if (changes.length === 0) return null;
  if ('by' in plan) return shifted(moved, plan.by);
  return retimingAlong(moved, changes, plan.pieces);
}
