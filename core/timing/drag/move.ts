/**
 * Moving the times of captions by hand: an edge, an edge two captions share, a caption whole, several together.
 * Neighbours are never overwritten; pushing them along is asked for, and what it moves is told.
 */
import { max } from 'd3-array';
import type { Caption } from '../../model/caption.ts';

/** A caption as far as its times go. */
export type Timed = Pick<Caption, 'id' | 'start' | 'end'>;

export type Edge = 'start' | 'end';

/** What holds for all moves, in ms. */
export interface MoveRules {
  /** The smallest gap between two captions. */
  readonly gap: number;
  /** Captions no further apart than this share their edge. */
  readonly shared: number;
  /** No caption is made shorter than this. */
  readonly least: number;
  /** No caption ends later than this: the length of the recording, or Infinity. */
  readonly length: number;
}

export interface Moved {
  /** The captions that get other times, in the order of the track. */
  readonly changes: readonly Timed[];
  /** What kept the move from going as far as it was to go; null where nothing did. */
  readonly stopped: 'neighbour' | 'least' | 'begin' | 'end' | null;
}

const nothing: Moved = { changes: [], stopped: null };

/** Whether the end of one caption and the beginning of the next are one edge, which moves as one. */
export function isShared(before: Timed | undefined, after: Timed | undefined, { gap, shared }: MoveRules): boolean {
  if (!before || !after) return false;
  const between = after.start - before.end;
  return between >= 0 && between <= Math.max(gap, shared);
}

interface Bound {
  readonly at: number;
  readonly by: NonNullable<Moved['stopped']>;
}

/** The nearest of the bounds that something moving on would pass. */
function held(to: number, bounds: readonly (Bound | null)[]): { at: number; stopped: Moved['stopped'] } {
  let [at, stopped]: [number, Moved['stopped']] = [to, null];
  for (const bound of bounds) if (bound && at > bound.at) [at, stopped] = [bound.at, bound.by];
  return { at, stopped };
}

/**
 * Which way something looks: 1 for later, -1 for earlier. Times told this way grow in its direction, so that what holds
 * for ends holds for beginnings too.
 */
type Way = 1 | -1;
/** A time told one way, or a time told so as it is. */
const told = (time: number, way: Way): number => (way === 1 ? time : 0 - time);
/** The edge of a caption that looks this way, and the other one, told this way. */
const ahead = ({ start, end }: Timed, way: Way): number => told(way === 1 ? end : start, way);
const behind = ({ start, end }: Timed, way: Way): number => told(way === 1 ? start : end, way);

export interface EdgeMove {
  /** Which caption of the track, from 0. */
  readonly index: number;
  readonly edge: Edge;
  /** Where the edge is to be, in ms. */
  readonly to: number;
  /** A shared edge parts: this side moves alone. */
  readonly alone?: boolean;
  /** Neighbours are pushed along instead of stopping the move. */
  readonly push?: boolean;
}

/**
 * Neighbours in one direction, each moved as far as the one before it needs. Captions that stood closer than the
 * smallest gap keep the distance they had.
 */
function pushed(
  captions: readonly Timed[],
  from: Timed,
  first: number,
  edge: number,
  later: boolean,
  gap: number,
): Timed[] {
  const changes: Timed[] = [];
  let [before, at] = [from, edge];
  for (let i = first; i >= 0 && i < captions.length; i += later ? 1 : -1) {
    const c = captions[i];
    if (!c) break;
    const keep = Math.min(gap, later ? c.start - before.end : before.start - c.end);
    const by = later ? Math.max(0, at + keep - c.start) : Math.min(0, at - keep - c.end);
    if (by === 0) break;
    changes.push({ id: c.id, start: c.start + by, end: c.end + by });
    [before, at] = [c, later ? c.end + by : c.start + by];
  }
  return changes;
}

/** By how much what was pushed would leave the recording; then the whole move is shortened by that. */
const beyond = (changes: readonly Timed[], later: boolean, length: number): number => {
  const last = changes.at(-1);
  return last ? Math.max(0, later ? last.end - length : -last.start) : 0;
};

/** Where an edge comes to be, and what stops it; all times told the way the edge looks. */
function edgeHeld(
  here: Timed,
  neighbour: Timed | undefined,
  to: number,
  way: Way,
  { gap, least, length, together, push }: MoveRules & { readonly together: boolean; readonly push: boolean },
): { at: number; stopped: Moved['stopped'] } {
  const edge = ahead(here, way);
  if (to <= edge) {
    // Inwards, it goes on until the caption is as short as one may be.
    const nearest = Math.min(edge, behind(here, way) + least);
    return to < nearest ? { at: nearest, stopped: 'least' } : { at: to, stopped: null };
  }
  const last: Bound = way === 1 ? { at: Math.max(edge, length), by: 'end' } : { at: Math.max(edge, 0), by: 'begin' };
  if (!neighbour || push) return held(to, [last]);
  const near = behind(neighbour, way);
  // A shared edge leaves the neighbour as long as one has to be. A neighbour that is overlapped already may be left
  // alone, but no more of it is taken.
  const beside: Bound = together
    ? { at: Math.max(edge, ahead(neighbour, way) - least - (near - edge)), by: 'least' }
    : { at: Math.max(edge, near - gap), by: 'neighbour' };
  return held(to, [last, beside]);
}

