/**
 * Edits: every change to a track is one of these plain values. `apply` gives the captions after it
 * and the edit that takes it back, so one door serves typing, undo, the server's log and going back
 * to an older state.
 */
import { sorted, type Caption, type LetBe, type MarkKind } from './caption.ts';
import { joinText, markText, sliceText, spliceText } from './ranges.ts';

export type Edit =
  /** Characters `[from, to)` of a caption become `insert`. */
  | {
      readonly type: 'splice';
      readonly id: string;
      readonly from: number;
      readonly to: number;
      readonly insert: string;
      /** A proofed caption stays proofed. */
      readonly keeps?: true;
    }
  /** A caption is shared in two at a text offset; the later part becomes `newId`. Times in ms. */
  | {
      readonly type: 'split';
      readonly id: string;
      readonly at: number;
      readonly newId: string;
      readonly end: number;
      readonly start: number;
    }
  /** Caption `next` is added to the end of `id`, with a space or a line break between them. */
  | { readonly type: 'join'; readonly id: string; readonly next: string; readonly between: '' | ' ' | '\n' }
  | { readonly type: 'setTimes'; readonly id: string; readonly start: number; readonly end: number }
  | { readonly type: 'insert'; readonly captions: readonly Caption[] }
  | { readonly type: 'remove'; readonly ids: readonly string[] }
  /** Captions go and others come: reflow, import, and the way back from most other edits. */
  | { readonly type: 'replace'; readonly removed: readonly string[]; readonly captions: readonly Caption[] }
  | {
      readonly type: 'mark';
      readonly id: string;
      readonly from: number;
      readonly to: number;
      readonly kind: MarkKind;
      readonly value: string;
      readonly on: boolean;
    }
  /** A finding is let be, or no longer: `entry` is null then. */
  | { readonly type: 'letBe'; readonly id: string; readonly rule: string; readonly entry: LetBe | null }
  | { readonly type: 'proof'; readonly ids: readonly string[]; readonly proofed: boolean }
  /** Several edits that are one step of work, in order. */
  | { readonly type: 'together'; readonly edits: readonly Edit[] };

/** An edit that does not fit the captions it was meant for. Nothing has been changed. */
export class EditRefused extends Error {
  override readonly name = 'EditRefused';
}

export interface Applied {
  readonly captions: readonly Caption[];
  /** Takes the edit back: `apply(captions, inverse)` gives the captions as they were. */
  readonly inverse: Edit;
}

/** Index of a caption; throws {@link EditRefused} if it is not there. */
function find(captions: readonly Caption[], id: string): { readonly index: number; readonly found: Caption } {
  const index = captions.findIndex((c) => c.id === id);
  const found = captions[index];
  if (!found) throw new EditRefused(`Caption ${id} is no longer in the track.`);
  return { index, found };
}

function within(text: string, from: number, to: number): void {
  if (from < 0 || to < from || to > text.length) {
    throw new EditRefused(
      `Characters ${String(from)} to ${String(to)} lie outside a caption of ${String(text.length)} characters.`,
    );
  }
}

function validTimes(start: number, end: number): void {
  if (!Number.isInteger(start) || !Number.isInteger(end) || start < 0 || end < start) {
    throw new EditRefused(`A caption cannot run from ${String(start)} ms to ${String(end)} ms.`);
  }
}

/** One caption becomes others; the way back puts the one back. */
function exchange(
  captions: readonly Caption[],
  index: number,
  before: readonly Caption[],
  after: readonly Caption[],
): Applied {
  const next = [...captions];
  next.splice(index, before.length, ...after);
  return { captions: sorted(next), inverse: { type: 'replace', removed: after.map((c) => c.id), captions: before } };
}

