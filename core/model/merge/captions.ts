/** Changes of one caption as a whole that meet changes of its parts. */
import { withVersions, type Caption } from '../caption.ts';
import { isSameJson } from '../../text/json.ts';
import { fieldGroups, fieldsOf, type CarriedField } from '../carried.ts';
import { withVersion } from '../effects.ts';
import type { EditOf, Single, Splice, SetCaptions } from '../edits.ts';
import { spliceText, type Ranged } from '../ranges.ts';
import type { Cross } from './cross.ts';
import { after, type PartsState } from './parts.ts';
import { changeSet, textChangesOf, crossed, difference, splicesOf } from '../text-changes.ts';
import type { ChangeSet } from '@codemirror/state';

/** Edits of one caption that change none of its text. */
export type Attribute = EditOf<
  | 'setTimes'
  | 'retime'
  | 'mark'
  | 'letBe'
  | 'proof'
  | 'setWords'
  | 'setSpeaker'
  | 'setPlacement'
  | 'comeBack'
  | 'keepVersion'
>;

/** The caption an edit of one caption is about. */
export function idOf(part: Attribute | SetCaptions | Splice): string {
  const id = 'captions' in part ? part.captions[0]?.id : 'ids' in part ? part.ids[0] : part.id;
  return id ?? '';
}

/** What an attribute is kept in. */
const fields: Readonly<Record<Attribute['type'], readonly (keyof Caption)[]>> = {
  setTimes: ['start', 'end', 'timing'],
  retime: ['start', 'end', 'timing'],
  mark: ['marks'],
  letBe: ['letBe'],
  proof: ['proofed'],
  setWords: ['words'],
  setSpeaker: ['speakers'],
  setPlacement: ['placement'],
  comeBack: ['comeBack'],
  keepVersion: [],
};

const withText = <T extends Ranged>(of: T, set: ChangeSet): T =>
  textChangesOf(set).reduce((now, c) => spliceText(now, c.from, c.to, c.insert), of);

const baseOf = (at: PartsState, id: string, or: Caption): Caption => at.get(id) ?? or;

/** The caption a whole change makes of one; the part has just one. */
export function madeBy(whole: SetCaptions): Caption {
  const [made] = whole.captions;
  if (!made) throw new RangeError('A change of a caption has a caption.');
  return made;
}

const wholeOf = (c: Caption): SetCaptions => ({ type: 'setCaptions', captions: [c] });

/** A caption as a whole change, with more changes made on it. */
const changedBy = (made: Caption, then: readonly Single[]): SetCaptions =>
  wholeOf(after(new Map([[made.id, made]]), then).get(made.id) ?? made);

/** What is said of a caption, carried over a change of its text. */
function carried(attribute: Attribute, set: ChangeSet, at: PartsState): readonly Attribute[] {
  const id = idOf(attribute);
  const base = at.get(id);
  let now: readonly Attribute[] = [attribute];
  if (!base || set.empty) return now;
  let captions: PartsState = new Map([[id, base]]);
  for (const splice of splicesOf(set, id, false)) {
    const from = captions;
    now = now.flatMap((a) => overSplice(a, splice, from));
    captions = after(captions, [splice]);
  }
  return now;
}

/** What is said of a caption after characters of it have changed: along with its text, or not at all. */
function overSplice(attribute: Attribute, splice: Splice, at: PartsState): readonly Attribute[] {
  const base = at.get(splice.id);
  if (!base) return [];
  const follow = (of: Partial<Ranged>): Ranged =>
    spliceText({ text: base.text, marks: [], speakers: [], words: [], ...of }, splice.from, splice.to, splice.insert);
  switch (attribute.type) {
    case 'mark': {
      const { from, to, kind, value } = attribute;
      return follow({ marks: [{ from, to, kind, value }] }).marks.map((m) => ({
        ...attribute,
        from: m.from,
        to: m.to,
      }));
    }
    case 'setWords':
      return attribute.captions.map(({ id, words }) => ({
        type: 'setWords',
        captions: [{ id, words: follow({ words }).words }],
      }));
    case 'setSpeaker':
      return [{ ...attribute, speakers: follow({ speakers: attribute.speakers }).speakers }];
    case 'proof':
      // Nobody has heard both the new text and this agreement.
      return splice.keeps || !attribute.proofed ? [attribute] : [];
    case 'setTimes':
    case 'retime':
    case 'letBe':
    case 'setPlacement':
    case 'comeBack':
    case 'keepVersion':
      return [attribute];
  }
}

