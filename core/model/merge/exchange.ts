/** Captions exchanged for others, as a reflow does, while others work on them. */
import { pushAll } from '../../text/push-all.ts';
import { withoutVersions, type Caption } from '../caption.ts';
import { withVersion } from '../effects.ts';
import type { EditOf, Single, Splice, SetCaptions } from '../edits.ts';
import { idOf, madeBy, mergedCaption, type Attribute } from './captions.ts';
import { holderOf, ownCannotBeMade, leadingTo, swapped, type Cross, type Crossed } from './cross.ts';
import { letterMap, lettersIn, type LetterMap } from '../letters.ts';
import { after, between, partsOf, type PartsState } from './parts.ts';
import { changeSet, difference, splicesOf } from '../text-changes.ts';

type Replace = EditOf<'replace'>;

function mapOf(replace: Replace, at: PartsState): LetterMap {
  return letterMap(
    replace.removed.flatMap((id) => at.get(id) ?? []),
    replace.captions,
  );
}

/** The exchange after the new captions were changed along with the old ones. */
function withChanges(replace: Replace, changes: readonly Single[], at: PartsState): Replace {
  const made = after(at, [replace, ...changes]);
  return { ...replace, captions: replace.captions.flatMap((c) => made.get(c.id) ?? []) };
}

/**
 * Typing in a caption that is exchanged goes where its letters went. Where the new captions hold other
 * words, the caption as it was typed is kept as a version of the one that came in its time.
 */
function splice(
  change: Splice,
  replace: Replace,
  at: PartsState,
): { readonly then: Single[]; readonly conflict: boolean } {
  const then = mapOf(replace, at).carried(change);
  if (then) return { then, conflict: false };
  if (change.from === change.to && change.insert.trim() === '') return { then: [], conflict: false };
  const typed = after(at, [change]).get(change.id);
  const holder = typed && holderOf(typed, new Map(replace.captions.map((c) => [c.id, c])));
  if (!typed || !holder) return { then: [], conflict: false };
  return { then: [{ type: 'keepVersion', id: holder.id, caption: withoutVersions(typed) }], conflict: true };
}

const crossedWith = (replace: Replace, then: readonly Single[], at: PartsState, conflict: boolean): Crossed => ({
  own: then,
  theirs: partsOf(withChanges(replace, then, at)),
  ...(conflict ? { conflict: true } : {}),
});

/** Own typing in a caption that others exchanged: it goes where its letters went; a conflict where they are nowhere. */
export const spliceOverReplace: Cross<Splice, Replace> = (own, theirs, at) => {
  if (!theirs.removed.includes(own.id)) return ownCannotBeMade(own, theirs, at);
  const { then, conflict } = splice(own, theirs, at);
  return crossedWith(theirs, then, at, conflict);
};
export const replaceOverSplice = swapped(spliceOverReplace);

/** A caption changed as a whole: the one that holds its letters changes alike, else its text goes where its letters went. */
export const wholeOverReplace: Cross<SetCaptions, Replace> = (own, theirs, at) => {
  const id = idOf(own);
  const base = at.get(id);
  if (!theirs.removed.includes(id) || !base) return ownCannotBeMade(own, theirs, at);
  const made = madeBy(own);
  const counterpart = after(at, [theirs]).get(mapOf(theirs, at).counterpart(id)?.id ?? '');
  if (counterpart) {
    const mine = mergedCaption(base, { ...made, id }, { ...counterpart, id });
    return crossedWith(theirs, [{ type: 'setCaptions', captions: [{ ...mine, id: counterpart.id }] }], at, false);
  }
  const old = new Set(base.versions);
  const versions = (made.versions ?? []).filter((v) => !old.has(v));
  const then: Single[] = versions.flatMap((caption) => {
    const version: EditOf<'keepVersion'> = { type: 'keepVersion', id, caption };
    return versionHolders(version, base, mapOf(theirs, at), theirs).flatMap((c) =>
      c ? [{ ...version, id: c.id }] : [],
    );
  });
  let [now, replace, conflict] = [at, withChanges(theirs, then, at), false];
  for (const change of splicesOf(difference(base.text, made.text), id, false)) {
    const next = splice(change, replace, now);
    replace = withChanges(replace, next.then, now);
    now = after(now, [change]);
    pushAll(then, next.then);
    conflict ||= next.conflict;
  }
  return { own: then, theirs: partsOf(replace), ...(conflict ? { conflict: true } : {}) };
};
export const replaceOverWhole = swapped(wholeOverReplace);