function exchangeMany(captions: readonly Caption[], removed: readonly string[], added: readonly Caption[]): Applied {
  const gone = new Set(removed);
  const kept = captions.filter((c) => !gone.has(c.id));
  if (kept.length + gone.size !== captions.length)
    throw new EditRefused('Some of the captions to be replaced are no longer in the track.');
  const ids = new Set(kept.map((c) => c.id));
  for (const c of added) {
    if (ids.has(c.id)) throw new EditRefused(`Caption ${c.id} is already in the track.`);
    ids.add(c.id);
    validTimes(c.start, c.end);
  }
  const inverse: Edit = {
    type: 'replace',
    removed: added.map((c) => c.id),
    captions: captions.filter((c) => gone.has(c.id)),
  };
  return { captions: sorted([...kept, ...added]), inverse };
}

type Splice = Extract<Edit, { type: 'splice' }>;

function spliced(found: Caption, { from, to, insert, keeps }: Splice): Caption {
  within(found.text, from, to);
  return { ...spliceText(found, from, to, insert), proofed: keeps === true && found.proofed };
}

/** More edits than this are made at once where they can be. */
const fewEdits = 8;

/** Edits that change one caption and nothing else. */
type Plain = Extract<Edit, { type: 'splice' | 'setTimes' | 'mark' }>;
const isPlain = (edit: Edit): edit is Plain =>
  edit.type === 'splice' || edit.type === 'setTimes' || edit.type === 'mark';

function changed(found: Caption, edit: Plain): Caption {
  switch (edit.type) {
    case 'splice':
      return spliced(found, edit);
    case 'setTimes':
      validTimes(edit.start, edit.end);
      return { ...found, start: edit.start, end: edit.end, timing: 'set' };
    case 'mark':
      within(found.text, edit.from, edit.to);
      return markText(found, edit.from, edit.to, edit.kind, edit.value, edit.on);
  }
}

/** Many changes of single captions at once: the list is gone over once, not once for each. */
function changeMany(captions: readonly Caption[], edits: readonly Plain[]): Applied {
  const now = new Map(captions.map((c) => [c.id, c]));
  const touched = new Set<string>();
  for (const edit of edits) {
    const found = now.get(edit.id);
    if (!found) throw new EditRefused(`Caption ${edit.id} is no longer in the track.`);
    now.set(edit.id, changed(found, edit));
    touched.add(edit.id);
  }
  const before = captions.filter((c) => touched.has(c.id));
  return {
    captions: sorted(captions.map((c) => now.get(c.id) ?? c)),
    inverse: { type: 'replace', removed: [...touched], captions: before },
  };
}

/** What both halves of a caption carry: an identifier and the comments before it stay with the first. */
function sharedForeign(foreign: Caption['foreign']): Caption['foreign'] {
  if (!foreign) return null;
  const { vttId: _id, vttNotes: _notes, ...both } = foreign;
  return Object.keys(both).length > 0 ? both : null;
}

function split(captions: readonly Caption[], edit: Extract<Edit, { type: 'split' }>): Applied {
  const { index, found } = find(captions, edit.id);
  within(found.text, edit.at, edit.at);
  if (captions.some((c) => c.id === edit.newId))
    throw new EditRefused(`Caption ${edit.newId} is already in the track.`);
  validTimes(found.start, edit.end);
  validTimes(edit.start, Math.max(edit.start, found.end));
  const head = found.text.slice(0, edit.at).trimEnd().length;
  const tail = found.text.length - found.text.slice(edit.at).trimStart().length;
  const first: Caption = { ...found, ...sliceText(found, 0, head), end: edit.end, proofed: false };
  const second: Caption = {
    ...found,
    ...sliceText(found, Math.max(head, tail), found.text.length),
    id: edit.newId,
    start: edit.start,
    end: Math.max(edit.start, found.end),
    proofed: false,
    foreign: sharedForeign(found.foreign),
  };
  return exchange(captions, index, [found], [first, second]);
}

function join(captions: readonly Caption[], edit: Extract<Edit, { type: 'join' }>): Applied {
  const { index, found } = find(captions, edit.id);
  const next = find(captions, edit.next).found;
  if (next === found) throw new EditRefused('A caption cannot be joined with itself.');
  const joined: Caption = {
    ...found,
    ...joinText(found, edit.between, next),
    start: Math.min(found.start, next.start),
    end: Math.max(found.end, next.end),
    proofed: false,
  };
  const rest = captions.filter((c) => c !== next);
  rest[index > captions.indexOf(next) ? index - 1 : index] = joined;
  return { captions: sorted(rest), inverse: { type: 'replace', removed: [found.id], captions: [found, next] } };
}

