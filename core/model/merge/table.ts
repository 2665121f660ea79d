/**
 * What becomes of two edits that were made on the same captions at the same moment.
 *
 * One of them, `theirs`, is in the log already; the other, `own`, goes in behind it. For every pair of
 * kinds this table says what the own one becomes there, and what theirs becomes for whoever has made
 * the own one already, so that both ways lead to the same captions. A missing pair is a type error.
 *
 * The rules, over all of it:
 * - Text is carried by change sets. What both put in at one place stands theirs first; letters typed
 *   into what the other side deletes stay.
 * - Times, marks, let-bes, proofs and the like say something of a caption. Two of them on different
 *   things do not meet; of two on the same thing the own one, later in the log, stands.
 * - Nobody has heard both a new text and an agreement with the old one: proofing against typing cannot be made.
 * - A split against typing at the split point: what was typed there belongs to the first part.
 * - A split and a split at one place are one; the later part goes by the id theirs gave it.
 * - A join against the removal of either part: the join cannot be made, the other part is as it was.
 * - A replace against anything inside: typing goes where its letters went, what was said of a caption
 *   goes to the one that holds its letters, splits and joins are part of what goes, and a removal takes
 *   its letters along. Where the new captions hold other words, what was typed is kept as a version.
 * - A removal against writing in the same caption is a conflict: the caption stands with what was
 *   written, and its removal is kept as the other version. A removal against anything else stands.
 * - Choosing a version against a change of the caption: the change is kept, and can be chosen between.
 *
 * Invariants, tried by the property tests: the captions' text and ids are the same both ways; nothing
 * that somebody typed and left is missing from the captions or their versions; nothing deleted comes
 * back; what nobody disagreed about is there once.
 */
import {
  letBeOverLetBe,
  markOverMark,
  retimeOverRetime,
  retimeOverWords,
  timesOverRetime,
  versionOverVersion,
  wordsOverRetime,
} from './attributes.ts';
import {
  attributeOverSplice,
  attributeOverWhole,
  spliceOverAttribute,
  spliceOverSplice,
  spliceOverWhole,
  wholeOverAttribute,
  wholeOverSplice,
  wholeOverWhole,
} from './captions.ts';
import { changeOverChoice, choiceOverChange, choiceOverStructure, structureOverChoice } from './choice.ts';
import { apart, ownCannotBeMade, ownReplacesTheirs, type Cross } from './cross.ts';
import {
  attributeOverReplace,
  joinOverReplace,
  removeOverReplace,
  replaceOverAttribute,
  replaceOverJoin,
  replaceOverRemove,
  replaceOverReplace,
  replaceOverSplice,
  replaceOverSplit,
  replaceOverWhole,
  spliceOverReplace,
  splitOverReplace,
  wholeOverReplace,
} from './exchange.ts';
import type { Kind, Parts } from './parts.ts';
import { overRename } from './rename.ts';
import {
  attributeOverJoin,
  attributeOverSplit,
  changeOverRemove,
  insertOverInsert,
  joinOverAttribute,
  joinOverJoin,
  joinOverRemove,
  joinOverSplice,
  joinOverSplit,
  joinOverVersion,
  removeOverChange,
  removeOverJoin,
  removeOverSplit,
  spliceOverJoin,
  spliceOverSplit,
  splitOverAttribute,
  splitOverJoin,
  splitOverRemove,
  splitOverSplice,
  splitOverSplit,
  splitOverVersion,
  versionOverJoin,
  versionOverSplit,
} from './structure.ts';

/** What an own edit is, in parts. */
export type OwnKind = Exclude<Kind, 'rename'>;
/** What an own edit of one kind becomes over each kind of theirs. */
type TransformRow<O extends OwnKind> = { readonly [T in Kind]: Cross<Parts[O], Parts[T]> };
type Table = { readonly [O in OwnKind]: TransformRow<O> };

const attributes = [
  'setTimes',
  'retime',
  'mark',
  'letBe',
  'proof',
  'setWords',
  'setSpeaker',
  'setPlacement',
  'comeBack',
  'keepVersion',
] as const;
type AttributeKind = (typeof attributes)[number];

/** One way for all that is said of a caption. */
const each = <C>(cross: C): Readonly<Record<AttributeKind, C>> =>
  Object.fromEntries(attributes.map((kind) => [kind, cross])) as Readonly<Record<AttributeKind, C>>;

