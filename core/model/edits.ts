/**
 * Edits: every change to a track is one of these plain values. `apply` gives the captions after one
 * and the edit that takes it back, so one door serves typing, undo, the server's log and going back
 * to an older state; `transform` carries one over another that was made at the same moment.
 */
import type { Caption, LetBe, MarkKind, Placement, SpeakerRange, Version, WordRange } from './caption.ts';
import type { Piece } from './pieces.ts';

/** What is said of a caption to come back to has so many characters at the most. */
export const longestNote = 500;

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
  /** A caption is split at a text offset; the later part becomes `newId`. Times in ms. */
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
  /** Captions get these times, as they stand here; the times of their words move along the pieces. */
  | {
      readonly type: 'retime';
      readonly captions: readonly {
        readonly id: string;
        readonly start: number;
        readonly end: number;
        readonly timing: Caption['timing'];
      }[];
      readonly pieces: readonly Piece[];
    }
  /** The words of captions with their times, replaced as a whole. */
  | {
      readonly type: 'setWords';
      readonly captions: readonly { readonly id: string; readonly words: readonly WordRange[] }[];
    }
  /** Who speaks in a caption, replaced as a whole. */
  | { readonly type: 'setSpeaker'; readonly id: string; readonly speakers: readonly SpeakerRange[] }
  | { readonly type: 'setPlacement'; readonly id: string; readonly placement: Placement | null }
  /** A caption is marked to be come back to, and what for; null takes that away. */
  | { readonly type: 'comeBack'; readonly id: string; readonly note: string | null }
  /** Captions that are there become these, each by its id: the way back from most other edits. */
  | { readonly type: 'setCaptions'; readonly captions: readonly Caption[] }
  | { readonly type: 'insert'; readonly captions: readonly Caption[] }
  | { readonly type: 'remove'; readonly ids: readonly string[] }
  /** Captions go and others come: reflow, import, the way back from splitting and joining. */
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
  /** Caption `id` is in conflict: somebody else had `caption` there, or nothing where it is null. */
  | { readonly type: 'keepVersion'; readonly id: string; readonly caption: Version }
  /** A conflict is over: what is chosen stands, the other versions go. */
  | { readonly type: 'chooseVersion'; readonly id: string; readonly chosen: VersionChoice }
  /** Several edits that are one step of work, in order. */
  | { readonly type: 'together'; readonly edits: readonly Edit[] };

/** The caption as it stands, its removal, or the version that was caption `ID`. */
export type VersionChoice = 'standing' | 'removed' | `version:${string}`;

/** An edit of a kind. */
export type EditOf<K extends Edit['type']> = Extract<Edit, { readonly type: K }>;
/** Typing. */
export type Splice = EditOf<'splice'>;
/** Captions that change and keep their ids, as they are to be. */
export type SetCaptions = EditOf<'setCaptions'>;
/** An edit that holds no others. */
export type Single = Exclude<Edit, { readonly type: 'together' }>;

/** An edit that does not fit the captions it was meant for. Nothing has been changed. */
export class EditRefused extends Error {
  override readonly name = 'EditRefused';
}

/** Ids of every caption an edit changes, makes or takes away. */
export function touches(edit: Edit): readonly string[] {
  switch (edit.type) {
    case 'splice':
    case 'setTimes':
    case 'mark':
    case 'letBe':
    case 'setSpeaker':
    case 'setPlacement':
    case 'comeBack':
    case 'keepVersion':
    case 'chooseVersion':
      return [edit.id];
    case 'split':
      return [edit.id, edit.newId];
    case 'join':
      return [edit.id, edit.next];
    case 'insert':
    case 'retime':
    case 'setWords':
    case 'setCaptions':
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

/** Other times for the same captions, with words left where they are said: the later ones stand. */
function mergeTimes(a: Edit, b: Edit): Edit | null {
  if (a.type !== 'retime' || b.type !== 'retime' || a.pieces.length + b.pieces.length > 0) return null;
  const isSame = a.captions.length === b.captions.length && a.captions.every((c, i) => c.id === b.captions[i]?.id);
  return isSame ? b : null;
}

/** A note that is written on. */
function mergeNotes(a: Edit, b: Edit): Edit | null {
  if (a.type !== 'comeBack' || b.type !== 'comeBack' || a.id !== b.id) return null;
  return a.note === null || b.note === null ? null : b;
}

/**
 * Two edits that followed one another as one, where that is plain: typing on, or deleting on, at
 * the place where the last keystroke left off; a run of steps that move the same captions; a note written on.
 * @returns null where they stay apart
 */
export function merge(a: Edit, b: Edit): Edit | null {
  if (a.type === 'retime') return mergeTimes(a, b);
  if (a.type === 'comeBack') return mergeNotes(a, b);
  if (a.type !== 'splice' || b.type !== 'splice' || a.id !== b.id || a.keeps !== b.keeps) return null;
  const end = a.from + a.insert.length;
  if (b.from === end && b.to === end && !/\s$/.test(a.insert)) return { ...a, insert: a.insert + b.insert };
  if (b.to === end && b.from < end && b.from >= a.from)
    return { ...a, insert: a.insert.slice(0, b.from - a.from) + b.insert };
  if (a.insert === '' && b.insert === '' && b.to === a.from) return { ...a, from: b.from };
  if (a.insert === '' && b.insert === '' && b.from === a.from) return { ...a, to: a.to + (b.to - b.from) };
  return null;
}
