/** What both sides say of one caption at the same moment: times, marks, words. */
import { movedWords } from '../effects.ts';
import type { EditOf } from '../edits.ts';
import { overlaps } from '../../text/text-range.ts';
import { leadingTo, type Cross } from './cross.ts';
import { after } from './parts.ts';

type MarkEdit = EditOf<'mark'>;
type Retime = EditOf<'retime'>;
type SetTimes = EditOf<'setTimes'>;
type SetWords = EditOf<'setWords'>;

/** Marks of one kind: theirs are left where the own one does not reach. */
export const markOverMark: Cross<MarkEdit, MarkEdit> = (own, theirs) => {
  if (own.kind !== theirs.kind || !overlaps(own, theirs)) return { own: [own], theirs: [theirs] };
  const rest = [
    { ...theirs, to: Math.min(theirs.to, own.from) },
    { ...theirs, from: Math.max(theirs.from, own.to) },
  ];
  return { own: [own], theirs: rest.filter((m) => m.to > m.from) };
};

/** A finding is let be for one rule at a time. */
export const letBeOverLetBe: Cross<EditOf<'letBe'>, EditOf<'letBe'>> = (own, theirs) => ({
  own: [own],
  theirs: own.rule === theirs.rule ? [] : [theirs],
});

/** Versions of the same caption take each other's place as their letters tell; others stand side by side. */
export const versionOverVersion: Cross<EditOf<'keepVersion'>, EditOf<'keepVersion'>> = (own, theirs, at) =>
  own.caption?.id === theirs.caption?.id ? leadingTo(own, theirs, at, [own]) : { own: [own], theirs: [theirs] };

/** The own times stand; the words keep what theirs moved them by. */
export const timesOverRetime: Cross<SetTimes, Retime> = (own, theirs) => ({
  own: [own],
  theirs: [
    { ...theirs, captions: theirs.captions.map((c) => ({ ...c, start: own.start, end: own.end, timing: 'set' })) },
  ],
});

/** The own times and pieces stand: words moved twice would be where nobody put them. */
export const retimeOverRetime: Cross<Retime, Retime> = (own, theirs, at) => {
  if (JSON.stringify(own) === JSON.stringify(theirs)) return { own: [], theirs: [] };
  const made = after(at, [own]);
  return {
    own: [
      { ...own, pieces: [] },
      { type: 'setWords', captions: own.captions.map(({ id }) => ({ id, words: made.get(id)?.words ?? [] })) },
    ],
    theirs: [],
  };
};

const moved = (words: SetWords, { pieces }: Retime): SetWords => ({
  ...words,
  captions: words.captions.map((c) => ({ ...c, words: movedWords(c.words, pieces) })),
});

/** Own words were heard before others moved the times: they move along. */
export const wordsOverRetime: Cross<SetWords, Retime> = (own, theirs) => ({
  own: [moved(own, theirs)],
  theirs: [theirs],
});
/** Own moves of times take the words along that others heard meanwhile. */
export const retimeOverWords: Cross<Retime, SetWords> = (own, theirs) => ({ own: [own], theirs: [moved(theirs, own)] });
