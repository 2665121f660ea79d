/** How marks, speakers and word times travel with the text when it changes. */
import type { TextRange } from '../text/text-range.ts';
import { isSpaceUnit, tokensOf } from '../text/tokens.ts';
import type { Caption, Mark, SpeakerRange, WordRange } from './caption.ts';

/** The parts of a caption that hang on its text. */
export type Ranged = Pick<Caption, 'text' | 'marks' | 'speakers' | 'words'>;

/**
 * A span after `text[from, to)` became `length` characters. Text typed at the end of a span belongs
 * to it, text typed before its start does not; text that replaces its tail belongs to it, text that
 * replaces its head does not. Nothing is left of a span whose text is gone.
 */
function mapSpan<T extends TextRange>(span: T, from: number, to: number, length: number): T | null {
  const delta = length - (to - from);
  let start = span.from;
  if (start >= to && !(start === from && to > from)) start += delta;
  else if (start > from) start = from + length;
  let end = span.to;
  if (end >= to) end += delta;
  else if (end > from) end = from + length;
  return end > start ? { ...span, from: start, to: end } : null;
}

function mapSpans<T extends TextRange>(spans: readonly T[], from: number, to: number, length: number): readonly T[] {
  return spans.flatMap((span) => mapSpan(span, from, to, length) ?? []);
}

/** A speaker's label shortens or goes when the edit reaches into it. */
function mapSpeaker(range: SpeakerRange, from: number, to: number, length: number): SpeakerRange | null {
  const mapped = mapSpan(range, from, to, length);
  if (!mapped || range.label === 0) return mapped;
  const labelEnd = range.from + range.label;
  if (from >= labelEnd) return mapped;
  const label = mapSpan({ from: range.from, to: labelEnd }, from, to, length);
  return { ...mapped, label: label ? label.to - mapped.from : 0 };
}

const isSpace = (text: string, at: number): boolean => isSpaceUnit(text.charCodeAt(at));

/** How many words a text has, as white space parts them. */
export function countTokens(text: string): number {
  let count = 0;
  let inside = false;
  for (let i = 0; i < text.length; i++) {
    const isWord = !isSpaceUnit(text.charCodeAt(i));
    if (isWord && !inside) count++;
    inside = isWord;
  }
  return count;
}

/** Shares a stretch of time among words by their letters. */
export function shareByLetters(text: string, words: readonly TextRange[], start: number, end: number): WordRange[] {
  const letters = words.reduce((sum, w) => sum + (w.to - w.from), 0);
  let before = 0;
  return words.map((w) => {
    const from = Math.round(start + ((end - start) * before) / letters);
    before += w.to - w.from;
    return [
      w.from,
      w.to,
      from,
      Math.round(start + ((end - start) * before) / letters),
      1,
      'guessed',
      text.slice(w.from, w.to),
    ];
  });
}

const moveWord = (w: WordRange, by: number): WordRange => [w[0] + by, w[1] + by, w[2], w[3], w[4], w[5], w[6]];

/** Times of new words: those of the words they came from, one for one or shared; else the time between their neighbours. */
function timesFor(
  text: string,
  fresh: readonly TextRange[],
  old: readonly WordRange[],
  previous: WordRange | undefined,
  next: WordRange | undefined,
): WordRange[] {
  if (fresh.length === 0) return [];
  if (fresh.length === old.length) {
    return old.map((w, i) => [fresh[i]?.from ?? w[0], fresh[i]?.to ?? w[1], w[2], w[3], w[4], w[5], w[6]]);
  }
  const first = old[0];
  const last = old.at(-1);
  if (first && last) return shareByLetters(text, fresh, first[2], last[3]);
  return previous && next ? shareByLetters(text, fresh, previous[3], Math.max(previous[3], next[2])) : [];
}

/**
 * Word times after a splice. Words the change leaves whole keep theirs. Where as many words come out
 * as went in, each keeps its time (a corrected word stays where it was said); where the number differs,
 * the time of those touched is shared by letters; a word typed between two timed words gets the time
 * between them.
 */
