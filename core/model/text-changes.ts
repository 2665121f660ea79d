/** Changes of one text that meet: CodeMirror's change sets carry one over the other. */
import { equalTextEnds } from '../text/equal-ends.ts';
import { ChangeSet } from '@codemirror/state';
import { diffChars } from 'diff';
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

/**
 * Texts that differ in more characters than this, taken out and put in, have nothing in common worth finding: the work
 * grows with its square (under a tenth of a second here). What lies between their like ends is one change then.
 */
const mostChanged = 500;

/**
 * What differs between two texts: where each place that was changed lies, found character by character
 * (E. W. Myers, "An O(ND) difference algorithm and its variations", 1986, as the package `diff` has it),
 * between what the texts begin and end with alike.
 */
export function difference(before: string, after: string): ChangeSet {
  if (before === after) return changeSet([], before.length);
  const { head, tail } = equalTextEnds(before, after);
  const [a, b] = [before.slice(head, before.length - tail), after.slice(head, after.length - tail)];
  const whole: TextChangeSpec = { from: head, to: head + a.length, insert: b };
  if (a === '' || b === '') return changeSet(whole, before.length);
  const parts = diffChars(a, b, { maxEditLength: mostChanged });
  if (!parts) return changeSet(whole, before.length);
  const changes: TextChangeSpec[] = [];
  let [from, to, insert] = [head, head, ''];
  const close = (): void => {
    if (to > from || insert !== '') changes.push({ from, to, insert });
  };
  for (const { value, added, removed } of parts) {
    if (added) insert += value;
    else if (removed) to += value.length;
    else {
      close();
      [from, to, insert] = [to + value.length, to + value.length, ''];
    }
  }
  close();
  return changeSet(changes, before.length);
}
