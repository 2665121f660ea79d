/** Changes of one text that meet: CodeMirror's change sets carry one over the other. */
import { equalTextEnds } from '../text/equal-ends.ts';
import { ChangeSet } from '@codemirror/state';
import type { Splice } from './edits.ts';

/** A place in a text whose characters become others. */
export interface TextChangeSpec {
  readonly from: number;
  readonly to: number;
  readonly insert: string;
}

/** Changes of a text of so many characters, places as they are before all of them. */
export const changeSet = (changes: TextChangeSpec | readonly TextChangeSpec[], length: number): ChangeSet =>
  ChangeSet.of(changes, length, '\n');

/** The changes of a set, the last first, so that each place is right when it is changed. */
export function textChangesOf(set: ChangeSet): TextChangeSpec[] {
  const found: TextChangeSpec[] = [];
  set.iterChanges(
    (from, to, _fromAfter, _toAfter, inserted) =>
      found.unshift({ from, to, insert: inserted.sliceString(0, undefined, '\n') }),
    true,
  );
  return found;
}

/** Changes as edits of a caption. */
export const splicesOf = (set: ChangeSet, id: string, keeps: boolean): Splice[] =>
  textChangesOf(set).map((c) => ({ type: 'splice', id, ...c, ...(keeps ? { keeps: true } : {}) }));

/** Two change sets of one text, each carried over the other; what both put in one place stands `theirs` first. */
export function crossed(own: ChangeSet, theirs: ChangeSet): { readonly own: ChangeSet; readonly theirs: ChangeSet } {
  return { own: own.map(theirs), theirs: theirs.map(own, true) };
}

/** Whether a change puts in anything that can be read. */
export const adds = (set: ChangeSet): boolean => textChangesOf(set).some((c) => c.insert.trim() !== '');

/** Characters of both texts compared one by one: up to so many pairs; beyond them only the beginning and the end are. */
const mostPairs = 250_000;

/**
 * What differs between two texts: where each place that was changed lies, found letter by letter (the
 * longest common subsequence, between what the texts begin and end with alike).
 */
export function difference(before: string, after: string): ChangeSet {
  if (before === after) return changeSet([], before.length);
  const { head, tail } = equalTextEnds(before, after);
  const [a, b] = [before.slice(head, before.length - tail), after.slice(head, after.length - tail)];
  if (a === '' || b === '' || a.length * b.length > mostPairs)
    return changeSet({ from: head, to: head + a.length, insert: b }, before.length);
  const width = b.length + 1;
  const common = new Uint16Array((a.length + 1) * width);
  for (let i = a.length - 1; i >= 0; i--)
    for (let j = b.length - 1; j >= 0; j--)
      common[i * width + j] =
        a.charCodeAt(i) === b.charCodeAt(j)
          ? (common[(i + 1) * width + j + 1] ?? 0) + 1
          : Math.max(common[(i + 1) * width + j] ?? 0, common[i * width + j + 1] ?? 0);
  const changes: TextChangeSpec[] = [];
  let [from, at, i, j] = [0, 0, 0, 0];
  const close = (): void => {
    if (i > from || j > at) changes.push({ from: head + from, to: head + i, insert: b.slice(at, j) });
  };
  while (i < a.length && j < b.length) {
    if (a.charCodeAt(i) === b.charCodeAt(j)) {
      close();
      [from, at] = [++i, ++j];
    } else if ((common[(i + 1) * width + j] ?? 0) >= (common[i * width + j + 1] ?? 0)) i++;
    else j++;
  }
  [i, j] = [a.length, b.length];
  close();
  return changeSet(changes, before.length);
}
