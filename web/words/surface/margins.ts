/** The margins of Words: at the left the proofed mark and the time, at the right figures against limits. */
import type { Extension } from '@codemirror/state';
import { gutter, GutterMarker, type BlockInfo, type EditorView, type ViewUpdate } from '@codemirror/view';
import { voiceOf } from '../../../core/layout/passages.ts';
import { ruleNamed } from '../../../core/rules/findings.ts';
import type { Finding } from '../../../core/rules/finding.ts';
import { speedText } from '../../../core/text/measures.ts';
import { marginClock, seconds } from '../../../core/time/clock.ts';
import type { Caption } from '../../../core/track/caption.ts';
import { measured } from '../../measured.ts';
import { spotAt } from './layout.ts';
import { aroundField, layoutField, setAround, setCaptions } from './state.ts';

function element(name: string, className: string, text = ''): HTMLElement {
  const made = document.createElement(name);
  made.className = className;
  made.textContent = text;
  return made;
}

class TimeMarker extends GutterMarker {
  readonly proofed: boolean;
  readonly time: string;
  /** Who speaks, where it says so. */
  readonly voice: string;
  override readonly elementClass: string;
  constructor(caption: Caption, voice: string, name: string) {
    super();
    this.elementClass = name;
    this.proofed = caption.proofed;
    this.time = marginClock(caption.start);
    this.voice = voice;
  }
  override eq(other: TimeMarker): boolean {
    return (
      other.proofed === this.proofed &&
      other.time === this.time &&
      other.voice === this.voice &&
      other.elementClass === this.elementClass
    );
  }
  override toDOM(): HTMLElement {
    // The sign is drawn by the sheet of styles: margins are rebuilt at every turn of the wheel, and are kept light.
    const box = element('div', this.proofed ? 'margin-time proofed' : 'margin-time', this.time);
    box.title = 'Bring the playhead here';
    if (this.voice !== '') box.append(element('span', 'margin-voice', this.voice));
    return box;
  }
}

interface Side {
  readonly text: string;
  readonly state: 'fine' | 'over' | 'advice';
}

interface Figures {
  readonly length: number;
  readonly limit: number;
  /** What stands at the side: the speed at the first line, at the second how long it is there or what is wrong. */
  readonly sides: readonly Side[];
}

class FiguresMarker extends GutterMarker {
  readonly figures: Figures;
  override readonly elementClass: string;
  constructor(figures: Figures, name: string) {
    super();
    this.figures = figures;
    this.elementClass = name;
  }
  override eq(other: FiguresMarker): boolean {
    const a = this.figures;
    const b = other.figures;
    return (
      this.elementClass === other.elementClass &&
      a.length === b.length &&
      a.limit === b.limit &&
      a.sides.length === b.sides.length &&
      a.sides.every((side, i) => side.text === b.sides[i]?.text && side.state === b.sides[i].state)
    );
  }
  override toDOM(): HTMLElement {
    const { length, limit, sides } = this.figures;
    const row = element('div', length > limit ? 'margin-figures over' : 'margin-figures', String(length));
    row.style.setProperty('--full', `${String(Math.min(100, (length / limit) * 100))}%`);
    row.append(...sides.map(({ text, state }) => element('span', `margin-side ${state}`, text)));
    return row;
  }
}

/** Groups of rules that are about how long a caption is there and how fast it has to be read. */
const timed: ReadonlySet<string> = new Set(['Reading', 'Time']);

interface Verdict {
  /** What is wrong, in a word or two. */
  readonly wrong: string;
  /** Its colour. */
  readonly state: Side['state'];
  /** The colour of the figures, which is about them alone; what is said of words stands in the text. */
  readonly figures: Side['state'];
}

/** What the margin says of findings. */
export function verdict(findings: readonly Finding[]): Verdict {
  const worst = findings.find((f) => f.severity === 'must');
  const ofFigures = findings.filter((f) => timed.has(ruleNamed(f.rule).group));
  const figures = ofFigures.some((f) => f.severity === 'must') ? 'over' : ofFigures.length > 0 ? 'advice' : 'fine';
  return worst
    ? { wrong: `▲ ${ruleNamed(worst.rule).short}`, state: 'over', figures }
    : { wrong: '', state: figures, figures };
}

