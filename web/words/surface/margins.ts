/** The margins of Words: at the left the proofed mark and the time, at the right figures against limits. */
import type { Extension } from '@codemirror/state';
import { gutter, GutterMarker, type BlockInfo, type EditorView, type ViewUpdate } from '@codemirror/view';
import { voiceOf } from '../../../core/layout/passages.ts';
import { ruleNamed } from '../../../core/rules/findings.ts';
import type { Finding } from '../../../core/rules/finding.ts';
import { measure, speedText } from '../../../core/text/measures.ts';
import { marginClock, seconds } from '../../../core/time/clock.ts';
import type { Caption } from '../../../core/track/caption.ts';
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
    const box = element('div', 'margin-time');
    box.title = 'Bring the playhead here';
    box.append(
      element('span', this.proofed ? 'margin-proofed on' : 'margin-proofed', this.proofed ? '✓' : '○'),
      element('span', 'margin-clock', this.time),
    );
    if (this.voice !== '') box.append(element('span', 'margin-voice', this.voice));
    return box;
  }
}

interface Figures {
  readonly length: number;
  readonly limit: number;
  /** Speed and duration stand beside the first line only. */
  readonly speed: string | null;
  readonly second: string;
  readonly state: 'fine' | 'over' | 'advice';
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
      a.speed === b.speed &&
      a.second === b.second &&
      a.state === b.state
    );
  }
  override toDOM(): HTMLElement {
    const { length, limit, speed, second, state } = this.figures;
    const row = element('div', 'margin-figures');
    const over = length > limit;
    const bar = element('span', over ? 'margin-bar over' : 'margin-bar');
    const fill = element('span', 'margin-fill');
    fill.style.width = `${String(Math.min(100, (length / limit) * 100))}%`;
    bar.append(fill);
    row.append(bar, element('span', over ? 'margin-length over' : 'margin-length', String(length)));
    if (speed !== null) {
      const side = element('span', `margin-side ${state}`);
      side.append(element('span', '', speed), element('span', '', second));
      row.append(side);
    }
    return row;
  }
}

/** Groups of rules that are about how long a caption is there and how fast it has to be read. */
const timed: ReadonlySet<string> = new Set(['Reading', 'Time']);

function sideOf(
  caption: Caption,
  findings: readonly Finding[],
  speed: number,
): Pick<Figures, 'speed' | 'second' | 'state'> {
  const worst = findings.find((f) => f.severity === 'must');
  const shown = `${speedText(speed)} cps`;
  if (worst) return { speed: shown, second: `▲ ${ruleNamed(worst.rule).short}`, state: 'over' };
  // The colour is about the figures it is on; what is said of words stands in the text.
  const ofFigures = findings.some((f) => timed.has(ruleNamed(f.rule).group));
  return { speed: shown, second: seconds(caption.end - caption.start), state: ofFigures ? 'advice' : 'fine' };
}

/** A line of the document: its caption, the place of that, and which of its lines it is. */
interface Line {
  readonly caption: Caption;
  readonly index: number;
  readonly nth: number;
}

function lineOf(view: EditorView, block: BlockInfo): Line | null {
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
function classOf(view: EditorView, at: Line): string {
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
class Ground extends GutterMarker {
  override readonly elementClass: string;
  constructor(name: string) {
    super();
    this.elementClass = name;
  }
  override eq(other: Ground): boolean {
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
        if (at.nth > 0) return name === '' ? null : new Ground(name);
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
        const { lines, speed } = measure(at.caption, around.style.counting);
        const side =
          at.nth === 0
            ? sideOf(at.caption, around.findings.get(at.caption.id) ?? [], speed)
            : { speed: null, second: '', state: 'fine' as const };
        const figures = { length: lines[at.nth] ?? 0, limit: around.style.text.lineLength.limit, ...side };
        return new FiguresMarker(figures, classOf(view, at));
      },
    }),
  ];
}
