/**
 * Rebase: own edits made on an older state, carried over what others have done since. Edits name
 * captions by id, so most do not touch. Typing into the same caption is moved along the text. What
 * fits nowhere any more is not dropped: the captions as they were on this side come back beside the
 * others' version, so that no words are lost and a person can choose.
 */
import type { Caption } from './caption.ts';
import { apply, EditRefused, touches, type Edit } from './edits.ts';

type Splice = Extract<Edit, { type: 'splice' }>;

export interface Rebased {
  /** The own edits as they now stand, in order. */
  readonly edits: readonly Edit[];
  /** The captions after others' edits and the own ones. */
  readonly captions: readonly Caption[];
  /** Ids of captions that were put back because both sides had changed them. */
  readonly kept: readonly string[];
}

/** An own splice after somebody else's in the same caption. Text both put in one place stands theirs first. */
export function mapSplice(own: Splice, theirs: Splice): Splice {
  if (own.id !== theirs.id) return own;
  const delta = theirs.insert.length - (theirs.to - theirs.from);
  const move = (at: number, stay: boolean): number => {
    if (at < theirs.from || (at === theirs.from && stay)) return at;
    return at >= theirs.to ? at + delta : theirs.from + theirs.insert.length;
  };
  if (own.from === own.to) {
    const at = move(own.from, false);
    return { ...own, from: at, to: at };
  }
  const from = move(own.from, false);
  return { ...own, from, to: Math.max(from, move(own.to, own.to <= theirs.from)) };
}

const splicesOf = (edits: readonly Edit[]): Splice[] =>
  edits.flatMap((e) => (e.type === 'together' ? splicesOf(e.edits) : e.type === 'splice' ? [e] : []));

/**
 * Carries own edits over others'.
 * @param base the captions both sides started from
 * @param own edits made here on `base`, not yet known to the server
 * @param theirs edits the server has taken since `base`
 * @param newId makes an id for a caption that has to be kept twice
 */
export function rebase(
  base: readonly Caption[],
  own: readonly Edit[],
  theirs: readonly Edit[],
  newId: () => string,
): Rebased {
  const theirTouched = new Set(theirs.flatMap(touches));
  let ours = base;
  let now = base;
  for (const edit of theirs) now = apply(now, edit).captions;
  const structural = new Set(theirs.flatMap((e) => (e.type === 'splice' ? [] : touches(e))));
  const edits: Edit[] = [];
  const lost = new Set<string>();
  let passing = splicesOf(theirs);
  for (const edit of own) {
    ours = apply(ours, edit).captions;
    const touched = touches(edit);
    if (touched.some((id) => lost.has(id))) {
      for (const id of touched) lost.add(id);
      continue;
    }
    const meets = touched.some((id) => theirTouched.has(id));
    const mapped = edit.type === 'splice' ? passing.reduce(mapSplice, edit) : edit;
    const fits =
      !meets ||
      (edit.type === 'splice' && !structural.has(edit.id)) ||
      edit.type === 'proof' ||
      edit.type === 'setTimes';
    if (fits) {
      try {
        now = apply(now, mapped).captions;
        edits.push(mapped);
        if (edit.type === 'splice') passing = passing.map((t) => (t.id === edit.id ? mapSplice(t, edit) : t));
        continue;
      } catch (refused) {
        if (!(refused instanceof EditRefused)) throw refused;
      }
    }
    for (const id of touched) lost.add(id);
  }
  const differ = ours.filter((c) => lost.has(c.id) && !now.some((n) => n.text === c.text && n.start === c.start));
  if (differ.length > 0) {
    const copies = differ.map((c) => ({ ...c, id: newId(), proofed: false }));
    const insert: Edit = { type: 'insert', captions: copies };
    now = apply(now, insert).captions;
    return { edits: [...edits, insert], captions: now, kept: copies.map((c) => c.id) };
  }
  return { edits, captions: now, kept: [] };
}
