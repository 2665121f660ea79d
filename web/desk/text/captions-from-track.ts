/** Captions that were changed elsewhere, taken over by the text; they wait while an input method is composing. */
import type { EditorView } from '@codemirror/view';
import type { Caption } from '../../../core/model/caption.ts';
import { changesTo, followedLayout, layoutOf, spotAt } from './layout.ts';
import { fromTrack, layoutField, setCaptions } from './state.ts';

export interface CaptionsFromTrack {
  readonly take: (captions: readonly Caption[]) => void;
  /** Nothing is being composed any more: what waited is taken. */
  readonly composed: () => void;
}

/** @param viewOf the view, once there is one */
export function captionsFromTrack(viewOf: () => EditorView): CaptionsFromTrack {
  let waiting: readonly Caption[] | null = null;

  function take(captions: readonly Caption[]): void {
    const view = viewOf();
    const layout = view.state.field(layoutField);
    waiting = null;
    if (layout.captions === captions) return;
    if (view.composing) {
      waiting = captions;
      return;
    }
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
    take,
    composed: () => {
      if (waiting) take(waiting);
    },
  };
}
