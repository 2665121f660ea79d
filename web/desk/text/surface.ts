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
import { defaultKeymap } from '@codemirror/commands';
import { EditorSelection, EditorState, Prec, type Extension, type StateEffect } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import type { MatchInTrack } from '../../../core/find/replace.ts';
import type { TextRange } from '../../../core/text/text-range.ts';
import type { Caption, MarkKind } from '../../../core/model/caption.ts';
import { keyboardHome } from '../../ui/controls/keyboard-back.ts';
import { clipboard, longestPaste } from './clipboard.ts';
import { decorations } from './decorations.ts';
import { changesTo, documentOf, followedLayout, layoutOf, spotAt, type Layout } from './layout.ts';
import {
  capital,
  extend,
  give,
  joinKey,
  mark,
  paste,
  put,
  selectCaptions,
  splitKey,
  type EditContext,
} from './edit-commands.ts';
import { verdict } from './margin-rows.ts';
import { margins } from './margins.ts';
import { controlClick } from './control-click.ts';
import { readingExtension } from './running-text.ts';
import { setMatches, setSpoken, shown, shownIn } from './highlights.ts';
import { spareSpace } from './spare-space.ts';
import { aroundField, fromTrack, layoutField, setAround, setCaptions, type Around } from './state.ts';
import { setSelectedWord, taken } from './selected-word.ts';
import { tells, type Listeners } from './listeners.ts';
import { editsFromChanges } from './edits-from-changes.ts';

export interface SurfaceOptions extends EditContext, Listeners {
  readonly parent: HTMLElement;
  readonly nonce: string;
  readonly captions: readonly Caption[];
  readonly around: Around;
  /** How much of the foot something stands over, in px: what is brought into sight stays clear of it. */
  readonly covered: () => number;
  /** An input method began or ended composing. */
  readonly onComposing: (now: boolean) => void;
  /** The time of a caption was pressed in the margin. */
  readonly onTime: (id: string) => void;
  /** A word was pressed with Ctrl: it wants to be heard. */
  readonly onHear: (id: string, offset: number) => void;
  /** More was pasted than a track takes at once; nothing was changed. */
  readonly onTooMuch: (text: string) => void;
}

export interface Surface {
  readonly view: EditorView;
  readonly setCaptions: (captions: readonly Caption[]) => void;
  readonly setAround: (around: Around) => void;
  /** Scrolls a caption into sight; with `caret` the text cursor goes there too. */
  readonly show: (id: string, caret: boolean) => void;
  readonly give: (to: 'above' | 'below') => boolean;
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
  readonly setSaid: (
    at: { readonly id: string; readonly from: number; readonly to: number } | null,
    inSight: boolean,
  ) => void;
  /** Shows what was found. */
  readonly setFound: (places: readonly MatchInTrack[], now: number) => void;
  /** Where a stretch of a caption is on the screen; null while it is out of sight. */
  readonly boxOf: (id: string, from: number, to: number) => DOMRect | null;
  /** Where in its caption the cursor stands. */
  readonly offset: () => number;
  readonly selectedText: () => string;
  /** What is selected in the caption where the selection begins; empty at the cursor where nothing is. */
  readonly chosen: () => (TextRange & { readonly id: string }) | null;
  readonly destroy: () => void;
}

