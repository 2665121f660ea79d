/**
 * The two readings of one document. Line by line shows it as it is; running text shows paragraphs, in
 * which line breaks are drawn as spaces and a quiet mark stands where each caption begins.
 */
import { RangeSetBuilder, StateField, type EditorState, type Transaction } from '@codemirror/state';
import { Decoration, EditorView, WidgetType, type DecorationSet } from '@codemirror/view';
import { beginsPassage } from '../../../core/layout/passages.ts';
import { aroundField, layoutField, setCaptions } from './state.ts';

/** Paragraphs end at the next caption beyond so many characters: nobody reads longer ones. */
const longestParagraph = 500;

class Sign extends WidgetType {
  readonly name: string;
  constructor(name: string) {
    super();
    this.name = name;
  }
  override eq(other: Sign): boolean {
    return other.name === this.name;
  }
  override toDOM(): HTMLElement {
    const made = document.createElement('span');
    made.className = this.name;
    made.textContent = ' ';
    made.setAttribute('aria-hidden', 'true');
    return made;
  }
}
const captionSign = Decoration.replace({ widget: new Sign('sign-caption') });
const lineSign = Decoration.replace({ widget: new Sign('sign-line') });

const isText = (state: EditorState): boolean => state.field(aroundField)?.reading === 'text';

function signs(state: EditorState): DecorationSet {
  if (!isText(state)) return Decoration.none;
  const { captions, starts } = state.field(layoutField);
  const builder = new RangeSetBuilder<Decoration>();
  let paragraph = 0;
  captions.forEach((caption, i) => {
    const start = starts[i] ?? 0;
    const before = captions[i - 1] ?? null;
    if (i > 0) {
      if (paragraph > longestParagraph || beginsPassage(before, caption)) paragraph = 0;
      else builder.add(start - 1, start, captionSign);
    }
    paragraph += caption.text.length + 1;
    for (let at = caption.text.indexOf('\n'); at >= 0; at = caption.text.indexOf('\n', at + 1))
      builder.add(start + at, start + at + 1, lineSign);
  });
  return builder.finish();
}

/** Whether a change can only have moved the signs: text without line breaks put in or taken out of one caption. */
function onlyMoves(tr: Transaction): boolean {
  let moves = tr.startState.field(layoutField).captions.length === tr.state.field(layoutField).captions.length;
  tr.changes.iterChanges((from, to, _fromB, _toB, insert) => {
    if (insert.lines > 1 || tr.startState.doc.sliceString(from, to).includes('\n')) moves = false;
  });
  return moves;
}

/** The reading is the same for as long as a state lasts: read otherwise, the surface begins a new one. */
const signsField = StateField.define<DecorationSet>({
  create: signs,
  update(value, tr) {
    if (!isText(tr.state)) return value;
    if (tr.effects.some((e) => e.is(setCaptions)) && !(tr.docChanged && onlyMoves(tr))) return signs(tr.state);
    return tr.docChanged ? value.map(tr.changes) : value;
  },
  provide: (field) => EditorView.decorations.from(field),
});

/** The field, a class by which the sheet of styles tells the readings apart, and a name by which ears do. */
export const readingExtension = [
  signsField,
  EditorView.editorAttributes.compute([aroundField], (state) => ({
    class: isText(state) ? 'reading-text' : 'reading-lines',
  })),
  EditorView.contentAttributes.compute([aroundField], (state) => ({
    'aria-label': isText(state) ? 'Captions, as running text' : 'Captions, line by line',
  })),
];
