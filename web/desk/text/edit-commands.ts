/** What hands do on the surface that is more than typing: each is one edit of the track. */
import { joint } from '../../../core/operations/joint.ts';
import { EditorSelection, type EditorState, type TransactionSpec } from '@codemirror/state';
import type { EditorView } from '@codemirror/view';
import { pasted } from '../../../core/layout/pasted.ts';
import type { RuleContext } from '../../../core/rules/finding.ts';
import { breakMovedTo, giveWord } from '../../../core/rules/repairs/give-words.ts';
import type { Caption, MarkKind } from '../../../core/model/caption.ts';
import { apply } from '../../../core/model/apply.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { turnCapital } from '../../../core/languages/capitals.ts';
import { splitting } from '../../../core/operations/split.ts';
import { linesToPaste } from './clipboard.ts';
import { changesTo, layoutOf, spotAt, type Spot } from './layout.ts';
import { aroundField, layoutField, setCaptions, trackChange } from './state.ts';

/** What the hands need to know besides the document. */
export interface EditContext {
  /** Null while the job is not there; nothing is done then. */
  readonly context: () => RuleContext | null;
  readonly editable: () => boolean;
  readonly newId: () => string;
  /** A caption of its own is wanted beside one, where there is nothing to split. */
  readonly onBeside: (id: string, side: 'before' | 'after') => void;
}

/** A transaction that carries out an edit that is more than its text. @param caret where the cursor goes; null leaves it */
export function specFor(
  state: EditorState,
  edit: Edit,
  mergeable: boolean,
  caret: (captions: readonly Caption[]) => number | null,
): TransactionSpec {
  const applied = apply(state.field(layoutField).captions, edit);
  const at = caret(applied.captions);
  return {
    changes: changesTo(state.field(layoutField), applied.captions),
    effects: setCaptions.of(applied.captions),
    annotations: trackChange.of({ edit, applied, mergeable }),
    ...(at === null ? {} : { selection: EditorSelection.cursor(at) }),
    scrollIntoView: true,
  };
}

const startOf = (captions: readonly Caption[], id: string): number | null => {
  const index = captions.findIndex((c) => c.id === id);
  return layoutOf(captions).starts[index] ?? null;
};

function spots(state: EditorState): { readonly from: Spot; readonly to: Spot } {
  const layout = state.field(layoutField);
  const { main } = state.selection;
  return { from: spotAt(layout, main.from), to: spotAt(layout, main.to) };
}

/** Enter: the caption is shared in two at the cursor; at its end or its beginning an empty one comes beside it. */
export function splitKey(view: EditorView, desk: EditContext): boolean {
  const { state } = view;
  const context = desk.context();
  const layout = state.field(layoutField);
  const { index, offset } = spotAt(layout, state.selection.main.head);
  const caption = layout.captions[index];
  if (!caption || !context || !desk.editable()) return true;
  const isBlank = (text: string): boolean => text.trim() === '';
  if (isBlank(caption.text.slice(0, offset)) || isBlank(caption.text.slice(offset))) {
    // The page makes it once this key is done with.
    queueMicrotask(() => desk.onBeside(caption.id, isBlank(caption.text.slice(offset)) ? 'after' : 'before'));
    return true;
  }
  const newId = desk.newId();
  const edit = splitting(caption, offset, newId, context);
  view.dispatch(specFor(state, edit, false, (captions) => startOf(captions, newId)));
  return true;
}

/** Joins the caption with the neighbour the cursor is right beside; anywhere else the key does what it always does. */
export function joinKey(view: EditorView, desk: EditContext, direction: 'above' | 'below'): boolean {
  const { state } = view;
  const context = desk.context();
  if (!state.selection.main.empty || !context || !desk.editable()) return false;
  const layout = state.field(layoutField);
  const { index, offset } = spotAt(layout, state.selection.main.head);
  const here = layout.captions[index];
  if (!here || offset !== (direction === 'above' ? 0 : here.text.length)) return false;
  const first = direction === 'above' ? index - 1 : index;
  const [a, b] = [layout.captions[first], layout.captions[first + 1]];
  if (!a || !b) return true;
  const between = joint(a, b, context.style);
  const at = (layout.starts[first] ?? 0) + a.text.length + (direction === 'above' ? between.length : 0);
  view.dispatch(specFor(state, { type: 'join', id: a.id, next: b.id, between }, false, () => at));
  return true;
}

/** The last word goes to the caption below, or the first to the one above; the cursor stays in its caption. */
export function give(view: EditorView, desk: EditContext, to: 'above' | 'below'): boolean {
  const { state } = view;
  const context = desk.context();
  if (!context || !desk.editable()) return true;
  const { captions } = state.field(layoutField);
  const { index, offset } = spotAt(state.field(layoutField), state.selection.main.head);
  const here = captions[index];
  const edit = giveWord(captions, index, to, context);
  if (!here || !edit) return true;
  view.dispatch(
    specFor(state, edit, false, (after) => {
      const still = after.find((c) => c.id === here.id);
      const start = startOf(after, here.id);
      return still && start !== null ? start + Math.min(offset, still.text.length) : null;
    }),
  );
  return true;
}