export function createSurface(options: SurfaceOptions): Surface {
  let waiting: readonly Caption[] | null = null;

  const keys = Prec.highest(
    keymap.of([
      { key: 'Enter', run: (view) => splitKey(view, options) },
      {
        key: 'Shift-Enter',
        run: (view) => (view.dispatch(view.state.replaceSelection('\n'), { userEvent: 'input' }), true),
      },
      { key: 'Backspace', run: (view) => joinKey(view, options, 'above') },
      { key: 'Delete', run: (view) => joinKey(view, options, 'below') },
    ]),
  );

  const extensions: Extension = [
    editsFromChanges,
    keys,
    // The page's own commands use keys that this set would take for itself.
    keymap.of(
      defaultKeymap.filter(
        (binding) => !/^(Ctrl-k|Mod-\[|Mod-\]|Mod-Enter|Ctrl-Space|Alt-Arrow|Shift-Alt)/.test(binding.key ?? ''),
      ),
    ),
    EditorView.lineWrapping,
    EditorView.perLineTextDirection.of(true),
    EditorView.cspNonce.of(options.nonce),
    EditorView.contentAttributes.of({
      tabindex: '0',
      [keyboardHome]: '',
      spellcheck: 'true',
      autocorrect: 'off',
      autocapitalize: 'off',
    }),
    EditorState.allowMultipleSelections.of(false),
    EditorState.changeFilter.of((tr) => tr.annotation(fromTrack) === true || options.editable()),
    margins((id, upTo) => {
      if (upTo) selectUpTo(id);
      else options.onTime(id);
    }),
    readingExtension,
    shown,
    taken,
    clipboard((text) => {
      if (text.length <= longestPaste) return paste(view, options, text);
      options.onTooMuch(text);
      return true;
    }),
    decorations,
    spareSpace,
    tells(options),
    controlClick(options.onHear),
    EditorView.scrollMargins.of(() => ({ bottom: options.covered() })),
    EditorView.domEventHandlers({
      // A browser gives a text that gets the keyboard back a cursor at its beginning. On a busy machine that
      // would be taken for somebody's choice; focusing from here puts the selection back at once.
      focus: () => {
        view.focus();
        return false;
      },
      compositionstart: () => {
        options.onComposing(true);
        return false;
      },
      compositionend: () => {
        setTimeout(() => {
          options.onComposing(false);
          if (waiting) take(waiting);
        });
        return false;
      },
    }),
  ];
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

  let turning = 0;
  /**
   * Reads the text otherwise: as a new state with the same text and cursor, since each line then has
   * another height, which costs less to measure again than to change line by line.
   */
  function read(around: Around): void {
    const { state } = view;
    const { doc, selection } = state;
    const all = [shownIn(state), known(state.field(layoutField), around)];
    const next = EditorState.create({ doc, selection, extensions: all });
    // In the frame that measures it, and before that: nothing is painted in between, and no turn of the page takes both.
    cancelAnimationFrame(turning);
    turning = requestAnimationFrame(() => {
      view.dispatch({ effects: EditorView.scrollIntoView(view.state.selection.main.head, { y: 'center' }) });
    });
    view.setState(next);
  }

  /** What the margins in sight say of findings; most keys change nothing in it, and then nothing is drawn again. */
  let shownVerdicts = '';
  function verdictsOf({ findings }: Around): string {
    const layout = view.state.field(layoutField);
    const last = spotAt(layout, view.viewport.to).index;
    const said: string[] = [];
    for (let i = spotAt(layout, view.viewport.from).index; i <= last; i++) {
      const { wrong, speed, duration } = verdict(findings.get(layout.captions[i]?.id ?? '') ?? []);
      said.push(wrong, speed, duration);
    }
    return said.join();
  }
  function isShown(around: Around): boolean {
    const now = view.state.field(aroundField);
    const same = now !== null && (Object.keys(around) as (keyof Around)[]).every((key) => around[key] === now[key]);
    return same && verdictsOf(around) === shownVerdicts;
  }

  function startOf(id: string): number | null {
    const { captions, starts } = view.state.field(layoutField);
    return starts[captions.findIndex((c) => c.id === id)] ?? null;
  }
  /** Selects from the caption with the cursor to another. */
  function selectUpTo(id: string): void {
    const layout = view.state.field(layoutField);
    const here = spotAt(layout, view.state.selection.main.anchor).index;
    const there = layout.captions.findIndex((c) => c.id === id);
    if (there >= 0) selectCaptions(view, Math.min(here, there), Math.max(here, there), there < here);
  }

  function select(from: number, to: number, effects: readonly StateEffect<unknown>[]): void {
    view.dispatch({
      selection: EditorSelection.range(from, to),
      effects: [...effects, EditorView.scrollIntoView(from, { y: 'nearest', yMargin: 110 })],
    });
  }

  function take(captions: readonly Caption[]): void {
    if (view.state.field(layoutField).captions === captions) {
      waiting = null;
      return;
    }
    if (view.composing) {
      waiting = captions;
      return;
    }
    waiting = null;
    const layout = view.state.field(layoutField);
    const { from, to } = view.viewport;
    const sight = { first: spotAt(layout, from).index, last: spotAt(layout, to).index };
    const { anchor, head } = view.state.selection.main;
    const after = layoutOf(captions);
    const follow = (at: number): number => followedLayout(layout, after, at);
    view.dispatch({
      changes: changesTo(layout, captions, sight),
      ...(captions.length === layout.captions.length
        ? { selection: { anchor: follow(anchor), head: follow(head) } }
        : {}),
      effects: setCaptions.of(captions),
      annotations: fromTrack.of(true),
    });
  }

  return {
    view,
    setCaptions: take,
    setAround(around) {
      if (view.state.field(aroundField)?.reading !== around.reading) read(around);
      else if (!isShown(around)) {
        view.dispatch({ effects: setAround.of(around), annotations: fromTrack.of(true) });
        shownVerdicts = verdictsOf(around);
      }
    },
    show(id, caret) {
      const layout = view.state.field(layoutField);
      const index = layout.captions.findIndex((c) => c.id === id);
      const at = layout.starts[index];
      const caption = layout.captions[index];
      if (at === undefined || !caption) return;
      const inside = spotAt(layout, view.state.selection.main.head).index === index;
      const range = EditorSelection.range(at, at + caption.text.length);
      view.dispatch({
        ...(caret && !inside ? { selection: EditorSelection.cursor(at) } : {}),
        effects: EditorView.scrollIntoView(range, { y: 'nearest', yMargin: 70 }),
        annotations: fromTrack.of(true),
      });
    },
    give: (to) => give(view, options, to),
    mark: (kind) => mark(view, options, kind),
    capital: () => capital(view, options),
    extend: (by) => extend(view, by),
    put: (id, from, to, insert) => put(view, options, id, from, to, insert),
    take(id, from, to) {
      const start = startOf(id);
      if (start === null) return;
      select(start + from, start + to, [setSelectedWord.of({ from: start + from, to: start + to })]);
      view.focus();
    },
    select(id, from, to) {
      const start = startOf(id);
      if (start !== null) select(start + from, start + to, []);
    },
    setSaid(at, inSight) {
      const start = at ? startOf(at.id) : null;
      const place = at && start !== null ? { from: start + at.from, to: start + at.to } : null;
      const scroll = place && inSight ? [EditorView.scrollIntoView(place.from, { y: 'nearest', yMargin: 70 })] : [];
      view.dispatch({ effects: [setSpoken.of(place), ...scroll], annotations: fromTrack.of(true) });
    },
    setFound: (places, now) =>
      view.dispatch({ effects: setMatches.of({ places, now }), annotations: fromTrack.of(true) }),
    boxOf(id, from, to) {
      const start = startOf(id);
      if (start === null) return null;
      const [a, b] = [view.coordsAtPos(start + from, 1), view.coordsAtPos(start + to, -1)];
      return a && b ? new DOMRect(a.left, a.top, Math.max(1, b.right - a.left), b.bottom - a.top) : null;
    },
    offset: () => spotAt(view.state.field(layoutField), view.state.selection.main.head).offset,
    selectedText: () => view.state.sliceDoc(view.state.selection.main.from, view.state.selection.main.to),
    chosen() {
      const layout = view.state.field(layoutField);
      const { main } = view.state.selection;
      const [from, to] = [spotAt(layout, main.from), spotAt(layout, main.to)];
      const caption = layout.captions[from.index];
      if (!caption) return null;
      return { id: caption.id, from: from.offset, to: to.index === from.index ? to.offset : caption.text.length };
    },
    destroy() {
      cancelAnimationFrame(turning);
      view.destroy();
    },
  };
}
