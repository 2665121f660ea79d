/** What every way of carrying two parts over one another gives, and the ways that serve several kinds. */
import { withoutVersions, type Caption } from '../caption.ts';
import type { Single } from '../edits.ts';
import { lettersIn } from '../letters.ts';
import { after, between, touched, type Part, type PartsState } from './parts.ts';
import { adds, difference } from '../text-changes.ts';

export interface Crossed {
  /** The own part as it goes into the log behind theirs. */
  readonly own: readonly Single[];
  /** Theirs as it reaches who has made the own part already: both ways lead to the same captions. */
  readonly theirs: readonly Part[];
  /** Both could not stand; what the own part said is kept as a version. */
  readonly conflict?: true;
}

/** @param at the captions both parts were made on */
export type Cross<O extends Part = Single, T extends Part = Part> = (own: O, theirs: T, at: PartsState) => Crossed;

/** They do not touch one another. */
export const apart: Cross = (own, theirs) => ({ own: [own], theirs: [theirs] });
/** The later says all of it again. */
export const ownReplacesTheirs: Cross = (own) => ({ own: [own], theirs: [] });

/** The own part becomes these; theirs is whatever leads there from the other side. */
export function leadingTo(
  own: Single,
  theirs: Part,
  at: PartsState,
  then: readonly Single[],
  conflict = false,
): Crossed {
  const target = after(at, [theirs, ...then]);
  return { own: then, theirs: between(after(at, [own]), target), ...(conflict ? { conflict: true } : {}) };
}

/** The caption of a state that a version is shown with: the one of the same id, else one at the same time. */
export function holderOf(of: Caption, state: PartsState): Caption | undefined {
  const captions = [...state.values()];
  return (
    state.get(of.id) ??
    captions.find((c) => c.start < of.end && c.end > of.start) ??
    captions.find((c) => c.end >= of.start) ??
    captions.at(-1)
  );
}

/** Keeps a caption as another version; where there is nothing it could be shown with, it comes back against its removal. */
export function keptAsVersion(of: Caption, state: PartsState): Single {
  const holder = holderOf(of, state);
  return holder
    ? { type: 'keepVersion', id: holder.id, caption: withoutVersions(of) }
    : { type: 'insert', captions: [{ ...of, proofed: false, versions: [...(of.versions ?? []), null] }] };
}

/** The own part cannot be made any more: what it wrote is kept as versions beside what theirs left. */
export const ownCannotBeMade: Cross = (own, theirs, at) => {
  const mine = after(at, [own]);
  const ids = new Set(touched(own));
  const before = [...at.values()].filter((c) => ids.has(c.id));
  const made = [...mine.values()].filter((c) => ids.has(c.id));
  if (lettersIn(before) === lettersIn(made)) return leadingTo(own, theirs, at, []);
  const others = after(at, [theirs]);
  const present = new Set([...others.values()].map((c) => lettersIn([c])));
  const wrote = made.filter((c) => adds(difference(at.get(c.id)?.text ?? '', c.text)) && !present.has(lettersIn([c])));
  return leadingTo(
    own,
    theirs,
    at,
    wrote.map((c) => keptAsVersion(c, others)),
    wrote.length > 0,
  );
};

/** A way for the other order of two kinds, where it does not matter who was first. */
export const swapped =
  <O extends Single, T extends Single>(cross: Cross<O, T>): Cross<T, O> =>
  (own, theirs, at) => {
    const { own: a, theirs: b, conflict } = cross(theirs, own, at);
    return { own: b as readonly Single[], theirs: a, ...(conflict ? { conflict } : {}) };
  };
