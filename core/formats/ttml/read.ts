/**
 * Reading TTML (W3C Timed Text Markup Language, and the IMSC 1.1 text profile of it): the times of
 * elements inside each other, text with its white space, styles and languages as ranges.
 */
import type { ParseWarning } from '../warning.ts';
import type { Mark, SpeakerRange, ReadCaption } from '../../model/caption.ts';
import { labelLength } from '../../text/labels.ts';
import { captionOfCue, ordered } from '../cue.ts';
import { Unreadable, type ReadResult } from '../format.ts';
import { byExtent, timedInside, type Inline } from '../inline.ts';
import { plainLineEnds } from '../lines.ts';
import { agents, definedStyles, stylingOf, type Styling } from './styles.ts';
import { documentClock, timeExpression, type DocumentClock } from './time.ts';
import { elementsNamed, treeOf, type Element } from './tree.ts';

/** An interval of an element in ms; an end not known yet is Infinity. */
interface Interval {
  readonly start: number;
  readonly end: number;
  /** The element has times of its own. */
  readonly own: boolean;
}

/** A stretch of text that is shown over one interval in one styling. */
interface StyledRun {
  readonly text: string;
  readonly styling: Styling;
  readonly interval: Interval;
  readonly space: 'preserve' | 'collapse' | 'break';
}

interface TtmlParagraph {
  readonly line: number;
  readonly interval: Interval;
  readonly styling: Styling;
  readonly runs: readonly StyledRun[];
}

const unstyled: Styling = { italic: false, bold: false, underline: false, colour: '', language: '', speaker: '' };

/** The active interval of an element, by "Timing attribute semantics": inside its parent's, counted from `base`. */
function intervalOf(
  element: Element,
  parent: Interval,
  base: number,
  clock: DocumentClock,
  warnings: ParseWarning[],
): Interval {
  const time = (name: string): number | null => {
    const text = element.attributes.get(name);
    if (text === undefined) return null;
    const ms = timeExpression(text, clock);
    if (ms === null)
      warnings.push({ line: element.line, message: `“${text.slice(0, 40)}” is no time; ${name} was left out.` });
    return ms;
  };
  const begin = time('begin');
  const end = time('end');
  const dur = time('dur');
  const start = base + (begin ?? 0);
  const stop = Math.min(end === null ? Infinity : base + end, dur === null ? Infinity : start + dur, parent.end);
  return { start, end: Math.max(start, stop), own: begin !== null || end !== null || dur !== null };
}

function paragraphsOf(root: Element, warnings: ParseWarning[]): TtmlParagraph[] {
  const clock = documentClock((name) => root.attributes.get(name));
  const defined = definedStyles(root);
  const names = agents(root);
  const paragraphs: TtmlParagraph[] = [];

  interface Context {
    readonly interval: Interval;
    readonly styling: Styling;
    readonly preserve: boolean;
  }
  function enter(element: Element, around: Context, base: number): Context {
    const space = element.attributes.get('space');
    return {
      interval: intervalOf(element, around.interval, base, clock, warnings),
      styling: stylingOf(element, around.styling, defined, names),
      preserve: space === undefined ? around.preserve : space === 'preserve',
    };
  }
  /** Walks the children, one after another in time where the element says so. */
  function walk(element: Element, context: Context, visit: (child: Element, inner: Context) => void): void {
    const sequence = element.attributes.get('timeContainer') === 'seq';
    let base = context.interval.start;
    for (const child of element.children) {
      if (typeof child === 'string') continue;
      const inner = enter(child, context, base);
      visit(child, inner);
      if (sequence && Number.isFinite(inner.interval.end)) base = inner.interval.end;
    }
  }
  function runsOf(element: Element, context: Context, runs: StyledRun[]): void {
    const inner = new Map<Element, Context>();
    walk(element, context, (child, c) => void inner.set(child, c));
    for (const child of element.children) {
      const { interval, styling, preserve } = context;
      if (typeof child === 'string')
        runs.push({ text: child, styling, interval, space: preserve ? 'preserve' : 'collapse' });
      else if (child.name === 'br') runs.push({ text: '\n', styling, interval, space: 'break' });
      else if (child.name === 'span') runsOf(child, inner.get(child) ?? context, runs);
    }
  }
  function content(element: Element, context: Context): void {
    if (element.name === 'p') {
      const runs: StyledRun[] = [];
      runsOf(element, context, runs);
      paragraphs.push({ line: element.line, interval: context.interval, styling: context.styling, runs });
    } else if (element.name === 'body' || element.name === 'div') walk(element, context, content);
  }
  const outermost: Context = {
    interval: { start: 0, end: Infinity, own: false },
    styling: unstyled,
    preserve: root.attributes.get('space') === 'preserve',
  };
  for (const child of root.children) {
    if (typeof child !== 'string' && child.name === 'body') content(child, enter(child, outermost, 0));
  }
  return paragraphs;
}

