/** What the surface tells the page as it happens: changes and moves by hand, what is selected, what is in sight. */
import type { Ends } from '../../data/tracks/ends.ts';
import type { Extension } from '@codemirror/state';
import { EditorView, ViewPlugin, type ViewUpdate } from '@codemirror/view';
import { spotAt } from './layout.ts';
import { fromTrack, layoutField, trackChange, type SurfaceChange } from './state.ts';

/** Who is told. */
export interface Listeners {
  /** A change was made by hand. */
  readonly onChange: (change: SurfaceChange) => void;
  /** The text cursor was moved without a change: what is typed next is a step of its own. */
  readonly onMove: () => void;
  /** The text cursor was put into a caption by hand. */
  readonly onEnter: (id: string) => void;
  /** Other captions came into sight. */
  readonly onView: (stretch: Ends) => void;
  /** Text of several captions was selected; or no longer is. */
  readonly onSelect: (stretch: Ends | null) => void;
}

/** The captions at two places of the document; null where there are none. */
function endsOf({ state }: EditorView, from: number, to: number): Ends | null {
  const layout = state.field(layoutField);
  const [first, last] = [from, to].map((at) => layout.captions[spotAt(layout, at).index]?.id);
  return first !== undefined && last !== undefined ? { first, last } : null;
}

function tellOf({ view, transactions, selectionSet, docChanged }: ViewUpdate, told: Listeners): void {
  for (const tr of transactions) {
    const change = tr.annotation(trackChange);
    if (change) told.onChange(change);
  }
  if (!selectionSet && !docChanged) return;
  const { main } = view.state.selection;
  if (selectionSet) {
    if (!docChanged) told.onMove();
    const ends = endsOf(view, main.from, main.to);
    told.onSelect(ends && ends.first !== ends.last ? ends : null);
  }
  const byHand = transactions.some((tr) => !tr.annotation(fromTrack));
  const here = byHand && view.hasFocus ? endsOf(view, main.head, main.head) : null;
  if (here) told.onEnter(here.first);
}

/** Tells what is in sight, once a frame at most. */
const inSight = (told: Listeners): Extension =>
  ViewPlugin.define((view) => {
    let frame = 0;
    const tell = (): void => {
      cancelAnimationFrame(frame);
      frame = requestAnimationFrame(() => {
        const { scrollTop, clientHeight } = view.scrollDOM;
        const [top = 0, foot = 0] = [scrollTop, scrollTop + clientHeight - 1].map(
          (height) => view.lineBlockAtHeight(height).from,
        );
        const ends = endsOf(view, top, foot);
        if (ends) told.onView(ends);
      });
    };
    view.scrollDOM.addEventListener('scroll', tell, { passive: true });
    tell();
    return {
      update(update) {
        if (update.geometryChanged) tell();
      },
      destroy() {
        cancelAnimationFrame(frame);
        view.scrollDOM.removeEventListener('scroll', tell);
      },
    };
  });

/** Tells the page what happens on the surface. */
export const tells = (told: Listeners): Extension => [
  EditorView.updateListener.of((update) => {
    tellOf(update, told);
  }),
  inSight(told),
];
