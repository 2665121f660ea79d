/**
 * The text surface: one CodeMirror document for the whole track, bound to the edit log both ways. A
 * line of the document is a line of a caption. Changes by hand are translated into edits; changes of
 * the track from elsewhere come in as the smallest change of the text, and never while an input
 * method is composing.
 */
import { defaultKeymap } from '@codemirror/commands';
import { EditorSelection, EditorState, Prec, type Extension } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import type { Place } from '../../../core/find/replace.ts';
import type { Caption, MarkKind } from '../../../core/track/caption.ts';
import { apply, type Edit } from '../../../core/track/edits.ts';
import { cleaned, clipboard, longestPaste } from './clipboard.ts';
import { decorations } from './decorations.ts';
import { difference, documentOf, layoutOf, spotAt, type TextChange } from './layout.ts';
import { extend, give, join, mark, paste, put, selectCaptions, share, specFor, type Desk } from './hands.ts';
import { margins } from './margins.ts';
import { reading } from './reading.ts';
import { setFound, setSaid, shown } from './said.ts';
import {
  aroundField,
  fromTrack,
  layoutField,
  setAround,
  setCaptions,
  styleOf,
  trackChange,
  type Around,
  type TrackChange,
} from './state.ts';
import { translate } from './translate.ts';

export interface SurfaceOptions extends Desk {
  readonly parent: HTMLElement;
  readonly nonce: string;
  readonly captions: readonly Caption[];
  readonly around: Around;
  /** A change was made by hand. */
  readonly onChange: (change: TrackChange) => void;
  /** The text cursor was moved without a change: what is typed next is a step of its own. */
  readonly onMove: () => void;
  /** An input method began or ended composing. */
  readonly onComposing: (now: boolean) => void;
  /** The time of a caption was pressed in the margin. */
  readonly onTime: (id: string) => void;
  /** A word was pressed with Ctrl: it wants to be heard. */
  readonly onHear: (id: string, offset: number) => void;
  /** More was pasted than a track takes at once, in characters; nothing was changed. */
  readonly onTooMuch: (characters: number) => void;
  /** The text cursor was put into a caption by hand. */
  readonly onEnter: (id: string) => void;
  /** Other captions came into sight, from the first to the last of them. */
  readonly onView: (stretch: { readonly first: string; readonly last: string }) => void;
  /** Text of several captions was selected, from the first to the last of them; or no longer is. */
  readonly onSelect: (stretch: { readonly first: string; readonly last: string } | null) => void;
}

export interface Surface {
  readonly view: EditorView;
  readonly setCaptions: (captions: readonly Caption[]) => void;
  readonly setAround: (around: Around) => void;
  /** Scrolls a caption into sight; with `caret` the text cursor goes there too. */
  readonly show: (id: string, caret: boolean) => void;
  readonly give: (to: 'above' | 'below') => boolean;
  readonly mark: (kind: MarkKind) => boolean;
  /** Takes one caption more into the selection. */
  readonly extend: (by: 1 | -1) => boolean;
  /** Text of a caption becomes another. */
  readonly put: (id: string, from: number, to: number, insert: string) => void;
  /** Selects a stretch of a caption and brings it into sight. */
  readonly select: (id: string, from: number, to: number) => void;
  /** Shows which word is being said; null where none is. */
  readonly setSaid: (at: { readonly id: string; readonly from: number; readonly to: number } | null) => void;
  /** Shows what was found. */
  readonly setFound: (places: readonly Place[], now: number) => void;
  /** Where a stretch of a caption is on the screen; null while it is out of sight. */
  readonly boxOf: (id: string, from: number, to: number) => DOMRect | null;
  /** Where in its caption the cursor stands. */
  readonly offset: () => number;
  readonly selectedText: () => string;
  /** Brings the cursor into sight. */
  readonly showCursor: () => void;
  readonly destroy: () => void;
}

/** Turns every change by hand into its edit before it happens. */
const translator = EditorState.transactionFilter.of((tr) => {
  if (!tr.docChanged || tr.annotation(fromTrack) || tr.annotation(trackChange)) return tr;
  const changes: TextChange[] = [];
  let written = 0;
  tr.changes.iterChanges((from, to, _fromB, _toB, text) => {
    const insert = cleaned(text.toString());
    written += text.length;
    changes.push({ from, to, insert });
  });
  const isClean = changes.reduce((sum, c) => sum + c.insert.length, 0) === written;
  const layout = tr.startState.field(layoutField);
  const result = translate(layout, changes, styleOf(tr.startState));
  if (!result) return [];
  const first = changes[0]?.from ?? 0;
  if (!result.asTyped || !isClean) {
    const caret = first + (changes[0]?.insert.length ?? 0);
    return specFor(tr.startState, result.edit, false, (captions) => Math.min(caret, documentOf(captions).length));
  }
  const keeps = tr.startState.field(aroundField)?.keepsProof === true && result.edit.type === 'splice';
  const edit: Edit = keeps ? { ...result.edit, keeps } : result.edit;
  const applied = apply(layout.captions, edit);
  return [
    tr,
    {
      effects: setCaptions.of(applied.captions),
      annotations: trackChange.of({ edit, applied, mergeable: result.mergeable }),
    },
  ];
});