/** The break between this caption and the nearer neighbour comes to the cursor, which stays with its word. */
export function breakHere(view: EditorView, desk: EditContext): boolean {
  const { state } = view;
  const context = desk.context();
  if (!context || !desk.editable()) return true;
  const layout = state.field(layoutField);
  const { index, offset } = spotAt(layout, state.selection.main.head);
  const edit = breakMovedTo(layout.captions, index, offset, context);
  const [first, second] = edit?.type === 'replace' ? edit.captions : [];
  if (!edit || !first || !second) return true;
  // What stood before the break ends the first of them: the cursor is at the beginning of the second.
  view.dispatch(specFor(state, edit, false, (after) => startOf(after, second.id)));
  return true;
}

/** Marks the selected text, or the whole caption where none is selected; takes the mark away where all of it has it. */
export function mark(view: EditorView, desk: EditContext, kind: MarkKind): boolean {
  const { state } = view;
  if (!desk.editable()) return true;
  const { captions } = state.field(layoutField);
  const { from, to } = spots(state);
  const { empty } = state.selection.main;
  const stretches = captions.slice(from.index, to.index + 1).flatMap((caption, i) => {
    const begins = !empty && i === 0 ? from.offset : 0;
    const ends = !empty && from.index + i === to.index ? to.offset : caption.text.length;
    return ends > begins ? [{ caption, begins, ends }] : [];
  });
  const on = !stretches.every(({ caption, begins, ends }) =>
    caption.marks.some((m) => m.kind === kind && m.from <= begins && m.to >= ends),
  );
  const edits = stretches.map(({ caption, begins, ends }): Edit => ({
    type: 'mark',
    id: caption.id,
    from: begins,
    to: ends,
    kind,
    value: '',
    on,
  }));
  const [only] = edits;
  if (only) view.dispatch(specFor(state, edits.length === 1 ? only : { type: 'together', edits }, false, () => null));
  return true;
}

/** The word at the cursor gets a capital, or loses it; the cursor stays. */
export function capital(view: EditorView, desk: EditContext): boolean {
  const { state } = view;
  const layout = state.field(layoutField);
  const { index, offset } = spotAt(layout, state.selection.main.from);
  const caption = layout.captions[index];
  const change = caption && turnCapital(caption.text, offset, desk.context()?.language ?? null);
  if (!caption || !change || !desk.editable()) return true;
  const keeps = state.field(aroundField)?.keepsProof === true ? ({ keeps: true } as const) : {};
  view.dispatch(specFor(state, { type: 'splice', id: caption.id, ...change, ...keeps }, false, () => null));
  return true;
}

/** Text of a caption becomes another, the cursor going after it. */
export function put(view: EditorView, desk: EditContext, id: string, from: number, to: number, insert: string): void {
  if (!desk.editable()) return;
  const edit: Edit = { type: 'splice', id, from, to, insert };
  view.dispatch(
    specFor(view.state, edit, false, (captions) => {
      const start = startOf(captions, id);
      return start === null ? null : start + from + insert.length;
    }),
  );
}

/** Puts lines into the track as captions of their own, in place of what is selected. */
export function paste(view: EditorView, desk: EditContext, text: string): boolean {
  const { state } = view;
  const context = desk.context();
  if (!context || !desk.editable()) return false;
  const lines = linesToPaste(text, context.style.text.lines.limit);
  if (!lines) return false;
  const { captions } = state.field(layoutField);
  const { from, to } = spots(state);
  const old = captions.slice(from.index, to.index + 1);
  const head = old[0]?.text.slice(0, from.offset).trim() ?? '';
  const tail = old.at(-1)?.text.slice(to.offset).trim() ?? '';
  const plain = (part: string): string[] => (part === '' ? [] : [part.replace(/\s*\n\s*/g, ' ')]);
  const since = captions[from.index - 1]?.end ?? 0;
  const until = captions[to.index + 1]?.start ?? context.length ?? Infinity;
  const laid = pasted([...plain(head), ...lines, ...plain(tail)], { old, since, until }, context, desk.newId);
  const last = laid.at(tail === '' ? -1 : -2);
  const edit: Edit = { type: 'replace', removed: old.map((c) => c.id), captions: laid };
  view.dispatch(
    specFor(state, edit, false, (after) => {
      const start = last ? startOf(after, last.id) : null;
      return last && start !== null ? start + last.text.length : null;
    }),
  );
  return true;
}

/** Selects whole captions, from the first to the last. */
export function selectCaptions(view: EditorView, first: number, last: number, backwards: boolean): void {
  const { captions, starts } = view.state.field(layoutField);
  const [a, b] = [starts[first] ?? 0, (starts[last] ?? 0) + (captions[last]?.text.length ?? 0)];
  view.dispatch({
    selection: backwards ? EditorSelection.range(b, a) : EditorSelection.range(a, b),
    scrollIntoView: true,
  });
}

/** Takes one caption more into the selection, above or below, or gives the last one back. */
export function extend(view: EditorView, by: 1 | -1): boolean {
  const layout = view.state.field(layoutField);
  const { main } = view.state.selection;
  const [anchor, head] = [main.anchor, main.head].map((at) => spotAt(layout, at).index);
  if (anchor === undefined || head === undefined) return true;
  const next = main.empty ? head : Math.max(0, Math.min(layout.captions.length - 1, head + by));
  selectCaptions(view, Math.min(anchor, next), Math.max(anchor, next), next < anchor);
  return true;
}
