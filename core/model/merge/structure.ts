/** Captions that are split, joined and removed while others work on them. */
import { withoutVersions, type Caption, type Version } from '../caption.ts';
import type { EditOf, Single, Splice, SetCaptions } from '../edits.ts';
import { idOf, madeBy, type Attribute } from './captions.ts';
import { leadingTo, swapped, type Cross, type Crossed } from './cross.ts';
import { lettersIn } from '../letters.ts';
import { after, between, type PartsState } from './parts.ts';
import { adds, changeSet, difference, splicesOf } from '../text-changes.ts';

type Split = EditOf<'split'>;
type Join = EditOf<'join'>;
type Remove = EditOf<'remove'>;

const textOf = (at: PartsState, id: string): string => at.get(id)?.text ?? '';

/** Typing against a split: each part has what was typed in it; what was typed at the split is in the first. */
export const spliceOverSplit: Cross<Splice, Split> = (own, theirs, at) => {
  const split: Split = { ...theirs, at: changeSet(own, textOf(at, own.id).length).mapPos(theirs.at, 1) };
  const [apart, both] = [after(at, [theirs]), after(at, [own, split])];
  const then = [theirs.id, theirs.newId].flatMap((id) =>
    splicesOf(difference(textOf(apart, id), textOf(both, id)), id, own.keeps === true),
  );
  return { own: then, theirs: [split] };
};
export const splitOverSplice = swapped(spliceOverSplit);

/** Typing against a join: the second part’s text lies behind the first’s. */
export const spliceOverJoin: Cross<Splice, Join> = (own, theirs, at) => {
  const by = own.id === theirs.id ? 0 : textOf(at, theirs.id).length + theirs.between.length;
  return { own: [{ ...own, id: theirs.id, from: own.from + by, to: own.to + by }], theirs: [theirs] };
};
export const joinOverSplice = swapped(spliceOverJoin);

/** A moment inside a caption whose times have changed: along with a shift, else as near as it can be. */
function movedWith(before: Caption, now: Caption, ms: number): number {
  const by = now.start - before.start;
  return by === now.end - before.end ? Math.max(0, ms + by) : Math.min(now.end, Math.max(now.start, ms));
}

/** A split after its caption has changed otherwise. */
function splitAfter(split: Split, change: Attribute | SetCaptions, at: PartsState): Split {
  const [before, now] = [at.get(split.id), after(at, [change]).get(split.id)];
  if (!before || !now) return split;
  return {
    ...split,
    at: difference(before.text, now.text).mapPos(split.at, 1),
    end: movedWith(before, now, split.end),
    start: movedWith(before, now, split.start),
  };
}

/** What is said of a caption against its split: each part gets what it would have had. */
export const attributeOverSplit: Cross<Attribute | SetCaptions, Split> = (own, theirs, at) => {
  const split = splitAfter(theirs, own, at);
  return { own: between(after(at, [theirs]), after(at, [own, split])), theirs: [split] };
};
export const splitOverAttribute = swapped(attributeOverSplit);

/** A version against a split of its caption stays with the first part; a removal was of both. */
export const versionOverSplit: Cross<EditOf<'keepVersion'>, Split> = (own, theirs) => ({
  own: own.caption === null ? [own, { ...own, id: theirs.newId }] : [own],
  theirs: [theirs],
});
export const splitOverVersion = swapped(versionOverSplit);

/** What is said of a caption against its join: the joined one gets what it would have had. */
export const attributeOverJoin: Cross<Attribute | SetCaptions, Join> = (own, theirs, at) => ({
  own: between(after(at, [theirs]), after(at, [own, theirs])),
  theirs: [theirs],
});
export const joinOverAttribute = swapped(attributeOverJoin);

/** A version against a join goes with the joined caption. */
export const versionOverJoin: Cross<EditOf<'keepVersion'>, Join> = (own, theirs) => ({
  own: [{ ...own, id: theirs.id }],
  theirs: [theirs],
});
export const joinOverVersion = swapped(versionOverJoin);

/** Where the text of the first part of a split ends, and where that of the second begins. */
function gapAt(text: string, at: number): { readonly head: number; readonly tail: number } {
  const head = text.slice(0, at).trimEnd().length;
  return { head, tail: Math.max(head, text.length - text.slice(at).trimStart().length) };
}