/**
 * Applies an edit.
 * @param captions in order; never changed
 * @returns new captions (those untouched are the same objects) and the inverse
 * @throws {EditRefused} when the edit does not fit, with a sentence saying why
 */
export function apply(captions: readonly Caption[], edit: Edit): Applied {
  switch (edit.type) {
    case 'splice':
    case 'setTimes':
    case 'mark': {
      const { index, found } = find(captions, edit.id);
      return exchange(captions, index, [found], [changed(found, edit)]);
    }
    case 'split':
      return split(captions, edit);
    case 'join':
      return join(captions, edit);
    case 'insert':
      return exchangeMany(captions, [], edit.captions);
    case 'remove':
      return exchangeMany(captions, edit.ids, []);
    case 'replace':
      return exchangeMany(captions, edit.removed, edit.captions);
    case 'letBe': {
      const { index, found } = find(captions, edit.id);
      const rest = found.letBe.filter((e) => e.rule !== edit.rule);
      const letBe = edit.entry ? [...rest, { ...edit.entry, rule: edit.rule }] : rest;
      return exchange(captions, index, [found], [{ ...found, letBe }]);
    }
    case 'proof': {
      const ids = new Set(edit.ids);
      const before = captions.filter((c) => ids.has(c.id));
      if (before.length !== ids.size) throw new EditRefused('Some of the captions are no longer in the track.');
      const after = captions.map((c) =>
        ids.has(c.id) && c.proofed !== edit.proofed ? { ...c, proofed: edit.proofed } : c,
      );
      const changed = before.filter((c) => c.proofed !== edit.proofed).map((c) => c.id);
      return { captions: after, inverse: { type: 'proof', ids: changed, proofed: !edit.proofed } };
    }
    case 'together': {
      if (edit.edits.length > fewEdits && edit.edits.every(isPlain)) return changeMany(captions, edit.edits);
      const inverses: Edit[] = [];
      let now = captions;
      for (const step of edit.edits) {
        const done = apply(now, step);
        now = done.captions;
        inverses.unshift(done.inverse);
      }
      return { captions: now, inverse: { type: 'together', edits: inverses } };
    }
  }
}

/** Ids of every caption an edit changes, makes or takes away. */
export function touches(edit: Edit): readonly string[] {
  switch (edit.type) {
    case 'splice':
    case 'setTimes':
    case 'mark':
    case 'letBe':
      return [edit.id];
    case 'split':
      return [edit.id, edit.newId];
    case 'join':
      return [edit.id, edit.next];
    case 'insert':
      return edit.captions.map((c) => c.id);
    case 'remove':
    case 'proof':
      return edit.ids;
    case 'replace':
      return [...edit.removed, ...edit.captions.map((c) => c.id)];
    case 'together':
      return edit.edits.flatMap(touches);
  }
}

/**
 * Two edits that followed one another as one, where that is plain: typing on, or deleting on, at
 * the place where the last keystroke left off.
 * @returns null where they stay apart
 */
export function merge(a: Edit, b: Edit): Edit | null {
  if (a.type !== 'splice' || b.type !== 'splice' || a.id !== b.id || a.keeps !== b.keeps) return null;
  const end = a.from + a.insert.length;
  if (b.from === end && b.to === end && !/\s$/.test(a.insert)) return { ...a, insert: a.insert + b.insert };
  if (b.to === end && b.from < end && b.from >= a.from)
    return { ...a, insert: a.insert.slice(0, b.from - a.from) + b.insert };
  if (a.insert === '' && b.insert === '' && b.to === a.from) return { ...a, from: b.from };
  if (a.insert === '' && b.insert === '' && b.from === a.from) return { ...a, to: a.to + (b.to - b.from) };
  return null;
}
