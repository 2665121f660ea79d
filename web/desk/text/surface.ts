/**
 * The text surface: one CodeMirror document for the whole track, bound to the edit log both ways. A
 * line of the document is a line of a caption; captions follow each other line after line, and which
 * line is whose is known by the layout (`layout.ts`), a field of the editor’s state.
 *
 * By hand: a transaction that changes the document is taken apart before it happens
 * (`edits-from-changes.ts`). `edit-of-change.ts` says which edit of the track it is; the edit is applied
 * to the captions, and where the document after it is what was typed the transaction goes through as
 * it is, so that input methods and the browser’s own editing are not disturbed. Where it is not (a
 * split, a join, text across captions) another transaction takes its place.
 *
 * From elsewhere: captions that others changed come in as the smallest changes of the text
 * (`changesTo`), marked `fromTrack` so that they are not taken for typing.
 *
 * What holds:
 * - The document is always `documentOf(captions)`: nothing stands in it that the track does not have.
 * - While an input method is composing, nothing comes in from elsewhere.
 * - What is shown on the text (doubt, findings, matches) is decoration and never part of the document.
 * - The cursor stays in the word it was in, whatever comes in around it.
 */
import { EditorState, type Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import type { MatchInTrack } from '../../../core/find/replace.ts';
import type { Caption, MarkKind } from '../../../core/model/caption.ts';
import { captionsFromTrack } from './captions-from-track.ts';
import { capital, extend, breakHere, give, mark, put } from './edit-commands.ts';
import { extensionsOf } from './extensions.ts';
import { setMatches, shownIn } from './highlights.ts';
import { boxOf, selectedStretch, selectStretch, showCaption, showSaid, takeWord, type StretchOf } from './in-view.ts';
import { documentOf, layoutOf, spotAt, type Layout } from './layout.ts';
import { aroundField, fromTrack, layoutField, type Around } from './state.ts';
import type { SurfaceOptions } from './surface-options.ts';
import { shownAround } from './verdicts-in-view.ts';

export interface Surface {
  readonly view: EditorView;
  readonly setCaptions: (captions: readonly Caption[]) => void;
  readonly setAround: (around: Around) => void;
  /** Scrolls a caption into sight; with `caret` the text cursor goes there too. */
  readonly show: (id: string, caret: boolean) => void;
  readonly give: (to: 'above' | 'below') => boolean;
  /** The break between two captions comes to the cursor. */
  readonly breakHere: () => boolean;
  readonly mark: (kind: MarkKind) => boolean;
  /** A capital for the word at the cursor, or none. */
  readonly capital: () => boolean;
  /** Takes one caption more into the selection. */
  readonly extend: (by: 1 | -1) => boolean;
  /** Text of a caption becomes another. */
  readonly put: (id: string, from: number, to: number, insert: string) => void;
  /** Brings a word up to be typed over; a sign typed then goes after it. */
  readonly take: (id: string, from: number, to: number) => void;
  /** Selects a stretch of a caption and brings it into sight. */
  readonly select: (id: string, from: number, to: number) => void;
  /** Shows which word is being said, and keeps it in sight where asked; null where none is. */
  readonly setSaid: (at: StretchOf | null, inSight: boolean) => void;
  /** Shows what was found. */
  readonly setFound: (places: readonly MatchInTrack[], now: number) => void;
  /** Where a stretch of a caption is on the screen; null while it is out of sight. */
  readonly boxOf: (id: string, from: number, to: number) => DOMRect | null;
  /** Where in its caption the cursor stands. */
  readonly offset: () => number;
  readonly selectedText: () => string;
  /** What is selected in the caption where the selection begins; empty at the cursor where nothing is. */
  readonly chosen: () => StretchOf | null;
  readonly destroy: () => void;
}

/**
 * Reads the text otherwise: as a new state with the same text and cursor, since each line then has another height, which
 * costs less to measure again than to change line by line.
 */
function readAnew(view: EditorView, extensions: Extension): void {
  const { doc, selection } = view.state;
  view.setState(EditorState.create({ doc, selection, extensions: [shownIn(view.state), extensions] }));
}

export function createSurface(options: SurfaceOptions): Surface {
  const fromElsewhere = captionsFromTrack(() => view);
  const extensions = extensionsOf(options, () => view, fromElsewhere.composed);
  const known = (layout: Layout, around: Around): Extension => [
    layoutField.init(() => layout),
    aroundField.init(() => around),
    extensions,
  ];
  const view = new EditorView({
    parent: options.parent,
    doc: documentOf(options.captions),
    extensions: known(layoutOf(options.captions), options.around),
  });
  const showAround = shownAround(view);
  let turning = 0;
  function read(around: Around): void {
    // In the frame that measures it, and before that: nothing is painted in between, and no turn of the page takes both.
    cancelAnimationFrame(turning);
    turning = requestAnimationFrame(() => {
      view.dispatch({ effects: EditorView.scrollIntoView(view.state.selection.main.head, { y: 'center' }) });
    });
    readAnew(view, known(view.state.field(layoutField), around));
  }
  return {
    view,
    setCaptions: fromElsewhere.take,
    setAround(around) {
      if (view.state.field(aroundField)?.reading !== around.reading) read(around);
      else showAround(around);
    },
    show: (id, caret) => showCaption(view, id, caret),
    give: (to) => give(view, options, to),
    breakHere: () => breakHere(view, options),
    mark: (kind) => mark(view, options, kind),
    capital: () => capital(view, options),
    extend: (by) => extend(view, by),
    put: (id, from, to, insert) => put(view, options, id, from, to, insert),
    take: (id, from, to) => takeWord(view, { id, from, to }),
    select: (id, from, to) => selectStretch(view, { id, from, to }),
    setSaid: (at, inSight) => showSaid(view, at, inSight),
    setFound: (places, now) =>
      view.dispatch({ effects: setMatches.of({ places, now }), annotations: fromTrack.of(true) }),
    boxOf: (id, from, to) => boxOf(view, { id, from, to }),
    offset: () => spotAt(view.state.field(layoutField), view.state.selection.main.head).offset,
    selectedText: () => view.state.sliceDoc(view.state.selection.main.from, view.state.selection.main.to),
    chosen: () => selectedStretch(view),
    destroy() {
      cancelAnimationFrame(turning);
      view.destroy();
    },
  };
}
