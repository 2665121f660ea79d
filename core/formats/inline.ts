/** Inline markup as ranges on the text: what reading gives, and what writing takes. */
import type { Caption, Mark, MarkKind, Placement, SpeakerRange, WordRange } from '../model/caption.ts';

export interface Inline {
  readonly text: string;
  readonly marks: readonly Mark[];
  readonly speakers: readonly SpeakerRange[];
  /** Timestamps inside the text: offset and time in ms. */
  readonly times: readonly { readonly at: number; readonly ms: number }[];
  readonly placement: Placement | null;
  /** What was not as it should be, a sentence each. */
  readonly faults: readonly string[];
}

/** Most texts have no markup; one empty list serves them all. */
const nothing: readonly never[] = [];

/** Text without any markup. */
export const plainInline = (text: string): Inline => ({
  text,
  marks: nothing,
  speakers: nothing,
  times: nothing,
  placement: null,
  faults: nothing,
});

/** The order of ranges on a text: by where they begin, the longer before the shorter. */
export const byExtent = (
  a: { readonly from: number; readonly to: number },
  b: { readonly from: number; readonly to: number },
): number => a.from - b.from || b.to - a.to;

/** Word times from timestamps inside a cue: each runs to the next, the last to the cue's end. */
export function timedWords(inline: Inline, start: number, end: number): WordRange[] {
  if (inline.times.length === 0) return [];
  const stops = [
    { at: 0, ms: start },
    ...inline.times.filter((t) => t.ms > start && t.ms < end),
    { at: inline.text.length, ms: end },
  ];
  return stops.slice(0, -1).flatMap((stop, i): WordRange[] => {
    const next = stops[i + 1];
    if (!next || next.ms < stop.ms) return [];
    const piece = inline.text.slice(stop.at, next.at);
    const word = piece.trim();
    if (word === '') return [];
    const from = stop.at + piece.indexOf(word);
    return [[from, from + word.length, stop.ms, next.ms, 1, 'recogniser', word]];
  });
}

/** What stands before and after a marked stretch. */
export type Tag = readonly [start: string, end: string];

/** How a format writes text and what is marked on it; null where it has nothing for it. */
export interface Dialect {
  readonly encode: (text: string) => string;
  readonly mark: (mark: Mark) => Tag | null;
  readonly voice: (range: SpeakerRange) => Tag | null;
  /** A time inside the text, in ms. */
  readonly stamp: (ms: number) => string;
}

/** Tags that HTML, WebVTT and SRT have in common, by the mark they stand for. */
export const commonTags: Readonly<Partial<Record<MarkKind, Tag>>> = {
  italic: ['<i>', '</i>'],
  bold: ['<b>', '</b>'],
  underline: ['<u>', '</u>'],
  ruby: ['<ruby>', '</ruby>'],
  'ruby text': ['<rt>', '</rt>'],
};

/** Text in which nothing can be taken for markup. */
export const withoutMarkup = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** The same for the value of an attribute in double quotes. */
export const attributeValue = (text: string): string => withoutMarkup(text).replace(/"/g, '&quot;');

interface Placed {
  readonly from: number;
  readonly to: number;
  readonly tag: Tag;
}

/** What a caption carries that came with times inside it, which are then written again. */
export const timedInside = { timedInside: 'yes' } as const;

/** Whether the times of a caption's words are to be written: when asked, or where its file had them. */
export const writesWordTimes = (c: Pick<Caption, 'foreign'>, options: { readonly wordTimes: boolean }): boolean =>
  options.wordTimes || c.foreign?.['timedInside'] !== undefined;

/** Moments to write inside a caption: where a word begins later than the one before and inside the caption. */
export function stampsOf(of: Pick<Caption, 'start' | 'end' | 'words'>): { readonly at: number; readonly ms: number }[] {
  const stamps: { at: number; ms: number }[] = [];
  let last = of.start;
  for (const [from, , start, , , source] of of.words) {
    if (source === 'guessed' || start <= last || start >= of.end) continue;
    stamps.push({ at: from, ms: start });
    last = start;
  }
  return stamps;
}

/** Text with one stretch marked. */
const writeMarked = (
  text: string,
  { from, to }: { readonly from: number; readonly to: number },
  tag: Tag | null,
  encode: Dialect['encode'],
): string =>
  tag === null
    ? encode(text)
    : encode(text.slice(0, from)) + tag[0] + encode(text.slice(from, to)) + tag[1] + encode(text.slice(to));

/** Writes text with its ranges as properly nested markup. */
export function writeInline(
  of: Pick<Caption, 'text' | 'marks' | 'speakers'>,
  dialect: Dialect,
  stamps: readonly { readonly at: number; readonly ms: number }[] = [],
): string {
  if (of.marks.length === 0 && of.speakers.length === 0 && stamps.length === 0) return dialect.encode(of.text);
  const [mark] = of.marks;
  // One mark is by far the most common.
  if (mark && of.marks.length === 1 && of.speakers.length === 0 && stamps.length === 0)
    return writeMarked(of.text, mark, mark.to > mark.from ? dialect.mark(mark) : null, dialect.encode);
  const place = <T extends { readonly from: number; readonly to: number }>(
    range: T,
    tag: (range: T) => Tag | null,
  ): Placed[] => {
    const found = range.to > range.from ? tag(range) : null;
    return found ? [{ from: range.from, to: range.to, tag: found }] : [];
  };
  const tags = [
    ...of.speakers.flatMap((s) => (s.speaker === '' ? [] : place(s, dialect.voice))),
    ...of.marks.flatMap((m) => place(m, dialect.mark)),
  ];
  const [only] = tags;
  if (tags.length === 0 && stamps.length === 0) return dialect.encode(of.text);
  if (only && tags.length === 1 && stamps.length === 0) {
    return writeMarked(of.text, only, only.tag, dialect.encode);
  }
  const times = new Map(stamps.map((s) => [s.at, s.ms]));
  // By where they begin: a caption may hold tens of thousands.
  const beginning = new Map<number, Placed[]>();
  for (const tag of tags) {
    const there = beginning.get(tag.from);
    if (there) there.push(tag);
    else beginning.set(tag.from, [tag]);
  }
  const stops = [...new Set([0, of.text.length, ...tags.flatMap((t) => [t.from, t.to]), ...times.keys()])].sort(
    (a, b) => a - b,
  );
  let out = '';
  const open: Placed[] = [];
  /** Where the first of the open ones ends: between ends, none is looked at. */
  let soonest = Infinity;
  for (let i = 0; i < stops.length; i++) {
    const stop = stops[i] ?? 0;
    let again: readonly Placed[] = [];
    if (soonest <= stop) {
      const closed = open.splice(open.findIndex((t) => t.to <= stop));
      for (const { tag } of [...closed].reverse()) out += tag[1];
      again = closed.filter((t) => t.to > stop);
      soonest = open.reduce((least, t) => Math.min(least, t.to), Infinity);
    }
    const fresh = (beginning.get(stop) ?? []).sort((a, b) => b.to - a.to);
    for (const placed of [...again, ...fresh]) {
      out += placed.tag[0];
      open.push(placed);
      soonest = Math.min(soonest, placed.to);
    }
    const ms = times.get(stop);
    if (ms !== undefined) out += dialect.stamp(ms);
    out += dialect.encode(of.text.slice(stop, stops[i + 1] ?? stop));
  }
  return out;
}
