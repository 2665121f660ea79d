/** What the margins in sight say of findings; most keys change nothing in it, and then nothing is drawn again. */
import type { EditorView } from '@codemirror/view';
import { spotAt } from './layout.ts';
import { verdict } from './margin-rows.ts';
import { aroundField, fromTrack, layoutField, setAround, type Around } from './state.ts';

function verdictsOf(view: EditorView, { findings }: Around): string {
  const layout = view.state.field(layoutField);
  const last = spotAt(layout, view.viewport.to).index;
  const said: string[] = [];
  for (let i = spotAt(layout, view.viewport.from).index; i <= last; i++) {
    const { wrong, speed, duration } = verdict(findings.get(layout.captions[i]?.id ?? '') ?? []);
    said.push(wrong, speed, duration);
  }
  return said.join();
}

/** @returns shows what stands around the text, where it is not what is shown */
export function shownAround(view: EditorView): (around: Around) => void {
  let shown = '';
  const isShown = (around: Around): boolean => {
    const now = view.state.field(aroundField);
    const same = now !== null && (Object.keys(around) as (keyof Around)[]).every((key) => around[key] === now[key]);
    return same && verdictsOf(view, around) === shown;
  };
  return (around) => {
    if (isShown(around)) return;
    view.dispatch({ effects: setAround.of(around), annotations: fromTrack.of(true) });
    shown = verdictsOf(view, around);
  };
}
