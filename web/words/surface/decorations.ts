/** How lines of the document look: where captions begin and end, which one is the cursor caption, doubtful words. */
import { RangeSetBuilder } from '@codemirror/state';
import { Decoration, ViewPlugin, type DecorationSet, type EditorView, type ViewUpdate } from '@codemirror/view';
import { isDoubtful } from '../../../core/track/doubt.ts';
import { spotAt } from './layout.ts';
import { aroundField, layoutField, setAround, setCaptions } from './state.ts';

const doubtful = Decoration.mark({
  class: 'doubtful',
  attributes: { title: 'The recogniser was not sure of this word' },
});
const lines = new Map<string, Decoration>();

function lineDecoration(name: string): Decoration {
  let made = lines.get(name);
  if (!made) lines.set(name, (made = Decoration.line({ class: name, attributes: { dir: 'auto' } })));
  return made;
}

function decorate(view: EditorView): DecorationSet {
  const builder = new RangeSetBuilder<Decoration>();
  const layout = view.state.field(layoutField);
  const cursor = view.state.field(aroundField)?.cursor ?? null;
  const first = spotAt(layout, view.viewport.from).index;
  for (let i = first; i < layout.captions.length; i++) {
    const caption = layout.captions[i];
    const start = layout.starts[i] ?? 0;
    if (!caption || start > view.viewport.to) break;
    const texts = caption.text.split('\n');
    const marks = caption.words.filter((w) => isDoubtful(caption, w));
    let at = 0;
    texts.forEach((text, n) => {
      const place = [
        n === 0 ? 'row-first' : '',
        n === texts.length - 1 ? 'row-last' : '',
        texts.length === 1 ? 'row-only' : '',
        caption.id === cursor ? 'row-cursor' : '',
        n === 0 && i > 0 && layout.captions[i - 1]?.id === cursor ? 'row-after' : '',
      ];
      builder.add(start + at, start + at, lineDecoration(place.filter(Boolean).join(' ') || 'row'));
      for (const w of marks)
        if (w[0] >= at && w[1] <= at + text.length) builder.add(start + w[0], start + w[1], doubtful);
      at += text.length + 1;
    });
  }
  return builder.finish();
}

export const decorations = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet;
    constructor(view: EditorView) {
      this.decorations = decorate(view);
    }
    update(update: ViewUpdate): void {
      const told = update.transactions.some((tr) => tr.effects.some((e) => e.is(setAround) || e.is(setCaptions)));
      if (update.docChanged || update.viewportChanged || told) this.decorations = decorate(update.view);
    }
  },
  { decorations: (plugin) => plugin.decorations },
);
