/** What an edit did, as a person would say it: for what is taken back, and what is made again. */
import type { Edit, EditOf } from './edits.ts';

const captionsInWords = (many: number): string => (many === 1 ? 'one caption' : `${String(many)} captions`);

type Words = { readonly [K in Edit['type']]: (edit: EditOf<K>) => string };

/** Several edits that were one step: what most of them were; what came with it, such as times of words, goes without saying. */
function togetherInWords(edits: readonly Edit[]): string {
  const many = new Map<Edit['type'], { readonly first: Edit; readonly count: number }>();
  for (const edit of edits) many.set(edit.type, { first: edit, count: (many.get(edit.type)?.count ?? 0) + 1 });
  // What is only ever done along with something else comes last.
  const along: ReadonlySet<Edit['type']> = new Set(['setWords', 'setSpeaker']);
  const [most] = [...many.values()].sort(
    (a, b) => Number(along.has(a.first.type)) - Number(along.has(b.first.type)) || b.count - a.count,
  );
  if (!most) return 'nothing';
  return most.count === 1 ? editInWords(most.first) : severalInWords(most.first.type, most.count);
}

/** As many edits of one kind as one step made. */
function severalInWords(type: Edit['type'], count: number): string {
  const many = captionsInWords(count);
  const says: Partial<Record<Edit['type'], string>> = {
    splice: `changes to the text of ${many}`,
    split: `${String(count)} captions split`,
    join: `${String(count)} captions joined to others`,
    setTimes: `the times of ${many}`,
    mark: `the look of ${many}`,
    setPlacement: `where ${many} stand`,
    comeBack: `${many} marked to come back to`,
    setSpeaker: `who speaks in ${many}`,
  };
  return says[type] ?? `changes to ${many}`;
}

const words: Words = {
  splice: ({ from, to, insert }) => (insert === '' ? 'deleted text' : from === to ? 'typed text' : 'replaced text'),
  split: () => 'a caption split in two',
  join: () => 'two captions joined',
  setTimes: () => 'the times of a caption',
  retime: ({ captions }) => `the times of ${captionsInWords(captions.length)}`,
  setWords: ({ captions }) => `the times of words in ${captionsInWords(captions.length)}`,
  setSpeaker: () => 'who speaks in a caption',
  setPlacement: () => 'where a caption stands in the picture',
  comeBack: ({ note }) =>
    note === null ? 'a caption that was to be come back to' : 'a caption marked to come back to',
  setCaptions: ({ captions }) => `changes to ${captionsInWords(captions.length)}`,
  insert: ({ captions }) => (captions.length === 1 ? 'a new caption' : `${String(captions.length)} new captions`),
  remove: ({ ids }) => `${captionsInWords(ids.length)} deleted`,
  replace: ({ captions }) => `the text laid out as ${captionsInWords(captions.length)}`,
  mark: () => 'the look of some text',
  letBe: ({ entry }) => (entry ? 'a finding kept on purpose' : 'a finding that was kept no longer'),
  proof: ({ ids, proofed }) => `${captionsInWords(ids.length)} ${proofed ? 'proofed' : 'no longer proofed'}`,
  keepVersion: () => 'a version kept of a caption',
  chooseVersion: () => 'the choice of a version',
  together: ({ edits }) => togetherInWords(edits),
};

/** The words stand after “Undone:” and “Done again:”. */
export const editInWords = <K extends Edit['type']>(edit: EditOf<K> & { readonly type: K }): string =>
  words[edit.type](edit);
