/** How lines of the document look: where captions begin and end, which one is the cursor caption, doubtful words, italics. */
import type { Range } from '@codemirror/state';
import { Decoration, ViewPlugin, type DecorationSet, type EditorView, type ViewUpdate } from '@codemirror/view';
import type { Caption, Mark } from '../../../core/model/caption.ts';
import { isDoubtful, usualDoubt } from '../../../core/model/doubt.ts';
import { spotAt } from './layout.ts';
import { aroundField, isTold, layoutField } from './state.ts';

const doubtful = Decoration.mark({
  class: 'doubtful',
  attributes: { title: 'The recogniser was not sure of this word' },
});
const cursorText = Decoration.mark({ class: 'text-cursor' });

/** Makes a decoration for each name once: they are values, and a long track asks for thousands. */
function madeOnce(make: (name: string) => Decoration): (name: string) => Decoration {
  const known = new Map<string, Decoration>();
  return (name) => {
    let made = known.get(name);
    if (!made) known.set(name, (made = make(name)));
    return made;
  };
}

const lineDecoration = madeOnce((name) => Decoration.line({ class: name, attributes: { dir: 'auto' } }));
const lookOf = madeOnce((kind) => Decoration.mark({ class: `mark-${kind}` }));

/** How a mark of the text looks; those that a viewer cannot see have no look. */
function markDecoration({ kind, value }: Mark): Decoration | null {
  if (kind === 'italic' || kind === 'bold' || kind === 'underline') return lookOf(kind);
  return kind === 'language' ? Decoration.mark({ attributes: { lang: value } }) : null;
}

/** Which lines of the document a caption takes, and what class each has. */
function classesOf(at: Drawn, last: number): string[] {
  if (at.isText) return ['paragraph', ...Array.from({ length: last }, () => 'paragraph')];
  return Array.from(
    { length: last + 1 },
    (_, n) =>
      [
        n === 0 ? 'row-first' : '',
        n === last ? 'row-last' : '',
        last === 0 ? 'row-only' : '',
        at.isCursor ? 'row-cursor' : '',
        n === 0 && at.followsCursor ? 'row-after' : '',
      ]
        .filter(Boolean)
        .join(' ') || 'row',
  );
}

/** A caption as it is drawn. */
interface Drawn {
  readonly caption: Caption;
  readonly start: number;
  readonly isText: boolean;
  readonly isCursor: boolean;
  readonly followsCursor: boolean;
  readonly doubtBelow: number;
}

function draw(at: Drawn, add: (from: number, to: number, decoration: Decoration) => void): void {
  const { caption, start } = at;
  const texts = caption.text.split('\n');
  const classes = classesOf(at, texts.length - 1);
  const end = caption.text.length;
  if (at.isText && at.isCursor && end > 0) add(start, start + end, cursorText);
  let offset = 0;
  texts.forEach((text, n) => {
    add(start + offset, start + offset, lineDecoration(classes[n] ?? 'row'));
    offset += text.length + 1;
  });
  for (const w of caption.words)
    if (isDoubtful(caption, w, at.doubtBelow) && w[1] <= end) add(start + w[0], start + w[1], doubtful);
  for (const m of caption.marks) {
    const look = markDecoration(m);
    if (look && m.to > m.from && m.to <= end) add(start + m.from, start + m.to, look);
  }
}

function decorate(view: EditorView): DecorationSet {
  const ranges: Range<Decoration>[] = [];
  const layout = view.state.field(layoutField);
  const around = view.state.field(aroundField);
  const cursor = around?.cursor ?? null;
  const first = spotAt(layout, view.viewport.from).index;
  for (let i = first; i < layout.captions.length; i++) {
    const caption = layout.captions[i];
    const start = layout.starts[i] ?? 0;
    if (!caption || start > view.viewport.to) break;
    const drawn: Drawn = {
      caption,
      start,
      isText: around?.reading === 'text',
      isCursor: caption.id === cursor,
      followsCursor: i > 0 && layout.captions[i - 1]?.id === cursor,
      doubtBelow: around?.doubtBelow ?? usualDoubt,
    };
    draw(drawn, (from, to, decoration) => ranges.push(decoration.range(from, to)));
  }
  return Decoration.set(ranges, true);
}

export const decorations = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet;
    constructor(view: EditorView) {
      this.decorations = decorate(view);
    }
    update(update: ViewUpdate): void {
      if (update.docChanged || update.viewportChanged || isTold(update)) this.decorations = decorate(update.view);
    }
  },
  { decorations: (plugin) => plugin.decorations },
);
