/**
 * The text surface: one CodeMirror document for the whole track, bound to the edit log both ways. A
 * line of the document is a line of a caption. Changes by hand are translated into edits; changes of
 * the track from elsewhere come in as the smallest change of the text, and never while an input
 * method is composing.
 */
import { defaultKeymap } from '@codemirror/commands';
import { EditorSelection, EditorState, Prec, type Extension, type TransactionSpec } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import { wholeGap } from '../../../core/rules/style.ts';
import type { FrameRate } from '../../../core/time/frames.ts';
import type { Caption } from '../../../core/track/caption.ts';
import { apply, type Edit } from '../../../core/track/edits.ts';
import { splitTimes } from '../../../core/track/split-times.ts';
import { decorations } from './decorations.ts';
import { difference, documentOf, layoutOf, spotAt, type TextChange } from './layout.ts';
import { margins } from './margins.ts';
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
import { joint, translate } from './translate.ts';

export interface SurfaceOptions {
  readonly parent: HTMLElement;
  readonly nonce: string;
  readonly captions: readonly Caption[];
  readonly around: Around;
  readonly rate: () => FrameRate;
  readonly editable: () => boolean;
  readonly newId: () => string;
  /** A change was made by hand. */
  readonly onChange: (change: TrackChange) => void;
  /** The text cursor was moved without a change: what is typed next is a step of its own. */
  readonly onMove: () => void;
  /** An input method began or ended composing. */
  readonly onComposing: (now: boolean) => void;
  /** The time of a caption was pressed in the margin. */
  readonly onTime: (id: string) => void;
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
  /** Joins the caption with the text cursor with the one above or below it. */
  readonly join: (direction: 'above' | 'below') => boolean;
  readonly share: () => boolean;
  readonly destroy: () => void;
}

/** A transaction that carries out an edit that is more than its text. */
function specFor(
  state: EditorState,
  edit: Edit,
  mergeable: boolean,
  caret: (captions: readonly Caption[]) => number | null,
): TransactionSpec {
  const applied = apply(state.field(layoutField).captions, edit);
  const change = difference(state.doc.toString(), documentOf(applied.captions));
  const at = caret(applied.captions);
  return {
    ...(change ? { changes: change } : {}),
    effects: setCaptions.of(applied.captions),
    annotations: trackChange.of({ edit, applied, mergeable }),
    ...(at === null ? {} : { selection: EditorSelection.cursor(at) }),
    scrollIntoView: true,
  };
}

/** Turns every change by hand into its edit before it happens. */
const translator = EditorState.transactionFilter.of((tr) => {
  if (!tr.docChanged || tr.annotation(fromTrack) || tr.annotation(trackChange)) return tr;
  const changes: TextChange[] = [];
  tr.changes.iterChanges((from, to, _fromB, _toB, insert) => changes.push({ from, to, insert: insert.toString() }));
  const layout = tr.startState.field(layoutField);
  const result = translate(layout, changes, styleOf(tr.startState));
  if (!result) return [];
  const first = changes[0]?.from ?? 0;
  if (!result.asTyped) {
    const caret = first + (changes[0]?.insert.length ?? 0);
    return specFor(tr.startState, result.edit, false, (captions) => Math.min(caret, documentOf(captions).length));
  }
  const applied = apply(layout.captions, result.edit);
  return [
    tr,
    {
      effects: setCaptions.of(applied.captions),
      annotations: trackChange.of({ edit: result.edit, applied, mergeable: result.mergeable }),
    },
  ];
});

export function createSurface(options: SurfaceOptions): Surface {
  let waiting: readonly Caption[] | null = null;

  function share(view: EditorView): boolean {
    const { state } = view;
    const layout = state.field(layoutField);
    const { index, offset } = spotAt(layout, state.selection.main.head);
    const caption = layout.captions[index];
    if (!caption || !options.editable()) return true;
    // Nothing on one side: there is nothing to share.
    if (caption.text.slice(0, offset).trim() === '' || caption.text.slice(offset).trim() === '') return true;
    const edit: Edit = {
      type: 'split',
      id: caption.id,
      at: offset,
      newId: options.newId(),
      ...splitTimes(caption, offset, wholeGap(styleOf(state), options.rate())),
    };
    view.dispatch(
      specFor(state, edit, false, (captions) => {
        const after = captions.findIndex((c) => c.id === edit.newId);
        return layoutOf(captions).starts[after] ?? null;
      }),
    );
    return true;
  }

  function join(view: EditorView, direction: 'above' | 'below', onlyAtEdge: boolean): boolean {
    const { state } = view;
    if (!state.selection.main.empty || !options.editable()) return false;
    const layout = state.field(layoutField);
    const { index, offset } = spotAt(layout, state.selection.main.head);
    const here = layout.captions[index];
    if (!here || (onlyAtEdge && offset !== (direction === 'above' ? 0 : here.text.length))) return false;
    const first = direction === 'above' ? index - 1 : index;
    const [a, b] = [layout.captions[first], layout.captions[first + 1]];
    if (!a || !b) return true;
    const between = joint(a, b, styleOf(state));
    view.dispatch(
      specFor(
        state,
        { type: 'join', id: a.id, next: b.id, between },
        false,
        () => (layout.starts[first] ?? 0) + a.text.length + (direction === 'above' ? between.length : 0),
      ),
    );
    return true;
  }

  const keys = Prec.highest(
    keymap.of([
      { key: 'Enter', run: share },
      {
        key: 'Shift-Enter',
        run: (view) => (view.dispatch(view.state.replaceSelection('\n'), { userEvent: 'input' }), true),
      },
      { key: 'Backspace', run: (view) => join(view, 'above', true) },
      { key: 'Delete', run: (view) => join(view, 'below', true) },
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
    margins(options.onTime),
    decorations,
    listener,
    EditorView.domEventHandlers({
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
    join: (direction) => join(view, direction, false),
    share: () => share(view),
    destroy() {
      cancelAnimationFrame(telling);
      view.destroy();
    },
  };
}