export function createSurface(options: SurfaceOptions): Surface {
  let waiting: readonly Caption[] | null = null;

  const keys = Prec.highest(
    keymap.of([
      { key: 'Enter', run: (view) => share(view, options) },
      {
        key: 'Shift-Enter',
        run: (view) => (view.dispatch(view.state.replaceSelection('\n'), { userEvent: 'input' }), true),
      },
      { key: 'Backspace', run: (view) => join(view, options, 'above') },
      { key: 'Delete', run: (view) => join(view, options, 'below') },
    ]),
  );

  const listener = EditorView.updateListener.of((update) => {
    for (const tr of update.transactions) {
      const change = tr.annotation(trackChange);
      if (change) options.onChange(change);
    }
    if (update.geometryChanged) tellView();
    if (update.selectionSet && !update.docChanged) options.onMove();
    if (update.selectionSet) {
      const layout = update.state.field(layoutField);
      const { main } = update.state.selection;
      const [first, last] = [main.from, main.to].map((at) => layout.captions[spotAt(layout, at).index]?.id);
      options.onSelect(first !== undefined && last !== undefined && first !== last ? { first, last } : null);
    }
    const byHand = update.transactions.some((tr) => !tr.annotation(fromTrack));
    if (byHand && (update.selectionSet || update.docChanged) && update.view.hasFocus) {
      const layout = update.state.field(layoutField);
      const here = layout.captions[spotAt(layout, update.state.selection.main.head).index];
      if (here) options.onEnter(here.id);
    }
  });

  const extensions: Extension = [
    layoutField.init(() => layoutOf(options.captions)),
    aroundField.init(() => options.around),
    translator,
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
      'aria-label': 'Captions, line by line',
      tabindex: '0',
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
    reading,
    shown,
    clipboard((text) => {
      if (text.length <= longestPaste) return paste(view, options, text);
      options.onTooMuch(text.length);
      return true;
    }),
    decorations,
    listener,
    EditorView.domEventHandlers({
      mousedown(event, here) {
        if (!(event.ctrlKey || event.metaKey) || event.button !== 0) return false;
        const at = here.posAtCoords({ x: event.clientX, y: event.clientY });
        const layout = here.state.field(layoutField);
        const spot = at === null ? null : spotAt(layout, at);
        const caption = layout.captions[spot?.index ?? -1];
        if (!spot || !caption) return false;
        options.onHear(caption.id, spot.offset);
        event.preventDefault();
        return true;
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
  const view = new EditorView({
    parent: options.parent,
    state: EditorState.create({ doc: documentOf(options.captions), extensions }),
  });

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

  let telling = 0;
  /** Tells what is in sight, once a frame at most. */
  function tellView(): void {
    cancelAnimationFrame(telling);
    telling = requestAnimationFrame(() => {
      const { scrollTop, clientHeight } = view.scrollDOM;
      const layout = view.state.field(layoutField);
      const [first, last] = [scrollTop, scrollTop + clientHeight - 1].map(
        (height) => layout.captions[spotAt(layout, view.lineBlockAtHeight(height).from).index]?.id,
      );
      if (first !== undefined && last !== undefined) options.onView({ first, last });
    });
  }
  view.scrollDOM.addEventListener('scroll', tellView, { passive: true });
  tellView();

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
    const change = difference(view.state.doc.toString(), documentOf(captions));
    view.dispatch({
      ...(change ? { changes: change } : {}),
      effects: setCaptions.of(captions),
      annotations: fromTrack.of(true),
    });
  }

  return {
    view,
    setCaptions: take,
    setAround: (around) => view.dispatch({ effects: setAround.of(around), annotations: fromTrack.of(true) }),
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
    extend: (by) => extend(view, by),
    put: (id, from, to, insert) => put(view, options, id, from, to, insert),
    select(id, from, to) {
      const start = startOf(id);
      if (start === null) return;
      view.dispatch({
        selection: EditorSelection.range(start + from, start + to),
        effects: EditorView.scrollIntoView(start + from, { y: 'nearest', yMargin: 110 }),
      });
    },
    setSaid(at) {
      const start = at ? startOf(at.id) : null;
      const place = at && start !== null ? { from: start + at.from, to: start + at.to } : null;
      view.dispatch({ effects: setSaid.of(place), annotations: fromTrack.of(true) });
    },
    setFound(places, now) {
      const { captions, starts } = view.state.field(layoutField);
      const at = new Map(captions.map((c, i) => [c.id, starts[i] ?? 0]));
      const shownAt = places.flatMap((p) => {
        const start = at.get(p.caption);
        return start === undefined ? [] : [{ from: start + p.from, to: start + p.to }];
      });
      view.dispatch({ effects: setFound.of({ places: shownAt, now }), annotations: fromTrack.of(true) });
    },
    boxOf(id, from, to) {
      const start = startOf(id);
      if (start === null) return null;
      const [a, b] = [view.coordsAtPos(start + from, 1), view.coordsAtPos(start + to, -1)];
      return a && b ? new DOMRect(a.left, a.top, Math.max(1, b.right - a.left), b.bottom - a.top) : null;
    },
    showCursor: () =>
      view.dispatch({ effects: EditorView.scrollIntoView(view.state.selection.main.head, { y: 'center' }) }),
    offset: () => spotAt(view.state.field(layoutField), view.state.selection.main.head).offset,
    selectedText: () => view.state.sliceDoc(view.state.selection.main.from, view.state.selection.main.to),
    destroy() {
      cancelAnimationFrame(telling);
      view.destroy();
    },
  };
}