/** What stands beside a line of a caption; beside its only line both figures do. */
function sidesOf(
  caption: Caption,
  line: MarginLine,
  count: number,
  findings: readonly Finding[],
  speed: number,
): Side[] {
  const { state, wrong, figures } = verdict(findings);
  const sides: Side[] = [
    { text: `${speedText(speed)} cps`, state: figures },
    { text: wrong === '' ? seconds(caption.end - caption.start) : wrong, state },
  ];
  return count === 1 ? sides : sides.slice(line.nth, line.nth + 1);
}

/** A line of the document: its caption, the place of that, and which of its lines it is. */
interface MarginLine {
  readonly caption: Caption;
  readonly index: number;
  readonly nth: number;
}

function lineOf(view: EditorView, block: BlockInfo): MarginLine | null {
  const layout = view.state.field(layoutField);
  const { index, offset } = spotAt(layout, block.from);
  const caption = layout.captions[index];
  if (!caption) return null;
  let nth = 0;
  for (let at = caption.text.indexOf('\n'); at >= 0 && at < offset; at = caption.text.indexOf('\n', at + 1)) nth++;
  return { caption, index, nth };
}

const changed = (update: ViewUpdate): boolean =>
  update.docChanged || update.transactions.some((tr) => tr.effects.some((e) => e.is(setAround) || e.is(setCaptions)));

/** The ground of a line beside the cursor caption, and the line above each caption, as classes of the margin. */
function classOf(view: EditorView, at: MarginLine): string {
  const around = view.state.field(aroundField);
  if (around?.reading === 'text') return '';
  const { captions } = view.state.field(layoutField);
  const cursor = around?.cursor ?? null;
  const isCursor = at.caption.id === cursor;
  if (at.nth > 0) return isCursor ? 'row-cursor' : '';
  if (isCursor) return 'row-first row-cursor';
  return at.index > 0 && captions[at.index - 1]?.id === cursor ? 'row-first row-after' : 'row-first';
}

/** Where nothing stands in the margin but its ground. */
class MarginContext extends GutterMarker {
  override readonly elementClass: string;
  constructor(name: string) {
    super();
    this.elementClass = name;
  }
  override eq(other: MarginContext): boolean {
    return other.elementClass === this.elementClass;
  }
}

/** @param onTime told the caption whose time was pressed, and whether everything up to it is to be selected */
export function margins(onTime: (id: string, upTo: boolean) => void): Extension {
  return [
    gutter({
      class: 'words-margin left',
      lineMarkerChange: changed,
      domEventHandlers: {
        mousedown(view, block, event) {
          const at = lineOf(view, block);
          if (at) onTime(at.caption.id, (event as MouseEvent).shiftKey);
          return at !== null;
        },
      },
      lineMarker(view, block) {
        const at = lineOf(view, block);
        if (!at) return null;
        const name = classOf(view, at);
        if (at.nth > 0) return name === '' ? null : new MarginContext(name);
        const isText = view.state.field(aroundField)?.reading === 'text';
        return new TimeMarker(at.caption, isText ? voiceOf(at.caption) : '', name);
      },
    }),
    gutter({
      class: 'words-margin right',
      side: 'after',
      lineMarkerChange: changed,
      lineMarker(view, block) {
        const at = lineOf(view, block);
        const around = view.state.field(aroundField);
        if (!at || !around || around.reading === 'text') return null;
        const { lines, speed } = measured(at.caption, around.style.counting);
        const findings = around.findings.get(at.caption.id) ?? [];
        const figures = {
          length: lines[at.nth] ?? 0,
          limit: around.style.text.lineLength.limit,
          sides: sidesOf(at.caption, at, lines.length, findings, speed),
        };
        return new FiguresMarker(figures, classOf(view, at));
      },
    }),
  ];
}