/** The same said of another caption; null where its text has no such places. */
function saidOf(attribute: Attribute, from: Caption, to: Caption): Attribute | null {
  const fits = from.text.length === to.text.length;
  switch (attribute.type) {
    case 'mark':
    case 'setSpeaker':
      return fits ? { ...attribute, id: to.id } : null;
    case 'setWords':
      return fits ? { ...attribute, captions: attribute.captions.map((c) => ({ ...c, id: to.id })) } : null;
    case 'retime':
      return { ...attribute, captions: attribute.captions.map((c) => ({ ...c, id: to.id })) };
    case 'proof':
      return { ...attribute, ids: [to.id] };
    case 'setTimes':
    case 'letBe':
    case 'setPlacement':
    case 'comeBack':
    case 'keepVersion':
      return { ...attribute, id: to.id };
  }
}

/** The new captions a version is kept with: one, but for a removal, which was of all the letters. */
function versionHolders(
  own: EditOf<'keepVersion'>,
  base: Caption,
  letters: LetterMap,
  replace: Replace,
): readonly (Caption | undefined)[] {
  const held = letters.holders(base.id);
  if (held.length === 0) return [holderOf(base, new Map(replace.captions.map((c) => [c.id, c])))];
  return own.caption === null ? held : held.slice(0, 1);
}

/** What is said of a caption is said of the one that holds its letters; where there is none it was about what is gone. */
export const attributeOverReplace: Cross<Attribute, Replace> = (own, theirs, at) => {
  const id = idOf(own);
  const base = at.get(id);
  if (!theirs.removed.includes(id) || !base) return ownCannotBeMade(own, theirs, at);
  const letters = mapOf(theirs, at);
  const to = own.type === 'keepVersion' ? versionHolders(own, base, letters, theirs) : [letters.counterpart(id)];
  return crossedWith(
    theirs,
    to.flatMap((c) => (c ? (saidOf(own, base, c) ?? []) : [])),
    at,
    false,
  );
};
export const replaceOverAttribute = swapped(attributeOverReplace);

const keepsLetters = (replace: Replace, at: PartsState): boolean =>
  lettersIn(replace.removed.flatMap((id) => at.get(id) ?? [])) === lettersIn(replace.captions);

/** Captions in conflict with others: each is shown with those of its time, and none without any. */
function inConflict(captions: readonly Caption[], others: readonly Caption[]): readonly Caption[] {
  const result = new Map(captions.map((c) => [c.id, c]));
  const put = (id: string, version: Caption): void => {
    const found = result.get(id);
    if (found) result.set(id, withVersion(found, withoutVersions(version)));
  };
  for (const other of others) {
    const holder = holderOf(other, new Map(captions.map((c) => [c.id, c])));
    if (holder) put(holder.id, other);
  }
  for (const c of captions) {
    const other = holderOf(c, new Map(others.map((o) => [o.id, o])));
    if (other && result.get(c.id) === c) put(c.id, other);
  }
  return captions.map((c) => result.get(c.id) ?? c);
}

/**
 * Two exchanges of one caption. One that only lays the same letters out otherwise gives way to one that
 * writes something else; of two that lay out, the first in the log stands. Two that write are a conflict:
 * the own captions stand, and those that only theirs exchanged are back, with what theirs wrote beside them.
 */
