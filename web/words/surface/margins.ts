/** The margins of Words: at the left the proofed mark and the time, at the right figures against limits. */
import { RangeSet, type Extension } from '@codemirror/state';
import {
  gutter,
  gutterLineClass,
  GutterMarker,
  type BlockInfo,
  type EditorView,
  type ViewUpdate,
} from '@codemirror/view';
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
  constructor(caption: Caption, voice: string) {
    super();
    this.proofed = caption.proofed;
    this.time = marginClock(caption.start);
    this.voice = voice;
  }
  override eq(other: TimeMarker): boolean {
    return other.proofed === this.proofed && other.time === this.time && other.voice === this.voice;
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
  constructor(figures: Figures) {
    super();
    this.figures = figures;
  }
  override eq(other: FiguresMarker): boolean {
    const a = this.figures;
    const b = other.figures;
    return (
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

/** The caption a line of the document belongs to, and which of its lines it is. */
function lineOf(view: EditorView, block: BlockInfo): { caption: Caption; index: number; nth: number } | null {
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

class LineClass extends GutterMarker {
  override readonly elementClass: string;
  constructor(name: string) {
    super();
    this.elementClass = name;
  }
}
const heads = {
  plain: new LineClass('row-first'),
  cursor: new LineClass('row-first row-cursor'),
  after: new LineClass('row-first row-after'),
};
const bodies = { cursor: new LineClass('row-cursor') };

const noClasses: RangeSet<GutterMarker> = RangeSet.of([]);

/** Gives the margins beside the cursor caption its ground, and each caption its line above. */
const lineClasses = gutterLineClass.compute([layoutField, aroundField], (state) => {
  if (state.field(aroundField)?.reading === 'text') return noClasses;
  const { captions, starts } = state.field(layoutField);
  const cursor = state.field(aroundField)?.cursor ?? null;
  const ranges = captions.flatMap((caption, i) => {
    const start = starts[i] ?? 0;
    if (start > state.doc.length) return [];
    const here = caption.id === cursor;
    const after = i > 0 && captions[i - 1]?.id === cursor;
    const out = [heads[here ? 'cursor' : after ? 'after' : 'plain'].range(start)];
    for (let at = here ? caption.text.indexOf('\n') : -1; at >= 0; at = caption.text.indexOf('\n', at + 1)) {
      if (start + at + 1 <= state.doc.length) out.push(bodies.cursor.range(start + at + 1));
    }
    return out;
  });
  return RangeSet.of(ranges);
});

/** @param onTime told the caption whose time was pressed, and whether everything up to it is to be selected */
export function margins(onTime: (id: string, upTo: boolean) => void): Extension {
  return [
    lineClasses,
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
        if (at?.nth !== 0) return null;
        const isText = view.state.field(aroundField)?.reading === 'text';
        return new TimeMarker(at.caption, isText ? voiceOf(at.caption) : '');
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
        return new FiguresMarker({ length: lines[at.nth] ?? 0, limit: around.style.text.lineLength.limit, ...side });
      },
    }),
  ];
}