function mapWords(
  words: readonly WordRange[],
  before: string,
  after: string,
  from: number,
  to: number,
  length: number,
): readonly WordRange[] {
  if (words.length === 0) return words;
  const delta = length - (to - from);
  const left = words.filter((w) => w[1] < from);
  const right = words.filter((w) => w[0] > to).map((w) => moveWord(w, delta));
  let old = words.slice(left.length, words.length - right.length);
  let start = Math.min(from, old[0]?.[0] ?? from);
  let end = old.reduce((last, w) => (w[1] >= to ? Math.max(last, w[1] + delta) : last), from + length);
  const lowest = left.at(-1)?.[1] ?? 0;
  const highest = right[0]?.[0] ?? after.length;
  while (start > lowest && !isSpace(after, start - 1)) start--;
  while (end < highest && end < after.length && !isSpace(after, end)) end++;
  let fresh = tokensOf(after, start, end);
  const same = (w: WordRange | undefined, token: TextRange | undefined, by: number): w is WordRange =>
    w !== undefined &&
    token?.from === w[0] + by &&
    token.to === w[1] + by &&
    before.slice(w[0], w[1]) === after.slice(token.from, token.to);
  const head = old[0];
  if (head && head[1] <= from && same(head, fresh[0], 0)) {
    left.push(head);
    old = old.slice(1);
    fresh = fresh.slice(1);
  }
  const tail = old.at(-1);
  if (tail && tail[0] >= to && same(tail, fresh.at(-1), delta)) {
    right.unshift(moveWord(tail, delta));
    old = old.slice(0, -1);
    fresh = fresh.slice(0, -1);
  }
  return [...left, ...timesFor(after, fresh, old, left.at(-1), right[0]), ...right];
}

/** `text[from, to)` becomes `insert`; everything that hangs on the text goes along. */
export function spliceText<T extends Ranged>(of: T, from: number, to: number, insert: string): T {
  const text = of.text.slice(0, from) + insert + of.text.slice(to);
  return {
    ...of,
    text,
    marks: mapSpans(of.marks, from, to, insert.length),
    speakers: of.speakers.flatMap((range) => mapSpeaker(range, from, to, insert.length) ?? []),
    words: mapWords(of.words, of.text, text, from, to, insert.length),
  };
}

/** The part `[from, to)` of a ranged text, with what hangs on it. */
export function sliceText(of: Ranged, from: number, to: number): Ranged {
  // Most texts have nothing hanging on them, and long tracks are cut up many times.
  return {
    text: of.text.slice(from, to),
    marks: of.marks.length === 0 ? of.marks : spansAt(of.marks, from, to).flatMap((mark) => cutSpan(mark, from, to)),
    speakers:
      of.speakers.length === 0
        ? of.speakers
        : spansAt(of.speakers, from, to).flatMap((range) => cutSpeaker(range, from, to)),
    words: of.words.length === 0 ? of.words : cutWords(of, from, to),
  };
}

/** Fewer spans than this are gone through as they are. */
const few = 32;
/** Of each span the furthest that it or one before it reaches; null where they are not in order. Kept to save time only. */
const reaches = new WeakMap<readonly TextRange[], Int32Array | null>();

function reachOf(spans: readonly TextRange[]): Int32Array | null {
  const known = reaches.get(spans);
  if (known !== undefined) return known;
  const reach = new Int32Array(spans.length);
  let [furthest, from, inOrder] = [0, 0, true];
  spans.forEach((span, i) => {
    furthest = Math.max(furthest, span.to);
    reach[i] = furthest;
    inOrder &&= span.from >= from;
    ({ from } = span);
  });
  const found = inOrder ? reach : null;
  reaches.set(spans, found);
  return found;
}

