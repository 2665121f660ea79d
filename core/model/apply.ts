/** Applies edits to captions: one with the edit that takes it back, or many in one pass. */
import { sorted, type Caption } from './caption.ts';
import { effectOf, type Effect, type Lookup } from './effects.ts';
import { rememberChange } from './changed-at.ts';
import type { Edit, Single } from './edits.ts';

export interface Applied {
  readonly captions: readonly Caption[];
  /** Takes the edit back: `apply(captions, inverse)` gives the captions as they were. */
  readonly inverse: Edit;
}

/** Captions by id while edits are made on them; the list is gone over once at the end. */
function working(captions: readonly Caption[]) {
  const now = new Map(captions.map((c) => [c.id, c]));
  const fresh = new Set<string>();
  const find: Lookup = (id) => now.get(id);
  return {
    make(edit: Single): Effect {
      const effect = effectOf(edit, find);
      for (const c of effect.before) now.delete(c.id);
      for (const c of effect.after) {
        now.set(c.id, c);
        fresh.add(c.id);
      }
      return effect;
    },
    captions(): readonly Caption[] {
      const kept = captions.flatMap((c) => {
        fresh.delete(c.id);
        return now.get(c.id) ?? [];
      });
      for (const id of fresh) {
        const added = now.get(id);
        if (added) kept.push(added);
      }
      return sorted(kept);
    },
  };
}

function singlesOf(edit: Edit): readonly Single[] {
  return edit.type === 'together' ? edit.edits.flatMap(singlesOf) : [edit];
}

/** Inverses in the order in which they are made, as one edit; captions that only changed go back at once. */
function backFrom(effects: readonly Effect[]): Edit {
  if (effects.every((e) => e.inverse.type === 'setCaptions')) {
    const first = new Map<string, Caption>();
    for (const e of effects) for (const c of e.before) if (!first.has(c.id)) first.set(c.id, c);
    return { type: 'setCaptions', captions: [...first.values()] };
  }
  return { type: 'together', edits: effects.map((e) => e.inverse).reverse() };
}

/** More edits than this are made by way of a map. */
const few = 4;

/** One edit on the list itself: a long track is not copied into a map for a key. */
function applyOne(captions: readonly Caption[], edit: Single): Applied {
  const { before, after, inverse } = effectOf(edit, (id) => captions.find((c) => c.id === id));
  const [first] = before;
  if (!first) return { captions: after.length === 0 ? captions : sorted([...captions, ...after]), inverse };
  const at = captions.indexOf(first);
  const [only] = after;
  if (only && before.length === 1 && after.length === 1 && only.start === first.start && only.end === first.end) {
    // By far the most common: a key. It stays where it is.
    const changed = captions.with(at, only);
    rememberChange(captions, changed, at);
    return { captions: changed, inverse };
  }
  const gone = new Set(before);
  const next = before.length === 1 ? captions : captions.filter((c) => !gone.has(c) || c === first);
  const place = before.length === 1 ? at : next.indexOf(first);
  return { captions: sorted([...next.slice(0, place), ...after, ...next.slice(place + 1)]), inverse };
}

/**
 * Applies an edit.
 * @param captions in order; never changed
 * @returns new captions (those untouched are the same objects) and the inverse
 * @throws {EditRefused} when the edit does not fit, with a sentence saying why
 */
export function apply(captions: readonly Caption[], edit: Edit): Applied {
  if (edit.type !== 'together') {
    const many =
      (edit.type === 'proof' || edit.type === 'remove' ? edit.ids.length : 0) > few ||
      ('captions' in edit && edit.captions.length > few);
    if (!many) return applyOne(captions, edit);
  }
  const singles = singlesOf(edit);
  if (singles.length > 1 && singles.length <= few) {
    const inverses: Edit[] = [];
    let now = captions;
    for (const single of singles) {
      const done = applyOne(now, single);
      now = done.captions;
      inverses.unshift(done.inverse);
    }
    return { captions: now, inverse: { type: 'together', edits: inverses } };
  }
  const work = working(captions);
  const effects = singles.map((single) => work.make(single));
  const [only] = effects;
  return { captions: work.captions(), inverse: only && effects.length === 1 ? only.inverse : backFrom(effects) };
}

/**
 * Applies edits one after the other, going over the list once.
 * @throws {EditRefused} when one does not fit
 */
export function applyAll(captions: readonly Caption[], edits: readonly Edit[]): readonly Caption[] {
  if (edits.length === 0) return captions;
  const work = working(captions);
  for (const edit of edits) for (const single of singlesOf(edit)) work.make(single);
  return work.captions();
}
