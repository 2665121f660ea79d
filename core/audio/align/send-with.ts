/** A caption whose words were not heard, sent along with one of its neighbours. */
import type { Caption } from '../../model/caption.ts';

/** A caption before and after it was placed, and whether it moves. */
export interface BeforeAndAfter {
  readonly before: Caption;
  readonly after: Caption;
  readonly moves: boolean;
}
export type NeighbourSide = 'before' | 'after';

/**
 * The caption as it moves with the nearest one on that side that does: by as much. Null where none moves there.
 * @param rows in order
 */
export function sentWith(rows: readonly BeforeAndAfter[], i: number, side: NeighbourSide): Caption | null {
  const row = rows[i];
  const others = side === 'before' ? rows.slice(0, i).reverse() : rows.slice(i + 1);
  const neighbour = others.find((o) => o.moves);
  if (!row || !neighbour) return null;
  const by = neighbour.after.start - neighbour.before.start;
  const start = Math.max(0, row.before.start + by);
  return { ...row.before, start, end: Math.max(start + 1, row.before.end + by), timing: row.before.timing };
}