/** Runs as one text: white space collapsed where it is not to be preserved, none around line breaks. */
function inlineOf(runs: readonly StyledRun[], base: Styling): Inline {
  let text = '';
  const marks: Mark[] = [];
  const speakers: SpeakerRange[] = [];
  const times: { at: number; ms: number }[] = [];
  /** The end of the text must not lose these: spaces that were written to stay. */
  let fixed = 0;
  /** Without the white space at the end; line breaks in it stay where more text may follow. */
  const trim = (isLast: boolean): void => {
    const { length } = text.trimEnd();
    const breaks = isLast ? 0 : text.slice(length).lastIndexOf('\n') + 1;
    text = text.slice(0, Math.max(fixed, length + breaks));
  };
  const spans: { from: number; to: number; run: StyledRun }[] = [];
  for (const run of runs) {
    let piece = run.text;
    if (run.space === 'break') trim(false);
    else if (run.space === 'collapse') {
      piece = piece.replace(/[\t\n\r ]+/g, ' ');
      if (text === '' || /\s$/.test(text)) piece = piece.replace(/^ /, '');
    }
    if (piece === '') continue;
    const from = text.length;
    text += piece;
    if (run.space === 'preserve') fixed = text.length;
    spans.push({ from, to: text.length, run });
  }
  // Line breaks at the end of a text are nobody's, but where every sign was written to stay.
  if (runs.every((run) => run.space !== 'preserve')) trim(true);
  for (const span of spans) {
    const range = { from: span.from, to: Math.min(span.to, text.length) };
    if (range.to <= range.from) continue;
    const { styling, interval } = span.run;
    const mark = (kind: Mark['kind'], value: string): void => void marks.push({ ...range, kind, value });
    if (styling.italic && !base.italic) mark('italic', '');
    if (styling.bold && !base.bold) mark('bold', '');
    if (styling.underline && !base.underline) mark('underline', '');
    if (styling.colour !== base.colour && styling.colour !== '') mark('colour', styling.colour);
    if (styling.language !== base.language && styling.language !== '') mark('language', styling.language);
    if (styling.speaker !== '' && span.run.space !== 'break') {
      const last = speakers.at(-1);
      const between = last ? text.slice(last.to, range.from) : '';
      if (last?.speaker === styling.speaker && between.trim() === '')
        speakers[speakers.length - 1] = { ...last, to: range.to };
      else speakers.push({ ...range, speaker: styling.speaker, label: 0 });
    }
    if (interval.own && span.run.space !== 'break') times.push({ at: range.from, ms: interval.start });
  }
  return {
    text,
    marks: joined(marks).sort(byExtent),
    speakers: speakers.map((s) => ({ ...s, label: labelLength(text.slice(s.from, s.to), s.speaker) })),
    times,
    placement: null,
    faults: [],
  };
}

/** Marks of a kind that touch are one. */
function joined(marks: readonly Mark[]): Mark[] {
  const out: Mark[] = [];
  for (const mark of marks) {
    const k = out.findLastIndex((m) => m.kind === mark.kind && m.value === mark.value);
    const before = out[k];
    if (before?.to === mark.from) out[k] = { ...before, to: mark.to };
    else out.push(mark);
  }
  return out;
}

/** How long a caption stays whose end is nowhere said, where the next leaves room. In ms. */
const usualLength = 3000;

/** The captions of a paragraph: one, or one for every interval where only its parts have times. */
function partsOf(p: TtmlParagraph): { readonly interval: Interval; readonly runs: readonly StyledRun[] }[] {
  const timed = p.runs.filter((r) => r.interval.own && r.interval !== p.interval && r.text.trim() !== '');
  if (p.interval.own || timed.length === 0) return [{ interval: p.interval, runs: p.runs }];
  const parts: { interval: Interval; runs: StyledRun[] }[] = [];
  for (const run of p.runs) {
    const last = parts.at(-1);
    const { start, end, own } = run.interval;
    const same = last?.interval.start === start && last.interval.end === end;
    if (last && (same || !own)) last.runs.push(run);
    else if (own) parts.push({ interval: run.interval, runs: [run] });
  }
  return parts.map((part) => ({
    ...part,
    runs: part.runs.map((r) => ({ ...r, interval: { ...r.interval, own: false } })),
  }));
}

/** Captions of a TTML document, with what was unclear in it. */
export function readTtml(text: string): ReadResult {
  const warnings: ParseWarning[] = [];
  const root = treeOf(plainLineEnds(text), warnings);
  const tt = root ? [...elementsNamed(root, 'tt')][0] : undefined;
  if (!tt) throw new Unreadable('This XML file holds no <tt> element, with which a TTML file begins.');
  const language = tt.attributes.get('lang') ?? '';
  const base: Styling = { ...unstyled, language };
  const found = paragraphsOf({ ...tt, attributes: new Map([...tt.attributes, ['lang', language]]) }, warnings);
  const parts = found.flatMap((p) => partsOf(p).map((part) => ({ ...part, line: p.line })));
  const cues: ReadCaption[] = [];
  const lines: number[] = [];
  parts.forEach(({ interval, runs, line }, i) => {
    const withLanguage = runs.map((r) => ({
      ...r,
      styling: { ...r.styling, language: r.styling.language || language },
    }));
    const inline = inlineOf(withLanguage, base);
    if (inline.text.trim() === '') return;
    let { end } = interval;
    if (end === Infinity) {
      const next = parts.slice(i + 1, i + 20).find((p) => p.interval.start > interval.start);
      end = Math.min(next?.interval.start ?? Infinity, interval.start + usualLength);
      warnings.push({
        line,
        message: interval.own
          ? 'This caption has no end; it was given one.'
          : 'This caption has no times; it was put at the beginning.',
      });
    }
    const foreign = inline.times.length > 0 ? timedInside : null;
    lines.push(line);
    cues.push(captionOfCue(interval.start, end, foreign, inline));
  });
  const captions = ordered(cues, (i) => lines[i] ?? 1, warnings);
  return {
    format: 'ttml',
    language: language === '' ? null : language,
    captions,
    warnings: warnings.sort((a, b) => a.line - b.line),
    foreign: null,
  };
}
