/**
 * What a caption carries, listed once. Splitting, joining, laying out again, merging and comparing go over
 * these lists; the types here, in `decode.ts`, in the losses of formats and in `arbitrary.ts` ask for each
 * field by name, so that one added to `Caption` is forgotten nowhere.
 */
import { isSameJson } from '../text/json.ts';
import type { Caption, Foreign } from './caption.ts';
import { longestNote } from './edits.ts';
import type { Ranged } from './ranges.ts';

/** All a caption has but its id, and the versions of it that are in conflict. */
export type CarriedField = Exclude<keyof Caption, 'id' | 'versions'>;

/** Its text and what hangs on it: `ranges.ts` cuts, joins and moves these. */
const hangsOnText: Readonly<Record<keyof Ranged, true>> = { text: true, marks: true, speakers: true, words: true };

/** When it is on screen: set together, by whoever cuts, joins or moves it. */
const times = ['start', 'end', 'timing'] as const satisfies readonly CarriedField[];

/** What is said of a caption as a whole. */
export type WholeField = Exclude<CarriedField, keyof Ranged | (typeof times)[number]>;
export type WholeFields = Pick<Caption, WholeField>;

/** What becomes of a field when its caption becomes two, or two become one. */
interface WholeRule<T> {
  /** For the two halves of a caption that is split. */
  readonly split: (value: T) => readonly [first: T, second: T];
  /** For one caption made of two. */
  readonly join: (first: T, second: T) => T;
  /** For captions made of the words of one: the first of them, and the others. */
  readonly laidOut: (value: T) => readonly [first: T, rest: T];
}

const inBoth = <T>(value: T): readonly [T, T] => [value, value];
const ofFirst = <T>(first: T): T => first;

/** What both halves of a caption carry: an identifier and the comments before it stay with the first. */
function sharedForeign(foreign: Foreign | null): Foreign | null {
  if (!foreign) return null;
  const { vttId: _id, vttNotes: _notes, ...both } = foreign;
  return Object.keys(both).length > 0 ? both : null;
}

/** What was to be come back to for either half. */
const notesJoined = (first: string | null, second: string | null): string | null =>
  first === null || second === null
    ? (first ?? second)
    : [first, second]
        .filter((note) => note !== '')
        .join('; ')
        .slice(0, longestNote);

const wholeRules: { readonly [K in WholeField]: WholeRule<WholeFields[K]> } = {
  placement: { split: inBoth, join: ofFirst, laidOut: inBoth },
  // Nobody has heard what it has become.
  proofed: { split: () => [false, false], join: () => false, laidOut: () => [false, false] },
  comeBack: {
    split: (note) => [note, null],
    join: (first, second) => notesJoined(first, second),
    laidOut: (note) => [note, null],
  },
  letBe: { split: inBoth, join: ofFirst, laidOut: () => [[], []] },
  foreign: {
    split: (foreign) => [foreign, sharedForeign(foreign)],
    join: ofFirst,
    laidOut: (foreign) => [foreign, null],
  },
};

export const wholeFields = Object.keys(wholeRules) as readonly WholeField[];
const textFields = Object.keys(hangsOnText) as readonly (keyof Ranged)[];

/** Every field there is, those that go together as one. */
export const fieldGroups: readonly (readonly CarriedField[])[] = [
  times,
  ...textFields.map((field) => [field]),
  ...wholeFields.map((field) => [field]),
];

/**
 * What a rule makes of each field that is said of a caption as a whole. Written out, so that all captions made of others
 * are alike to the engine: put together key by key, laying out 20,000 of them took a sixth longer.
 */
const eachWhole = (of: <K extends WholeField>(field: K) => WholeFields[K]): WholeFields => ({
  placement: of('placement'),
  proofed: of('proofed'),
  comeBack: of('comeBack'),
  letBe: of('letBe'),
  foreign: of('foreign'),
});

/** What is said of a caption as a whole, for one of its halves. */
export const splitWhole = (caption: WholeFields, half: 0 | 1): WholeFields =>
  eachWhole((field) => wholeRules[field].split(caption[field])[half]);

/** What is said of two captions as a whole, for the one they become. */
export const joinWhole = (first: WholeFields, second: WholeFields): WholeFields =>
  eachWhole((field) => wholeRules[field].join(first[field], second[field]));

/** What is said of a caption as a whole, for those its words were laid out in again. @param isFirst of them */
export const laidOutWhole = (caption: WholeFields, isFirst: boolean): WholeFields =>
  eachWhole((field) => wholeRules[field].laidOut(caption[field])[isFirst ? 0 : 1]);

/** Some fields of a caption. */
export const fieldsOf = (caption: Caption, fields: readonly CarriedField[]): Partial<Caption> =>
  Object.fromEntries(fields.map((field) => [field, caption[field]]));

const carriedFields = fieldGroups.flat();

/** Whether two captions carry the same. @param but fields that are not looked at */
export const carriesSame = (a: Caption, b: Caption, but: readonly CarriedField[] = []): boolean =>
  a === b || carriedFields.every((field) => but.includes(field) || isSameJson(a[field], b[field]));
