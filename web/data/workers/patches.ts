/** A list as another one with some stretches changed, so that a long one need not be sent twice. */
import { pushAll } from '../../../core/text/push-all.ts';
import { equalEnds } from '../../../core/text/equal-ends.ts';

/** From `from` on, `removed` things go and others come. */
export interface Patch<T> {
  readonly from: number;
  readonly removed: number;
  readonly added: readonly T[];
}

/**
 * Patches that make one list of another, each with at most `most` things in it. Things are the same
 * where they are the same object. Lists of one length are compared place by place, since most changes
 * of a track leave every caption where it is; others by what they begin and end with.
 */
export function patchesBetween<T>(before: readonly T[], after: readonly T[], most: number): readonly Patch<T>[] {
  const { head, tail } = equalEnds(before, after);
  if (before.length !== after.length)
    return inPieces({
      from: head,
      removed: before.length - tail - head,
      added: after.slice(head, after.length - tail),
    });
  const patches: Patch<T>[] = [];
  for (let from = head; from < after.length - tail;) {
    let to = from;
    while (to < after.length && before[to] !== after[to]) to++;
    if (to > from) pushAll(patches, inPieces({ from, removed: to - from, added: after.slice(from, to) }));
    from = to + 1;
  }
  return patches;

  function inPieces({ from, removed, added }: Patch<T>): Patch<T>[] {
    const pieces: Patch<T>[] = [{ from, removed, added: added.slice(0, most) }];
    for (let at = most; at < added.length; at += most)
      pieces.push({ from: from + at, removed: 0, added: added.slice(at, at + most) });
    return pieces.filter((p) => p.removed > 0 || p.added.length > 0);
  }
}

/** Changes a list as a patch says. */
export function patch<T>(list: T[], { from, removed, added }: Patch<T>): void {
  // eslint-disable-next-line no-restricted-syntax -- a patch has a bounded number
  list.splice(from, removed, ...added);
}