/** Moves an edge, with the neighbour's where the two share it. */
export function moveEdge(captions: readonly Timed[], move: EdgeMove, rules: MoveRules): Moved {
  const here = captions[move.index];
  if (!here) return nothing;
  const { gap, length } = rules;
  const push = move.push === true;
  const way: Way = move.edge === 'start' ? -1 : 1;
  const neighbour = captions[move.index + way];
  const together =
    !move.alone && !push && (way === 1 ? isShared(here, neighbour, rules) : isShared(neighbour, here, rules));
  const edge = ahead(here, way);
  const { at, stopped } = edgeHeld(here, neighbour, told(Math.round(move.to), way), way, { ...rules, together, push });
  if (at === edge) return { changes: [], stopped };
  const inOrder = (changes: readonly Timed[]): readonly Timed[] => (way === 1 ? changes : [...changes].reverse());
  const mine = withEdge(here, way, at);
  if (together && neighbour) {
    const theirs = at + behind(neighbour, way) - edge;
    return { changes: inOrder([mine, withEdge(neighbour, way === 1 ? -1 : 1, 0 - theirs)]), stopped };
  }
  if (!push || at < edge) return { changes: [mine], stopped };
  const along = pushed(captions, here, move.index + way, told(at, way), way === 1, gap);
  const over = beyond(along, way === 1, Math.max(length, captions.at(-1)?.end ?? 0));
  if (over === 0) return { changes: inOrder([mine, ...along]), stopped };
  const to = at - over;
  const shorter = to <= edge ? [] : moveEdge(captions, { ...move, to: told(to, way) }, rules).changes;
  return { changes: shorter, stopped: way === 1 ? 'end' : 'begin' };
}

/** A caption with the edge that looks this way at another time, told this way. */
const withEdge = ({ id, start, end }: Timed, way: Way, at: number): Timed =>
  way === 1 ? { id, start, end: at } : { id, start: told(at, way), end };

/**
 * Moves captions whole, by as much as their neighbours leave room for.
 * @param from the first of them, from 0
 * @param to the last of them
 * @param by in ms, later where it is positive
 */
export function moveCaptions(
  captions: readonly Timed[],
  {
    from,
    to,
    by,
    push = false,
  }: { readonly from: number; readonly to: number; readonly by: number; readonly push?: boolean },
  { gap, length }: Pick<MoveRules, 'gap' | 'length'>,
): Moved {
  const moved = captions.slice(from, to + 1);
  const [first, final] = [moved[0], moved.at(-1)];
  if (!first || !final || by === 0) return nothing;
  const way: Way = by > 0 ? 1 : -1;
  const later = way === 1;
  const edge = max(moved, (c) => ahead(c, way)) ?? -Infinity;
  const neighbour = captions[later ? to + 1 : from - 1];
  const last: Bound = later ? { at: Math.max(edge, length), by: 'end' } : { at: Math.max(edge, 0), by: 'begin' };
  const beside: Bound | null =
    neighbour && !push ? { at: Math.max(edge, behind(neighbour, way) - gap), by: 'neighbour' } : null;
  const { at, stopped } = held(edge + Math.round(Math.abs(by)), [last, beside]);
  const shift = told(at - edge, way);
  if (shift === 0) return { changes: [], stopped };
  const own = moved.map((c) => ({ id: c.id, start: c.start + shift, end: c.end + shift }));
  const mover = later ? final : first;
  const along = push
    ? pushed(captions, mover, later ? to + 1 : from - 1, told(ahead(mover, way), way) + shift, later, gap)
    : [];
  const over = beyond(along, later, Math.max(length, captions.at(-1)?.end ?? 0));
  if (over > 0) {
    const rest = Math.abs(shift) - over;
    const stop = later ? 'end' : 'begin';
    if (rest <= 0) return { changes: [], stopped: stop };
    const shorter = moveCaptions(captions, { from, to, by: later ? rest : -rest, push }, { gap, length });
    return { changes: shorter.changes, stopped: stop };
  }
  return { changes: later ? [...own, ...along] : [...along.reverse(), ...own], stopped };
}

/** A caption begins at a moment: its end stays where it lies after that, and else its length does. */
export function beginAt(here: Timed, at: number): Moved {
  const by = Math.round(at) - here.start;
  if (by === 0) return nothing;
  const end = here.end > at ? here.end : here.end + by;
  return { changes: [{ id: here.id, start: here.start + by, end }], stopped: null };
}

/** A caption begins at a moment, and it and everything after it go along by as much as it moved. */
export function beginAllAt(captions: readonly Timed[], index: number, at: number): Moved {
  const here = captions[index];
  const by = here ? Math.round(at) - here.start : 0;
  if (by === 0) return nothing;
  const changes = captions.slice(index).map((c) => ({ id: c.id, start: c.start + by, end: c.end + by }));
  return { changes, stopped: null };
}

/** A caption ends at a moment: its beginning stays where it lies before that, and else its length does. */
export function endAt(here: Timed, at: number): Moved {
  const end = Math.round(at);
  if (end === here.end) return nothing;
  const start = here.start < end ? here.start : Math.max(0, end - (here.end - here.start));
  return start < end ? { changes: [{ id: here.id, start, end }], stopped: null } : nothing;
}

/** A caption ends the smallest gap before the next, or with the recording; nothing where that is no later than it begins. */
export function endUpToNext(captions: readonly Timed[], index: number, { gap, length }: MoveRules): Moved {
  const [here, next] = [captions[index], captions[index + 1]];
  const end = next ? next.start - gap : length;
  return here && Number.isFinite(end) ? endAt(here, Math.max(end, here.start + 1)) : nothing;
}

/** A caption is as long as it has to be, but takes nothing of the next. @param needed in ms */
export function endWhenRead(captions: readonly Timed[], index: number, needed: number, rules: MoveRules): Moved {
  const here = captions[index];
  return here ? moveEdge(captions, { index, edge: 'end', to: here.start + needed, alone: true }, rules) : nothing;
}