export const replaceOverReplace: Cross<Replace, Replace> = (own, theirs, at) => {
  if (keepsLetters(own, at)) return leadingTo(own, theirs, at, []);
  if (keepsLetters(theirs, at)) return { own: between(after(at, [theirs]), after(at, [own])), theirs: [] };
  const back = theirs.removed.filter((id) => !own.removed.includes(id)).flatMap((id) => at.get(id) ?? []);
  const then: Replace = {
    type: 'replace',
    removed: [...own.removed.filter((id) => !theirs.removed.includes(id)), ...theirs.captions.map((c) => c.id)],
    captions: inConflict([...own.captions, ...back], theirs.captions),
  };
  return leadingTo(own, theirs, at, [then], true);
};

/** A split of what is exchanged is part of what goes. */
export const splitOverReplace: Cross<EditOf<'split'>, Replace> = (own, theirs, at) =>
  theirs.removed.includes(own.id)
    ? { own: [], theirs: [{ ...theirs, removed: [...theirs.removed, own.newId] }] }
    : ownCannotBeMade(own, theirs, at);
export const replaceOverSplit = swapped(splitOverReplace);

/** A join inside what is exchanged is part of what goes; one across its edge cannot be made. */
export const joinOverReplace: Cross<EditOf<'join'>, Replace> = (own, theirs, at) => {
  const [first, second] = [theirs.removed.includes(own.id), theirs.removed.includes(own.next)];
  if (first && second)
    return { own: [], theirs: [{ ...theirs, removed: theirs.removed.filter((id) => id !== own.next) }] };
  return { own: [], theirs: between(after(at, [own]), after(at, [theirs])) };
};
export const replaceOverJoin = swapped(joinOverReplace);

/**
 * A caption that is removed while it is exchanged: its letters go from the new captions too. Where those
 * say something else instead, that is a conflict: they stand, with the removal as the other version.
 */
export const removeOverReplace: Cross<EditOf<'remove'>, Replace> = (own, theirs, at) => {
  const id = own.ids[0] ?? '';
  const base = at.get(id);
  if (!theirs.removed.includes(id) || !base) return ownCannotBeMade(own, theirs, at);
  const letters = mapOf(theirs, at);
  const cut = letters.carried({ type: 'splice', id, from: 0, to: base.text.length, insert: '' });
  if (!cut) {
    const removal: EditOf<'keepVersion'> = { type: 'keepVersion', id, caption: null };
    const then = versionHolders(removal, base, letters, theirs).flatMap((c) => (c ? [{ ...removal, id: c.id }] : []));
    const rest = { ...withChanges(theirs, then, at), removed: theirs.removed.filter((r) => r !== id) };
    return { own: then, theirs: partsOf(rest), conflict: true };
  }
  const made = after(at, [theirs, ...cut]);
  // One that is in conflict stays, with nothing in it: somebody has to choose.
  const emptied = theirs.captions.filter((c) => {
    const now = made.get(c.id);
    return c.text.trim() !== '' && now?.text.trim() === '' && !now.versions;
  });
  const trimmed = cut.flatMap((c) => tidied(made.get(c.id)));
  const then: Single[] = [...cut, ...trimmed, ...emptied.map((c): Single => ({ type: 'remove', ids: [c.id] }))];
  const rest = { ...withChanges(theirs, then, at), removed: theirs.removed.filter((r) => r !== id) };
  return { own: then, theirs: partsOf(rest) };
};
export const replaceOverRemove = swapped(removeOverReplace);

/** White space left at the ends of a caption that lost words there. */
function tidied(c: Caption | undefined): Single[] {
  const text = c?.text ?? '';
  const trimmed = text.trim();
  if (!c || trimmed === text || trimmed === '') return [];
  const from = text.indexOf(trimmed);
  const changes = [
    { from: 0, to: from, insert: '' },
    { from: from + trimmed.length, to: text.length, insert: '' },
  ];
  return splicesOf(changeSet(changes, text.length), c.id, false);
}