/** The first of so many places from which something holds. */
function firstWhere(many: number, holds: (k: number) => boolean): number {
  let low = 0;
  for (let high = many; low < high;) {
    const middle = (low + high) >> 1;
    if (holds(middle)) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** The spans that may lie in a part of their text: a text marked all over is not gone through for each of its parts. */
function spansAt<T extends TextRange>(spans: readonly T[], from: number, to: number): readonly T[] {
  const reach = spans.length < few ? null : reachOf(spans);
  if (!reach) return spans;
  const first = firstWhere(spans.length, (k) => (reach[k] ?? 0) > from);
  return spans.slice(
    first,
    firstWhere(spans.length, (k) => (spans[k]?.from ?? 0) >= to),
  );
}

function cutSpan<T extends TextRange>(span: T, from: number, to: number): T[] {
  const start = Math.max(span.from, from);
  const end = Math.min(span.to, to);
  return end > start ? [{ ...span, from: start - from, to: end - from }] : [];
}

const cutSpeaker = (range: SpeakerRange, from: number, to: number): SpeakerRange[] =>
  cutSpan(range, from, to).map((part) => ({
    ...part,
    label: Math.max(0, Math.min(range.from + range.label, to) - Math.max(range.from, from)),
  }));

function cutWords(of: Ranged, from: number, to: number): WordRange[] {
  const { words, text } = of;
  const out: WordRange[] = [];
  // Words lie one after the other, so those before the part are jumped over.
  let low = 0;
  for (let high = words.length; low < high;) {
    const middle = (low + high) >> 1;
    if ((words[middle]?.[1] ?? 0) <= from) low = middle + 1;
    else high = middle;
  }
  for (let w = words[low]; w && w[0] < to; w = words[++low]) {
    const [begins, ends, starts, stops, certainty, source, heard] = w;
    const start = Math.max(begins, from);
    const end = Math.min(ends, to);
    if (end <= start) continue;
    if (start === begins && end === ends) out.push([start - from, end - from, starts, stops, certainty, source, heard]);
    else {
      const at = (offset: number): number =>
        Math.round(starts + ((stops - starts) * (offset - begins)) / (ends - begins));
      out.push([start - from, end - from, at(start), at(end), certainty, 'guessed', text.slice(start, end)]);
    }
  }
  return out;
}

/** Ranged texts one after the other, with `between` from each to the next. */
export function joinTexts(parts: readonly Ranged[], between: string): Ranged {
  const [only] = parts;
  if (only && parts.length === 1)
    return { text: only.text, marks: meet(only.marks, between.length), speakers: only.speakers, words: only.words };
  let text = '';
  const marks: Mark[] = [];
  const speakers: SpeakerRange[] = [];
  const words: WordRange[] = [];
  parts.forEach((part, i) => {
    if (i > 0) text += between;
    const by = text.length;
    text += part.text;
    for (const m of part.marks) marks.push({ ...m, from: m.from + by, to: m.to + by });
    for (const s of part.speakers) speakers.push({ ...s, from: s.from + by, to: s.to + by });
    for (const w of part.words) words.push(by === 0 ? w : moveWord(w, by));
  });
  return { text, marks: meet(marks, between.length), speakers, words };
}

/** A part of a ranged text on one line, with what hangs on it. */
export function onOneLine(of: Ranged, from = 0, to = of.text.length): Ranged {
  const cut = sliceText(of, from, to);
  return cut.text.includes('\n')
    ? { text: cut.text.replaceAll('\n', ' '), marks: cut.marks, speakers: cut.speakers, words: cut.words }
    : cut;
}

/** Two ranged texts one after the other, with `between` from the one to the other. */
export const joinText = (a: Ranged, between: string, b: Ranged): Ranged => joinTexts([a, b], between);

/** Joins marks of one kind and value that touch, or that only the joining space keeps apart. */
export function meet(marks: readonly Mark[], slack = 0): readonly Mark[] {
  if (marks.length < 2) return marks;
  const out: Mark[] = [];
  for (const mark of [...marks].sort((a, b) => a.from - b.from)) {
    const k = out.findLastIndex((m) => m.kind === mark.kind && m.value === mark.value && m.to + slack >= mark.from);
    const before = out[k];
    if (before) out[k] = { ...before, to: Math.max(before.to, mark.to) };
    else out.push(mark);
  }
  return out;
}

/** Sets or clears a mark on `[from, to)`. */
export function markText<T extends Ranged>(
  of: T,
  from: number,
  to: number,
  kind: Mark['kind'],
  value: string,
  on: boolean,
): T {
  const rest = of.marks.flatMap((m): Mark[] => {
    if (m.kind !== kind || m.to <= from || m.from >= to) return [m];
    return [
      { ...m, to: from },
      { ...m, from: to },
    ].filter((part) => part.to > part.from);
  });
  return { ...of, marks: meet(on && to > from ? [...rest, { from, to, kind, value }] : rest) };
}