/** A caption split twice: at one place they agree, and the later part goes by the id of the first in the log. */
export const splitOverSplit: Cross<Split, Split> = (own, theirs, at) => {
  const text = textOf(at, own.id);
  const [mine, others] = [gapAt(text, own.at), gapAt(text, theirs.at)];
  if (mine.head === others.head) {
    const rename = { type: 'rename', id: own.newId, to: theirs.newId } as const;
    const renamed = after(at, [own, rename]);
    return { own: [], theirs: [rename, ...between(renamed, after(at, [theirs]))] };
  }
  const inside = (part: Caption | undefined, split: Split): Pick<Split, 'start' | 'end'> => {
    const within = (ms: number): number => Math.max(part?.start ?? 0, Math.min(ms, part?.end ?? ms));
    return { end: within(split.end), start: within(split.start) };
  };
  const second = (earlier: Split, tail: number, later: Split): Split => ({
    ...later,
    id: earlier.newId,
    at: later.at - tail,
    ...inside(after(at, [earlier]).get(earlier.newId), later),
  });
  const first = (later: Split, earlier: Split): Split => ({
    ...earlier,
    ...inside(after(at, [later]).get(later.id), earlier),
  });
  const then =
    mine.head > others.head
      ? { own: second(theirs, others.tail, own), theirs: first(own, theirs) }
      : { own: first(theirs, own), theirs: second(own, mine.tail, theirs) };
  return leadingTo(own, theirs, at, [then.own]).theirs.length === 0
    ? { own: [then.own], theirs: [] }
    : { own: [then.own], theirs: [then.theirs] };
};

/** A split against a join: the caption behind the split is joined, or the joined one split where it was. */
export const splitOverJoin: Cross<Split, Join> = (own, theirs, at) => {
  if (own.id === theirs.id) return { own: [own], theirs: [{ ...theirs, id: own.newId }] };
  const by = textOf(at, theirs.id).length + theirs.between.length;
  return { own: [{ ...own, id: theirs.id, at: own.at + by }], theirs: [theirs] };
};
export const joinOverSplit = swapped(splitOverJoin);

/** Two joins: in a row they both stand; the same one is made once; of what cannot be, the first in the log stands. */
export const joinOverJoin: Cross<Join, Join> = (own, theirs, at) => {
  if (own.id === theirs.next && own.next !== theirs.id) return { own: [{ ...own, id: theirs.id }], theirs: [theirs] };
  if (own.next === theirs.id && own.id !== theirs.next) return { own: [own], theirs: [{ ...theirs, id: own.id }] };
  return leadingTo(own, theirs, at, []);
};

const withoutOne = (id: string): Remove => ({ type: 'remove', ids: [id] });

/** Removing a caption that is split: both parts go. */
export const removeOverSplit: Cross<Remove, Split> = (own, theirs) => ({
  own: [...own.ids.map(withoutOne), withoutOne(theirs.newId)],
  theirs: [],
});
export const splitOverRemove = swapped(removeOverSplit);

/** Removing a part of a join: the join cannot be made, and the other part is as it was. */
export const removeOverJoin: Cross<Remove, Join> = (own, theirs, at) => ({
  own: between(after(at, [theirs]), after(at, [own])),
  theirs: [],
});
export const joinOverRemove = swapped(removeOverJoin);

/** Whether a change puts text into its caption that whoever removes that caption has not seen. */
function writes(change: Attribute | SetCaptions | Splice, at: PartsState): boolean {
  if (change.type === 'splice') return change.insert.trim() !== '';
  if (change.type === 'keepVersion') return true;
  if (change.type !== 'setCaptions') return false;
  const base = at.get(idOf(change));
  return (
    adds(difference(base?.text ?? '', madeBy(change).text)) ||
    (madeBy(change).versions ?? []).some((v) => !base?.versions?.includes(v))
  );
}

/** Removing a caption somebody writes in: it stays, with its removal as the other version. */
export const removeOverChange: Cross<Remove, Attribute | SetCaptions | Splice> = (own, theirs, at): Crossed =>
  writes(theirs, at)
    ? leadingTo(own, theirs, at, [{ type: 'keepVersion', id: idOf(theirs), caption: null }], true)
    : { own: [own], theirs: [] };

/** Writing in a caption somebody removes: it comes back, with its removal as the other version. */
export const changeOverRemove: Cross<Attribute | SetCaptions | Splice, Remove> = (own, theirs, at): Crossed => {
  if (!writes(own, at)) return { own: [], theirs: [theirs] };
  const removal: Single = { type: 'keepVersion', id: idOf(own), caption: null };
  const back = after(at, [own, removal]).get(idOf(own));
  if (!back) return { own: [], theirs: [theirs] };
  return { own: [{ type: 'insert', captions: [back] }], theirs: [removal], conflict: true };
};

/** The same caption made twice, as when both bring back what was removed: what differs is kept as versions. */
export const insertOverInsert: Cross<EditOf<'insert'>, EditOf<'insert'>> = (own, theirs, at) => {
  const [mine, others] = [own.captions[0], theirs.captions[0]];
  if (!mine || !others) return { own: [], theirs: [] };
  const versions: readonly Version[] = [
    ...(lettersIn([mine]) === lettersIn([others]) ? [] : [withoutVersions(mine)]),
    ...(mine.versions ?? []).filter((v) => v !== null || !others.versions?.includes(null)),
  ];
  return leadingTo(
    own,
    theirs,
    at,
    versions.map((caption) => ({ type: 'keepVersion', id: others.id, caption })),
    versions.length > 0,
  );
};