/** Own typing over what theirs say of the caption, and the other way round. */
export const spliceOverAttribute: Cross<Splice, Attribute> = (own, theirs, at) => ({
  own: [own],
  theirs: overSplice(theirs, own, at),
});
/** What the own says of a caption over others’ typing in it: marks and words move along with their text. */
export const attributeOverSplice: Cross<Attribute, Splice> = (own, theirs, at) => ({
  own: overSplice(own, theirs, at),
  theirs: [theirs],
});

/** Typing in one text by both: each finds its place after the other’s, theirs first where both put something in one place. */
export const spliceOverSplice: Cross<Splice, Splice> = (own, theirs, at) => {
  const length = at.get(own.id)?.text.length ?? 0;
  const sets = crossed(changeSet(own, length), changeSet(theirs, length));
  return {
    own: splicesOf(sets.own, own.id, own.keeps === true),
    theirs: splicesOf(sets.theirs, own.id, theirs.keeps === true),
  };
};

/** Own typing into a caption that others changed as a whole: where its place is in the text as theirs have it. */
export const spliceOverWhole: Cross<Splice, SetCaptions> = (own, theirs, at) => {
  const made = madeBy(theirs);
  const base = baseOf(at, own.id, made);
  const set = changeSet(own, base.text.length).map(difference(base.text, made.text));
  const then = splicesOf(set, own.id, own.keeps === true);
  return { own: then, theirs: [changedBy(made, then)] };
};

/** The own change of a whole caption keeps what others typed into it meanwhile. */
export const wholeOverSplice: Cross<SetCaptions, Splice> = (own, theirs, at) => {
  const made = madeBy(own);
  const base = baseOf(at, made.id, made);
  const set = changeSet(theirs, base.text.length).map(difference(base.text, made.text), true);
  const then = splicesOf(set, made.id, theirs.keeps === true);
  return { own: [changedBy(made, then)], theirs: then };
};

/** What the own says of a caption holds beside others’ change of the whole of it. */
export const attributeOverWhole: Cross<Attribute, SetCaptions> = (own, theirs, at) => {
  const made = madeBy(theirs);
  const base = baseOf(at, made.id, made);
  const then = carried(own, difference(base.text, made.text), at);
  return { own: then, theirs: [changedBy(made, then)] };
};

/** The own change of a whole caption keeps what others said of it, but for fields that both changed: there it is the own. */
export const wholeOverAttribute: Cross<SetCaptions, Attribute> = (own, theirs, at) => {
  const made = madeBy(own);
  const base = baseOf(at, made.id, made);
  const set = difference(base.text, made.text);
  const followed = withText(base, set);
  const saysOtherwise = fields[theirs.type].some((f) => !isSameJson(followed[f], made[f]));
  const then = saysOtherwise ? [] : carried(theirs, set, at);
  return { own: [changedBy(made, then)], theirs: then };
};

/** Two changes of one caption as one: text of both, and of what else there is what either changed, the own where both did. */
export function mergedCaption(base: Caption, own: Caption, theirs: Caption): Caption {
  const [mine, others] = [difference(base.text, own.text), difference(base.text, theirs.text)];
  const sets = crossed(mine, others);
  const result = withText(theirs, sets.own);
  const followed = withText(base, mine);
  const changed = (field: CarriedField): boolean => !isSameJson(followed[field], own[field]);
  const overTheirs = withText(own, sets.theirs);
  // The text is both sides' already.
  const changedHere = fieldGroups.flatMap((group) => (!group.includes('text') && group.some(changed) ? group : []));
  const merged: Caption = { ...result, ...fieldsOf(overTheirs, changedHere) };
  const old = base.versions ?? [];
  const left = (merged.versions ?? []).filter((v) => !old.includes(v) || own.versions?.includes(v));
  return (own.versions ?? []).filter((v) => !old.includes(v)).reduce(withVersion, withVersions(merged, left));
}

/** Two changes of a whole caption become one, the same on both sides (`mergedCaption`). */
export const wholeOverWhole: Cross<SetCaptions, SetCaptions> = (own, theirs, at) => {
  const [mine, others] = [madeBy(own), madeBy(theirs)];
  const merged: readonly Single[] = [wholeOf(mergedCaption(baseOf(at, mine.id, mine), mine, others))];
  return { own: merged, theirs: merged };
};
