/** The room there is for a new caption, and what is in its way. */
import type { MoveRules, Timed } from './move.ts';

export type Room =
  | { readonly start: number; readonly end: number }
  /** The caption in the way, and whether it stands there or leaves too little before it. */
  | { readonly blockedBy: Timed; readonly room: number };

/**
 * Times of a new caption from a moment on: as long as is usual, or as long as there is room for.
 * @param at where it is to begin, in ms
 * @param usual how long a new caption is, in ms
 * @param shortest the shortest that may be made, in ms
 */
export function roomAt(
  captions: readonly Timed[],
  at: number,
  usual: number,
  shortest: number,
  { gap, length }: Pick<MoveRules, 'gap' | 'length'>,
): Room {
  const covering = captions.find((c) => c.start <= at && at < c.end);
  if (covering) return { blockedBy: covering, room: 0 };
  const before = captions.findLast((c) => c.end <= at);
  const next = captions.find((c) => c.start > at);
  const start = Math.max(Math.round(at), before ? before.end + gap : 0);
  const last = Math.min(length, next ? next.start - gap : Infinity);
  if (last - start >= shortest) return { start, end: Math.min(last, start + usual) };
  return { blockedBy: next ?? before ?? { id: '', start: length, end: length }, room: Math.max(0, last - start) };
}

/** Times of a new caption that ends right before another, as `roomAt`. */
export function roomBefore(
  captions: readonly Timed[],
  here: Timed,
  usual: number,
  shortest: number,
  { gap }: Pick<MoveRules, 'gap'>,
): Room {
  const before = captions.findLast((c) => c.id !== here.id && c.start <= here.start && c.end <= here.start);
  const end = here.start - gap;
  const first = before ? before.end + gap : 0;
  if (end - first >= shortest) return { start: Math.max(first, end - usual), end };
  return { blockedBy: before ?? here, room: Math.max(0, end - first) };
}

/**
 * What makes room for a caption that is to be put in: those after it, each moved as far as it has to be.
 * @returns null where the last of them would leave the recording
 */
export function pushedBy(
  captions: readonly Timed[],
  made: Timed,
  { gap, length }: Pick<MoveRules, 'gap' | 'length'>,
): readonly Timed[] | null {
  const changes: Timed[] = [];
  let { end } = made;
  for (const c of captions) {
    if (c.start < made.start) continue;
    const by = end + gap - c.start;
    if (by <= 0) break;
    end = c.end + by;
    changes.push({ id: c.id, start: c.start + by, end });
  }
  return end > Math.max(length, captions.at(-1)?.end ?? 0) ? null : changes;
}
