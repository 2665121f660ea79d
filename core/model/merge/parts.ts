/** Edits taken apart into parts that name as few captions as they can, and put together again. */
import { isSameJson } from '../../text/json.ts';
import type { Caption } from '../caption.ts';
import { effectOf } from '../effects.ts';
import { touches, type Edit, type EditOf, type Single } from '../edits.ts';

/** A caption goes by another id from here on: where both sides made the same caption under ids of their own. */
export interface Rename {
  readonly type: 'rename';
  readonly id: string;
  readonly to: string;
}

/** What is carried over one another: edits of one caption each, but for those that exchange several. */
export type Part = Single | Rename;
export type Kind = Part['type'];
export type PartOf<K extends Kind> = Extract<Part, { readonly type: K }>;
/** Each kind of part, by its name. */
export type Parts = { readonly [K in Kind]: PartOf<K> };

/** Captions by id: those that parts which meet have to do with. */
export type PartsState = ReadonlyMap<string, Caption>;

/** The ids of the captions that a part has to do with. */
export const touched = (part: Part): readonly string[] => (part.type === 'rename' ? [part.id, part.to] : touches(part));

/** An edit as parts, in order. */
export function partsOf(edit: Edit): Single[] {
  switch (edit.type) {
    case 'together':
      return edit.edits.flatMap(partsOf);
    case 'proof':
      return edit.ids.map((id) => ({ ...edit, ids: [id] }));
    case 'remove':
      return edit.ids.map((id) => ({ type: 'remove', ids: [id] }));
    case 'insert':
      return edit.captions.map((c) => ({ type: 'insert', captions: [c] }));
    case 'setCaptions':
      return edit.captions.map((c) => ({ type: 'setCaptions', captions: [c] }));
    case 'retime':
      return edit.captions.map((c) => ({ ...edit, captions: [c] }));
    case 'setWords':
      return edit.captions.map((c) => ({ type: 'setWords', captions: [c] }));
    case 'replace': {
      if (edit.removed.length === 0) return partsOf({ type: 'insert', captions: edit.captions });
      if (edit.captions.length === 0) return partsOf({ type: 'remove', ids: edit.removed });
      return [edit];
    }
    default:
      return [edit];
  }
}

/** A caption exchanged for itself is a change of it; versions it has are kept. */
export function asChange(part: Part, at: PartsState): Part {
  if (part.type !== 'replace' || part.removed.length !== 1 || part.captions.length !== 1) return part;
  if (part.removed[0] !== part.captions[0]?.id || !at.has(part.removed[0] ?? '')) return part;
  return { type: 'setCaptions', captions: effectOf(part, (id) => at.get(id)).after };
}

type PartsBatch = EditOf<'proof' | 'remove' | 'insert' | 'setCaptions' | 'retime' | 'setWords'>;

/** Two parts of a kind that takes several captions as one; null where they have to stay apart. */
function both(a: Single, b: Single): PartsBatch | null {
  if (a.type === 'remove' && b.type === 'remove') return { ...a, ids: [...a.ids, ...b.ids] };
  if (a.type === 'proof' && b.type === 'proof' && a.proofed === b.proofed) return { ...a, ids: [...a.ids, ...b.ids] };
  if (a.type === 'insert' && b.type === 'insert') return { ...a, captions: [...a.captions, ...b.captions] };
  if (a.type === 'setCaptions' && b.type === 'setCaptions') return { ...a, captions: [...a.captions, ...b.captions] };
  if (a.type === 'setWords' && b.type === 'setWords') return { ...a, captions: [...a.captions, ...b.captions] };
  if (a.type === 'retime' && b.type === 'retime' && isSameJson(a.pieces, b.pieces))
    return { ...a, captions: [...a.captions, ...b.captions] };
  return null;
}

/** Parts as one edit again, neighbours of a kind gathered; null where nothing is left. */
export function gathered(parts: readonly Single[]): Edit | null {
  const edits: Single[] = [];
  let ids = new Set<string>();
  for (const part of parts) {
    const last = edits.at(-1);
    const free = touches(part).every((id) => !ids.has(id));
    const one = last && free ? both(last, part) : null;
    if (one) edits[edits.length - 1] = one;
    else {
      edits.push(part);
      ids = new Set();
    }
    for (const id of touches(part)) ids.add(id);
  }
  const [only] = edits;
  if (!only) return null;
  return edits.length === 1 ? only : { type: 'together', edits };
}

/** Makes a part on captions by id. @throws {EditRefused} */
export function makeIn(captions: Map<string, Caption>, part: Part): void {
  if (part.type === 'rename') {
    const found = captions.get(part.id);
    captions.delete(part.id);
    if (found) captions.set(part.to, { ...found, id: part.to });
    return;
  }
  const { before, after } = effectOf(part, (id) => captions.get(id));
  for (const c of before) captions.delete(c.id);
  for (const c of after) captions.set(c.id, c);
}

/** The captions after parts. @throws {EditRefused} */
export function after(state: PartsState, parts: readonly Part[]): PartsState {
  if (parts.length === 0) return state;
  const next = new Map(state);
  for (const part of parts) makeIn(next, part);
  return next;
}

/**
 * Parts that lead from one state to another. Where text may have gone from one caption to another it is
 * one exchange of all of them, so that what others do in the text can follow its letters.
 */
export function between(from: PartsState, to: PartsState): Single[] {
  const gone = [...from.keys()].filter((id) => !to.has(id));
  const come = [...to.values()].filter((c) => !from.has(c.id));
  const changed = [...to.values()].filter((c) => from.has(c.id) && !isSameJson(from.get(c.id), c));
  const written = changed.filter((c) => from.get(c.id)?.text !== c.text);
  const moves = written.length > 0 && written.length + gone.length + come.length > 1;
  const [exchanged, alone] = moves ? [written, changed.filter((c) => !written.includes(c))] : [[], changed];
  return [
    ...partsOf({
      type: 'replace',
      removed: [...gone, ...exchanged.map((c) => c.id)],
      captions: [...exchanged, ...come],
    }),
    ...partsOf({ type: 'setCaptions', captions: alone }),
  ];
}
