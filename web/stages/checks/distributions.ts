/** How the captions of a track are spread over a measure, beside the limits for it. */
import { bin, max } from 'd3-array';
import type { RuleContext, RuleId } from '../../../core/rules/finding.ts';
import { smallestGap } from '../../../core/style/style.ts';
import { measure } from '../../../core/text/measures.ts';
import type { Caption } from '../../../core/model/caption.ts';

export const spreads = ['speed', 'duration', 'gap', 'line'] as const;
export type SpreadName = (typeof spreads)[number];

/** A limit, in the measure's unit, and which side of it departs from the style. */
export interface LimitMark {
  readonly at: number;
  readonly says: string;
  readonly wrong: 'above' | 'below';
}

export interface HistogramBar {
  /** In the measure's unit; the last bar holds everything from its beginning on. */
  readonly from: number;
  readonly to: number;
  readonly captions: readonly Caption[];
  /** All of it is on the wrong side of a limit. */
  readonly over: boolean;
}

export interface Spread {
  readonly name: SpreadName;
  readonly title: string;
  readonly unit: string;
  readonly bars: readonly HistogramBar[];
  readonly marks: readonly LimitMark[];
}

export const titles: Readonly<Record<SpreadName, string>> = {
  speed: 'Reading speed',
  duration: 'Time on screen',
  gap: 'Gap to the next',
  line: 'Longest line',
};
const units: Readonly<Record<SpreadName, string>> = { speed: 'cps', duration: 's', gap: 's', line: 'characters' };

/** The spread that shows what a rule is about. */
export function spreadFor(rule: RuleId): SpreadName | null {
  const about: Partial<Record<RuleId, SpreadName>> = {
    'too-fast': 'speed',
    brisk: 'speed',
    'too-many-wpm': 'speed',
    'too-short': 'duration',
    'too-long': 'duration',
    'gap-too-small': 'gap',
    'gap-to-close': 'gap',
    overlap: 'gap',
    'line-too-long': 'line',
    'one-line-enough': 'line',
    lopsided: 'line',
  };
  return about[rule] ?? null;
}

function valueOf(name: SpreadName, caption: Caption, next: Caption | undefined, { style }: RuleContext): number | null {
  if (name === 'duration') return (caption.end - caption.start) / 1000;
  if (name === 'gap') return next ? (next.start - caption.end) / 1000 : null;
  const { speed, lines } = measure(caption, style.counting);
  return name === 'speed' ? speed : (max(lines) ?? 0);
}

function marksOf(name: SpreadName, { style, rate }: RuleContext): LimitMark[] {
  const { text, reading, time } = style;
  const says = (what: string, at: number): string => `${what} ${String(Math.round(at * 100) / 100)}`;
  const mark = (what: string, at: number, wrong: LimitMark['wrong'], severity: string): LimitMark[] =>
    severity === 'off' ? [] : [{ at, says: says(what, at), wrong }];
  if (name === 'speed') return mark('limit', reading.speed.limit, 'above', reading.speed.severity);
  if (name === 'line') return mark('limit', text.lineLength.limit, 'above', text.lineLength.severity);
  if (name === 'gap') return mark('smallest', smallestGap(style, rate) / 1000, 'below', time.gap.severity);
  return [
    ...mark('shortest', time.shortest.limit / 1000, 'below', time.shortest.severity),
    ...mark('longest', time.longest.limit / 1000, 'above', time.longest.severity),
  ];
}

/** Where the bars begin, the last one open at its end: limits are always between two bars, never inside one. */
function edgesOf(name: SpreadName, marks: readonly LimitMark[], highest: number): number[] {
  if (name === 'gap') {
    const least = marks[0]?.at ?? 0;
    return [...new Set([-0.5, 0, least, 0.25, 0.5, 1, 2, 3, 5, 10])].sort((a, b) => a - b);
  }
  const step = name === 'speed' ? 2 : name === 'duration' ? 0.5 : 4;
  const limit = marks.find((m) => m.wrong === 'above')?.at ?? { speed: 20, duration: 7, line: 40 }[name];
  // As far as there are captions, but not so far that one stray caption makes all others small.
  const end = Math.min(Math.max(limit * (name === 'duration' ? 1.2 : 1.4), highest), limit * 2.5);
  const even = Array.from({ length: Math.ceil(end / step) + 1 }, (_, i) => i * step);
  // An even edge too near a limit makes way for it.
  const clear = even.filter((e) => e === 0 || marks.every((m) => Math.abs(m.at - e) >= step * 0.5));
  return [...clear, ...marks.map((m) => m.at)].sort((a, b) => a - b);
}

/** How captions are spread. A value on a limit counts as within it. */
export function spreadOf(name: SpreadName, captions: readonly Caption[], context: RuleContext): Spread {
  const marks = marksOf(name, context);
  // What must not be exceeded is held against the bar below it.
  const nudge = 1e-6;
  const valued = captions.flatMap((caption, i) => {
    const value = valueOf(name, caption, captions[i + 1], context);
    if (value === null) return [];
    const onLimit = marks.some((m) => m.wrong === 'above' && Math.abs(m.at - value) < nudge);
    return [{ caption, value: onLimit ? value - 2 * nudge : value }];
  });
  const edges = edgesOf(name, marks, max(valued, (v) => (Number.isFinite(v.value) ? v.value : 0)) ?? 0);
  const [first = 0] = edges;
  const last = edges.at(-1) ?? 0;
  const binned = bin<(typeof valued)[number], number>()
    .value((v) => Math.min(Math.max(first, v.value), last))
    .domain([first, last + 1])
    .thresholds(edges.slice(1))(valued);
  const bars = binned.map((b, i): HistogramBar => {
    const from = edges[i] ?? first;
    const to = edges[i + 1] ?? Infinity;
    return {
      from,
      to,
      captions: b.map((v) => v.caption),
      over: marks.some((m) => (m.wrong === 'above' ? from >= m.at - nudge : to <= m.at + nudge)),
    };
  });
  return { name, title: titles[name], unit: units[name], bars, marks };
}

/** How a bar is called: `18 to 20 cps`. */
export function barText({ unit, bars }: Spread, bar: HistogramBar): string {
  const figure = (n: number): string => String(Math.round(n * 100) / 100);
  if (bar === bars.at(-1)) return `${figure(bar.from)} ${unit} and more`;
  if (bar === bars[0] && bar.from < 0) return `overlapping by up to ${figure(-bar.from)} ${unit} and more`;
  return `${figure(bar.from)} to ${figure(bar.to)} ${unit}`;
}
