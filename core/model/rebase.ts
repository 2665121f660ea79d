/**
 * Rebase: own edits made on an older state, carried over what others have done since. What
 * `transform` says of each pair is folded over both lines; what is in true conflict is kept as
 * versions by an edit of its own, so that nothing is lost and a person can choose.
 */
import { applyAll } from './apply.ts';
import type { Caption } from './caption.ts';
import { EditRefused, type Edit, type Single } from './edits.ts';
import { partsOf, type Part } from './merge/parts.ts';
import { transform } from './merge/transform.ts';

export interface Rebased {
  /** The own edits as they now stand, in order, each with its index among those given. */
  readonly edits: readonly { readonly edit: Edit; readonly index: number }[];
  /** The captions after others' edits and the own ones. */
  readonly captions: readonly Caption[];
  /** What others did, as it reaches the captions with the own edits in them. */
  readonly theirs: readonly Part[];
  /** Indexes of own edits that met a true conflict. */
  readonly conflicts: readonly number[];
  /** Indexes of own edits that cannot be made any more; with sound logs there are none. */
  readonly refused: readonly number[];
}

/** Edits as `transform` takes them. */
export const partsOfAll = (edits: readonly Edit[]): Single[] => edits.flatMap(partsOf);

/**
 * Carries own edits over others'.
 * @param base the captions both sides started from
 * @param own edits made here on `base`, not yet in the log
 * @param others the captions after theirs
 * @param theirs edits the log has taken since `base`
 */
export function rebase(
  base: readonly Caption[],
  own: readonly Edit[],
  others: readonly Caption[],
  theirs: readonly Part[],
): Rebased {
  const line = transform(base, own, theirs);
  const edits = line.own.flatMap((edit, index) => (edit ? [{ edit, index }] : []));
  try {
    const captions = applyAll(
      others,
      edits.map((e) => e.edit),
    );
    return { edits, captions, theirs: line.theirs, conflicts: line.conflicts, refused: [] };
  } catch (error) {
    if (!(error instanceof EditRefused)) throw error;
  }
  // One by one, so that only what does not fit is left out.
  const [made, refused]: [typeof edits, number[]] = [[], []];
  let captions = others;
  for (const each of edits) {
    try {
      captions = applyAll(captions, [each.edit]);
      made.push(each);
    } catch (error) {
      if (!(error instanceof EditRefused)) throw error;
      refused.push(each.index);
    }
  }
  return { edits: made, captions, theirs: line.theirs, conflicts: line.conflicts, refused };
}
