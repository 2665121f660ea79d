/**
 * Moving the times of captions by hand: an edge, an edge two captions share, a caption whole, several together.
 * Neighbours are never overwritten; pushing them along is asked for, and what it moves is told.
 */
import type { Caption } from '../track/caption.ts';

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

/** The nearest of the bounds that a time would pass, looking one way. */
function held(
  to: number,
  bounds: readonly (Bound | null)[],
  later: boolean,
): { at: number; stopped: Moved['stopped'] } {
  let at = to;
  let stopped: Moved['stopped'] = null;
  for (const bound of bounds)
    if (bound && (later ? at > bound.at : at < bound.at)) {
      at = bound.at;
      stopped = bound.by;
    }
  return { at, stopped };
}

/** A neighbour that is overlapped already may be left alone, but no more of it is taken. */
const upTo = (next: Timed | undefined, end: number, gap: number): Bound | null =>
  next ? { at: Math.max(end, next.start - gap), by: 'neighbour' } : null;
const downTo = (before: Timed | undefined, start: number, gap: number): Bound | null =>
  before ? { at: Math.min(start, before.end + gap), by: 'neighbour' } : null;

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

/** Moves an edge, with the neighbour's where the two share it. */
export function moveEdge(captions: readonly Timed[], move: EdgeMove, rules: MoveRules): Moved {
  const here = captions[move.index];
  if (!here) return nothing;
  const { gap, least, length } = rules;
  const isStart = move.edge === 'start';
  const neighbour = captions[move.index + (isStart ? -1 : 1)];
  const later = move.to > (isStart ? here.start : here.end);
  const between = neighbour ? (isStart ? here.start - neighbour.end : neighbour.start - here.end) : 0;
  const together =
    !move.alone && !move.push && (isStart ? isShared(neighbour, here, rules) : isShared(here, neighbour, rules));
  const own: Bound | null = isStart
    ? later
      ? { at: Math.max(here.start, here.end - least), by: 'least' }
      : { at: 0, by: 'begin' }
    : later
      ? { at: Math.max(here.end, length), by: 'end' }
      : { at: Math.min(here.end, here.start + least), by: 'least' };
  const towards = isStart ? !later : later;
  const other: Bound | null =
    !neighbour || move.push || (!together && !towards)
      ? null
      : together
        ? isStart
          ? { at: later ? Infinity : Math.min(here.start, neighbour.start + least + between), by: 'least' }
          : { at: later ? Math.max(here.end, neighbour.end - least - between) : -Infinity, by: 'least' }
        : isStart
          ? downTo(neighbour, here.start, gap)
          : upTo(neighbour, here.end, gap);
  const { at, stopped } = held(Math.round(move.to), [own, other], later);
  const mine: Timed = isStart ? { ...pick(here), start: at } : { ...pick(here), end: at };
  if (mine.start === here.start && mine.end === here.end) return { changes: [], stopped };
  if (together && neighbour) {
    const beside: Timed = isStart
      ? { ...pick(neighbour), end: at - between }
      : { ...pick(neighbour), start: at + between };
    return { changes: isStart ? [beside, mine] : [mine, beside], stopped };
  }
  if (!move.push) return { changes: [mine], stopped };
  const along = towards ? pushed(captions, here, move.index + (isStart ? -1 : 1), at, later, gap) : [];
  const over = beyond(along, later, Math.max(length, captions.at(-1)?.end ?? 0));
  if (over > 0) {
    const to = at + (later ? -over : over);
    const stays = later ? to <= here.end : to >= here.start;
    const stop = later ? 'end' : 'begin';
    return { changes: stays ? [] : moveEdge(captions, { ...move, to }, rules).changes, stopped: stop };
  }
  return { changes: later ? [mine, ...along] : [...along.reverse(), mine], stopped };
}

const pick = ({ id, start, end }: Timed): Timed => ({ id, start, end });

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
  const [first, last] = [moved[0], moved.at(-1)];
  if (!first || !last || by === 0) return nothing;
  const later = by > 0;
  const edge = later ? Math.max(...moved.map((c) => c.end)) : first.start;
  const neighbour = captions[later ? to + 1 : from - 1];
  const bounds = later
    ? [{ at: Math.max(edge, length), by: 'end' } as const, push ? null : upTo(neighbour, edge, gap)]
    : [{ at: 0, by: 'begin' } as const, push ? null : downTo(neighbour, edge, gap)];
  const { at, stopped } = held(Math.round(edge + by), bounds, later);
  const shift = at - edge;
  if (shift === 0) return { changes: [], stopped };
  const own = moved.map((c) => ({ id: c.id, start: c.start + shift, end: c.end + shift }));
  const mover = later ? last : first;
  const along = push
    ? pushed(captions, mover, later ? to + 1 : from - 1, later ? last.end + shift : first.start + shift, later, gap)
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

/**
 * A caption begins at a moment: its end stays where it lies after that, and else its length does.
 * @param along everything after it goes along, by as much as it moved
 */
export function beginAt(captions: readonly Timed[], index: number, at: number, along: boolean): Moved {
  const here = captions[index];
  if (!here) return nothing;
  const by = Math.round(at) - here.start;
  if (by === 0) return nothing;
  if (along)
    return {
      changes: captions.slice(index).map((c) => ({ id: c.id, start: c.start + by, end: c.end + by })),
      stopped: null,
    };
  const end = here.end > at ? here.end : here.end + by;
  return { changes: [{ id: here.id, start: here.start + by, end }], stopped: null };
}

/** A caption ends at a moment: its beginning stays where it lies before that, and else its length does. */
export function endAt(captions: readonly Timed[], index: number, at: number): Moved {
  const here = captions[index];
  if (!here) return nothing;
  const end = Math.round(at);
  if (end === here.end) return nothing;
  const start = here.start < end ? here.start : Math.max(0, end - (here.end - here.start));
  return start < end ? { changes: [{ id: here.id, start, end }], stopped: null } : nothing;
}

/** A caption ends the smallest gap before the next, or with the recording; nothing where that is no later than it begins. */
export function endUpToNext(captions: readonly Timed[], index: number, { gap, length }: MoveRules): Moved {
  const next = captions[index + 1];
  const end = next ? next.start - gap : length;
  return Number.isFinite(end) ? endAt(captions, index, Math.max(end, (captions[index]?.start ?? 0) + 1)) : nothing;
}

/** A caption is as long as it has to be, but takes nothing of the next. @param needed in ms */
export function endWhenRead(captions: readonly Timed[], index: number, needed: number, rules: MoveRules): Moved {
  const here = captions[index];
  return here ? moveEdge(captions, { index, edge: 'end', to: here.start + needed, alone: true }, rules) : nothing;
}
