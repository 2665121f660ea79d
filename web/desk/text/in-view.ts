/** Captions of the text by their ids: where they stand, brought into sight, selected, and what of them is selected. */
import { EditorSelection, type StateEffect } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import type { TextRange } from '../../../core/text/text-range.ts';
import { selectCaptions } from './edit-commands.ts';
import { setSpoken } from './highlights.ts';
import { spotAt } from './layout.ts';
import { setSelectedWord } from './selected-word.ts';
import { fromTrack, layoutField } from './state.ts';

/** A stretch of a caption, in characters of its text. */
export interface StretchOf extends TextRange {
  readonly id: string;
}

/** What is shown keeps this distance from the top and the foot, in px. */
const around = 70;
/** The same of what was chosen to be worked on. */
const aroundChosen = 110;

/** Where the text of a caption begins in the document; null where it is not there. */
function startOf(view: EditorView, id: string): number | null {
  const { captions, starts } = view.state.field(layoutField);
  return starts[captions.findIndex((c) => c.id === id)] ?? null;
}

function selectRange(view: EditorView, from: number, to: number, effects: readonly StateEffect<unknown>[]): void {
  view.dispatch({
    selection: EditorSelection.range(from, to),
    effects: [...effects, EditorView.scrollIntoView(from, { y: 'nearest', yMargin: aroundChosen })],
  });
}

/** Scrolls a caption into sight; with `caret` the text cursor goes there too. */
export function showCaption(view: EditorView, id: string, caret: boolean): void {
  const layout = view.state.field(layoutField);
  const index = layout.captions.findIndex((c) => c.id === id);
  const at = layout.starts[index];
  const caption = layout.captions[index];
  if (at === undefined || !caption) return;
  const inside = spotAt(layout, view.state.selection.main.head).index === index;
  view.dispatch({
    ...(caret && !inside ? { selection: EditorSelection.cursor(at) } : {}),
    effects: EditorView.scrollIntoView(EditorSelection.range(at, at + caption.text.length), {
      y: 'nearest',
      yMargin: around,
    }),
    annotations: fromTrack.of(true),
  });
}

/** Selects a stretch of a caption and brings it into sight. */
export function selectStretch(view: EditorView, { id, from, to }: StretchOf): void {
  const start = startOf(view, id);
  if (start !== null) selectRange(view, start + from, start + to, []);
}

/** Brings a word up to be typed over; a sign typed then goes after it. */
export function takeWord(view: EditorView, { id, from, to }: StretchOf): void {
  const start = startOf(view, id);
  if (start === null) return;
  selectRange(view, start + from, start + to, [setSelectedWord.of({ from: start + from, to: start + to })]);
  view.focus();
}

/** Selects from the caption with the cursor to another. */
export function selectUpTo(view: EditorView, id: string): void {
  const layout = view.state.field(layoutField);
  const here = spotAt(layout, view.state.selection.main.anchor).index;
  const there = layout.captions.findIndex((c) => c.id === id);
  if (there >= 0) selectCaptions(view, Math.min(here, there), Math.max(here, there), there < here);
}

/** Shows which word is being said, and keeps it in sight where asked; null where none is. */
export function showSaid(view: EditorView, said: StretchOf | null, inSight: boolean): void {
  const start = said ? startOf(view, said.id) : null;
  const range = said && start !== null ? { from: start + said.from, to: start + said.to } : null;
  const scroll = range && inSight ? [EditorView.scrollIntoView(range.from, { y: 'nearest', yMargin: around })] : [];
  view.dispatch({ effects: [setSpoken.of(range), ...scroll], annotations: fromTrack.of(true) });
}

/** Where a stretch of a caption is on the screen; null while it is out of sight. */
export function boxOf(view: EditorView, { id, from, to }: StretchOf): DOMRect | null {
  const start = startOf(view, id);
  if (start === null) return null;
  const [a, b] = [view.coordsAtPos(start + from, 1), view.coordsAtPos(start + to, -1)];
  return a && b ? new DOMRect(a.left, a.top, Math.max(1, b.right - a.left), b.bottom - a.top) : null;
}

/** What is selected in the caption where the selection begins; empty at the cursor where nothing is. */
export function selectedStretch(view: EditorView): StretchOf | null {
  const layout = view.state.field(layoutField);
  const { main } = view.state.selection;
  const [from, to] = [spotAt(layout, main.from), spotAt(layout, main.to)];
  const caption = layout.captions[from.index];
  if (!caption) return null;
  return { id: caption.id, from: from.offset, to: to.index === from.index ? to.offset : caption.text.length };
}
