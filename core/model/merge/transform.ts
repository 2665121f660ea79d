/**
 * Carries edits over others that were made at the same moment. An edit goes into the table in parts,
 * each over each of theirs that it meets; parts that name no caption in common pass by one another.
 */
import { pushAll } from '../../text/push-all.ts';
import type { Caption } from '../caption.ts';
import { effectOf } from '../effects.ts';
import type { Edit, Single } from '../edits.ts';
import type { Cross, Crossed } from './cross.ts';
import {
  after,
  asChange,
  between,
  gathered,
  makeIn,
  partsOf,
  touched,
  type Kind,
  type Part,
  type Parts,
  type PartsState,
} from './parts.ts';
import { table, type OwnKind } from './table.ts';

const meet = (a: Part, b: Part): boolean => {
  const ids = touched(b);
  return touched(a).some((id) => ids.includes(id));
};

/** Parts over parts. @param at the captions both were made on */
function crossParts(own: readonly Single[], theirs: readonly Part[], at: PartsState): Crossed {
  const result: Single[] = [];
  let [others, now, conflict] = [theirs, at, false];
  for (const part of own) {
    let mine: readonly Single[] = [part];
    let here = now;
    const beyond: Part[] = [];
    for (const other of others) {
      const crossed = crossOne(mine, other, here);
      conflict ||= crossed.conflict === true;
      mine = crossed.own;
      pushAll(beyond, crossed.theirs);
      here = after(here, [other]);
    }
    pushAll(result, mine);
    now = after(now, [part]);
    others = beyond;
  }
  return { own: result, theirs: others, ...(conflict ? { conflict: true } : {}) };
}

/** What the table says of two kinds. */
function crossOver<O extends OwnKind, T extends Kind>(
  ownKind: O,
  theirKind: T,
  own: Parts[O],
  theirs: Parts[T],
  at: PartsState,
): Crossed {
  const row: { readonly [K in Kind]: Cross<Parts[O], Parts[K]> } = table[ownKind];
  const cross: Cross<Parts[O], Parts[T]> = row[theirKind];
  return cross(own, theirs, at);
}

function crossOne(own: readonly Single[], theirs: Part, at: PartsState): Crossed {
  const [only] = own;
  if (!only) return { own, theirs: [theirs] };
  if (own.length > 1) return crossParts(own, [theirs], at);
  if (!meet(only, theirs)) return { own, theirs: [theirs] };
  const [mine, other] = [asChange(only, at) as Single, asChange(theirs, at)];
  const crossed = crossOver(mine.type, other.type, mine, other, at);
  return exchanges.has(mine.type) || exchanges.has(other.type)
    ? withRemainingChanges(mine, other, crossed, at)
    : crossed;
}

const exchanges: ReadonlySet<Kind> = new Set(['split', 'join', 'replace']);

/** White space and times at the edges of what was split or joined may come out otherwise: then theirs sets them right. */
function withRemainingChanges(own: Single, theirs: Part, crossed: Crossed, at: PartsState): Crossed {
  const [here, there] = [after(at, [own, ...crossed.theirs]), after(at, [theirs, ...crossed.own])];
  const rest = between(here, there);
  return rest.length === 0 ? crossed : { ...crossed, theirs: [...crossed.theirs, ...rest] };
}

/** Those of theirs that a part has to do with, directly or by way of one another. */
function involved(part: Part, theirs: readonly Part[]): { readonly ids: Set<string>; readonly met: Set<Part> } {
  const ids = new Set(touched(part));
  const met = new Set<Part>();
  for (let grew = true; grew;) {
    grew = false;
    for (const other of theirs) {
      if (met.has(other)) continue;
      const names = touched(other);
      if (!names.some((id) => ids.has(id))) continue;
      met.add(other);
      grew = true;
      for (const id of names) ids.add(id);
    }
  }
  return { ids, met };
}

/** What takes parts back. @param at the captions they were made on; changed */
function wayBack(parts: readonly Single[], at: Map<string, Caption>): Single[] {
  const back = parts.map((part) => {
    const { inverse } = effectOf(part, (id) => at.get(id));
    makeIn(at, part);
    return inverse;
  });
  return back.reverse().flatMap(partsOf);
}

export interface OwnEdits {
  /** Each of the own edits as it now stands; null where nothing is left of it. */
  readonly own: readonly (Edit | null)[];
  /** Theirs as they reach who has made the own edits already. */
  readonly theirs: readonly Part[];
  /** Places of own edits that met a true conflict. */
  readonly conflicts: readonly number[];
}

/**
 * Carries own edits, one made after the other, over theirs.
 * @param base the captions both sides started from
 * @param theirs what has gone into the log since
 * @param whenInConflict `keep` makes versions of what cannot stand; `drop` leaves such an edit out, as if it had not been made
 */
export function transform(
  base: readonly Caption[],
  own: readonly Edit[],
  theirs: readonly Part[],
  whenInConflict: 'keep' | 'drop' = 'keep',
): OwnEdits {
  if (theirs.length === 0) return { own, theirs, conflicts: [] };
  const state = new Map(base.map((c) => [c.id, c]));
  let others = theirs;
  let theirIds = new Set(others.flatMap(touched));
  const conflicts: number[] = [];
  const result = own.map((edit, place): Edit | null => {
    const parts = partsOf(edit);
    if (!parts.some((part) => touched(part).some((id) => theirIds.has(id)))) {
      for (const part of parts) makeIn(state, part);
      return edit;
    }
    const before = whenInConflict === 'drop' ? new Map(state) : null;
    const then: Single[] = [];
    let [now, conflict] = [others, false];
    for (const part of parts) {
      const { ids, met } = involved(part, now);
      if (met.size === 0) then.push(part);
      else {
        const at = new Map(
          [...ids].flatMap((id) => {
            const found = state.get(id);
            return found ? [[id, found] as const] : [];
          }),
        );
        const crossed = crossParts(
          [part],
          now.filter((t) => met.has(t)),
          at,
        );
        pushAll(then, crossed.own);
        now = [...now.filter((t) => !met.has(t)), ...crossed.theirs];
        conflict ||= crossed.conflict === true;
      }
      makeIn(state, part);
    }
    if (conflict) conflicts.push(place);
    if (conflict && before) {
      // What follows was made with this edit in place, and is carried over its being taken back.
      others = [...wayBack(parts, before), ...others];
      theirIds = new Set(others.flatMap(touched));
      return null;
    }
    others = now;
    theirIds = new Set(others.flatMap(touched));
    return gathered(then);
  });
  return { own: result, theirs: others, conflicts };
}
