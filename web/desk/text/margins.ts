/**
 * The margins of Words, drawn over the padding that the text leaves them.
 *
 * Everything in them stands at a place of its own, so that a turn of the wheel moves nothing and lays out only
 * the lines that come into sight: CodeMirror's own gutters put a box of the right height beside each line, and
 * took as long as all the text.
 */
import { ViewPlugin, type BlockInfo, type EditorView, type ViewUpdate } from '@codemirror/view';
import type { Extension } from '@codemirror/state';
import { spotAt } from './layout.ts';
import { figuresNote, timeNote, type MarginLine, type MarginNote } from './margin-rows.ts';
import { aroundField, isTold, layoutField } from './state.ts';

function lineOf(view: EditorView, block: BlockInfo): MarginLine | null {
  const layout = view.state.field(layoutField);
  const { index, offset } = spotAt(layout, block.from);
  const caption = layout.captions[index];
  if (!caption) return null;
  let nth = 0;
  for (let at = caption.text.indexOf('\n'); at >= 0 && at < offset; at = caption.text.indexOf('\n', at + 1)) nth++;
  return { caption, nth, number: index + 1 };
}

/** What stands beside one line. */
interface Placed {
  readonly looks: string;
  readonly dom: HTMLElement;
  top: number;
}

/** One margin: its notes by line, in the order they stand in. */
class Margin {
  readonly dom = document.createElement('div');
  private placed = new Map<string, Placed>();

  constructor(name: string) {
    this.dom.className = `words-margin ${name}`;
  }

  /** Shows these notes and no others; those that look as before stay, and are moved where they have to be. */
  show(notes: readonly { readonly key: string; readonly top: number; readonly note: MarginNote }[]): void {
    const before = this.placed;
    this.placed = new Map();
    for (const { key, top, note } of notes) {
      const was = before.get(key);
      const stays = was?.looks === note.looks ? was : null;
      if (stays) before.delete(key);
      const here = stays ?? { looks: note.looks, dom: note.toDOM(), top: NaN };
      if (here.top !== top) {
        here.top = top;
        here.dom.style.top = `${String(top)}px`;
      }
      this.placed.set(key, here);
    }
    for (const { dom } of before.values()) dom.remove();
    let next = this.dom.firstChild;
    for (const { dom } of this.placed.values()) {
      if (dom === next) next = dom.nextSibling;
      else this.dom.insertBefore(dom, next);
    }
  }
}

class Margins {
  private readonly dom = document.createElement('div');
  private readonly left = new Margin('left');
  private readonly right = new Margin('right');

  constructor(view: EditorView, onTime: (id: string, upTo: boolean) => void) {
    this.dom.className = 'words-margins';
    // What they say is said by the monitor to whoever does not see them.
    this.dom.setAttribute('aria-hidden', 'true');
    this.dom.append(this.left.dom, this.right.dom);
    view.scrollDOM.append(this.dom);
    this.left.dom.addEventListener('mousedown', (event) => {
      const at = lineOf(view, view.lineBlockAtHeight(event.clientY - view.documentTop));
      if (!at) return;
      event.preventDefault();
      onTime(at.caption.id, event.shiftKey);
    });
    this.ask(view);
  }

  update(update: ViewUpdate): void {
    if (update.viewportChanged || update.heightChanged) this.ask(update.view);
    else if (update.docChanged || update.geometryChanged || isTold(update)) this.draw(update.view);
  }

  /** Lines that come into sight have their height once the editor has measured them; what is drawn before that would be moved again. */
  private ask(view: EditorView): void {
    view.requestMeasure({
      key: this,
      read: () => null,
      write: () => {
        this.draw(view);
      },
    });
  }

  destroy(): void {
    this.dom.remove();
  }

  private draw(view: EditorView): void {
    const around = view.state.field(aroundField);
    if (!around) return;
    const padding = view.documentPadding.top;
    const rows = view.viewportLineBlocks.flatMap((block) => {
      const line = lineOf(view, block);
      return line ? [{ key: `${line.caption.id} ${String(line.nth)}`, top: block.top + padding, line }] : [];
    });
    const noted = (noteOf: (line: MarginLine) => MarginNote | null): Parameters<Margin['show']>[0] =>
      rows.flatMap(({ key, top, line }) => {
        const note = noteOf(line);
        return note ? [{ key, top, note }] : [];
      });
    this.left.show(noted((line) => timeNote(line, around)));
    this.right.show(noted((line) => figuresNote(line, around)));
  }
}

/** @param onTime told the caption whose time was pressed, and whether everything up to it is to be selected */
export const margins = (onTime: (id: string, upTo: boolean) => void): Extension =>
  ViewPlugin.define((view) => new Margins(view, onTime));
