/** A word that is pressed with Ctrl, to be heard. */
import type { Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { spotAt } from './layout.ts';
import { layoutField } from './state.ts';

/** @param onHear told the caption, and where in its text it was pressed */
export const controlClick = (onHear: (id: string, offset: number) => void): Extension =>
  EditorView.domEventHandlers({
    mousedown(event, here) {
      if (!(event.ctrlKey || event.metaKey) || event.button !== 0) return false;
      const at = here.posAtCoords({ x: event.clientX, y: event.clientY });
      const layout = here.state.field(layoutField);
      const spot = at === null ? null : spotAt(layout, at);
      const caption = layout.captions[spot?.index ?? -1];
      if (!spot || !caption) return false;
      onHear(caption.id, spot.offset);
      event.preventDefault();
      return true;
    },
  });