/** What is said of a caption, over everything; pairs on the same thing are added by each. */
const attribute = {
  ...each(apart),
  splice: attributeOverSplice,
  setCaptions: attributeOverWhole,
  split: attributeOverSplit,
  join: attributeOverJoin,
  insert: ownCannotBeMade,
  remove: changeOverRemove,
  replace: attributeOverReplace,
  chooseVersion: changeOverChoice,
  rename: overRename,
};

export const table: Table = {
  setTimes: { ...attribute, setTimes: ownReplacesTheirs, retime: timesOverRetime },
  retime: { ...attribute, setTimes: ownReplacesTheirs, retime: retimeOverRetime, setWords: retimeOverWords },
  mark: { ...attribute, mark: markOverMark },
  letBe: { ...attribute, letBe: letBeOverLetBe },
  proof: { ...attribute, proof: ownReplacesTheirs },
  setWords: { ...attribute, setWords: ownReplacesTheirs, retime: wordsOverRetime },
  setSpeaker: { ...attribute, setSpeaker: ownReplacesTheirs },
  setPlacement: { ...attribute, setPlacement: ownReplacesTheirs },
  comeBack: { ...attribute, comeBack: ownReplacesTheirs },
  keepVersion: { ...attribute, keepVersion: versionOverVersion, split: versionOverSplit, join: versionOverJoin },
  splice: {
    ...each(spliceOverAttribute),
    splice: spliceOverSplice,
    setCaptions: spliceOverWhole,
    split: spliceOverSplit,
    join: spliceOverJoin,
    insert: ownCannotBeMade,
    remove: changeOverRemove,
    replace: spliceOverReplace,
    chooseVersion: changeOverChoice,
    rename: overRename,
  },
  setCaptions: {
    ...each(wholeOverAttribute),
    splice: wholeOverSplice,
    setCaptions: wholeOverWhole,
    split: attributeOverSplit,
    join: attributeOverJoin,
    insert: ownCannotBeMade,
    remove: changeOverRemove,
    replace: wholeOverReplace,
    chooseVersion: changeOverChoice,
    rename: overRename,
  },
  split: {
    ...each(splitOverAttribute),
    keepVersion: splitOverVersion,
    splice: splitOverSplice,
    setCaptions: splitOverAttribute,
    split: splitOverSplit,
    join: splitOverJoin,
    insert: ownCannotBeMade,
    remove: splitOverRemove,
    replace: splitOverReplace,
    chooseVersion: structureOverChoice,
    rename: overRename,
  },
  join: {
    ...each(joinOverAttribute),
    keepVersion: joinOverVersion,
    splice: joinOverSplice,
    setCaptions: joinOverAttribute,
    split: joinOverSplit,
    join: joinOverJoin,
    insert: ownCannotBeMade,
    remove: joinOverRemove,
    replace: joinOverReplace,
    chooseVersion: structureOverChoice,
    rename: overRename,
  },
  insert: {
    ...each(ownCannotBeMade),
    splice: ownCannotBeMade,
    setCaptions: ownCannotBeMade,
    split: ownCannotBeMade,
    join: ownCannotBeMade,
    insert: insertOverInsert,
    remove: ownCannotBeMade,
    replace: ownCannotBeMade,
    chooseVersion: ownCannotBeMade,
    rename: overRename,
  },
  remove: {
    ...each(removeOverChange),
    splice: removeOverChange,
    setCaptions: removeOverChange,
    split: removeOverSplit,
    join: removeOverJoin,
    insert: ownCannotBeMade,
    remove: () => ({ own: [], theirs: [] }),
    replace: removeOverReplace,
    chooseVersion: structureOverChoice,
    rename: overRename,
  },
  replace: {
    ...each(replaceOverAttribute),
    splice: replaceOverSplice,
    setCaptions: replaceOverWhole,
    split: replaceOverSplit,
    join: replaceOverJoin,
    insert: ownCannotBeMade,
    remove: replaceOverRemove,
    replace: replaceOverReplace,
    chooseVersion: structureOverChoice,
    rename: overRename,
  },
  chooseVersion: {
    ...each(choiceOverChange),
    splice: choiceOverChange,
    setCaptions: choiceOverChange,
    split: choiceOverStructure,
    join: choiceOverStructure,
    insert: ownCannotBeMade,
    remove: choiceOverStructure,
    replace: choiceOverStructure,
    chooseVersion: choiceOverStructure,
    rename: overRename,
  },
};
