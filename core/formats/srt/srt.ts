/**
 * SubRip (SRT). No standard exists; reading follows common practice and mends what it can, writing
 * is strict: index, `HH:MM:SS,mmm --> HH:MM:SS,mmm`, text, a blank line.
 */
import { formatClock } from '../../time/clock.ts';
import type { Caption, Foreign } from '../../track/caption.ts';
import { captionOfCue, ordered, withoutBlankLines, type OnLine } from '../cue.ts';
import {
  Unreadable,
  type Format,
  type Mended,
  type ReadResult,
  type Sheet,
  type Writer,
  type WriteOptions,
} from '../format.ts';
import { writeInline, type Dialect } from '../inline.ts';
import { firstLines, plainLineEnds } from '../lines.ts';
import { lossesOf } from '../loss.ts';
import { readSrtText } from './text.ts';
import { readTimeLine, strictTimeLine, type TimeLine } from './time-line.ts';

/** A time line and the place of the caption around it. */
interface Stop {
  /** From 1. */
  readonly line: number;
  readonly at: TimeLine;
  /** The number above it; null where there is none. */
  readonly number: number | null;
  /** Where the caption begins, with its number. */
  readonly from: number;
  /** Where its text begins. */
  readonly body: number;
}

/** The number a line holds and nothing else; null where it holds anything else. */
function numberOf(source: string, from: number, to: number): number | null {
  if (to - from > 16 || to === from) return null;
  const text = source.slice(from, to).trim();
  return /^\d{1,9}$/.test(text) ? Number(text) : null;
}

const isBlank = (source: string, from: number, to: number): boolean =>
  to === from || (to - from < 200 && source.slice(from, to).trim() === '');

/** Whether a line is worth a closer look: it begins with a digit, a sign or a space, and is no longer than a time line. */
function promising(source: string, from: number, to: number): boolean {
  if (to - from < 8 || to - from > 200) return false;
  const first = source.charCodeAt(from);
  return (first >= 48 && first <= 57) || first <= 32 || first === 45 || first === 0xa0 || first === 0xfeff;
}

/** Finds every time line in one pass over the text. */
function stopsOf(source: string): Stop[] {
  const stops: Stop[] = [];
  let line = 1;
  let [beforeFrom, beforeTo] = [0, 0];
  let blankAbove = true;
  let expected = 1;
  for (let from = 0; from <= source.length; line++) {
    const nl = source.indexOf('\n', from);
    const to = nl < 0 ? source.length : nl;
    const at = promising(source, from, to)
      ? (strictTimeLine(source, from, to) ?? readTimeLine(source.slice(from, to)))
      : null;
    if (at) {
      const above = line > 1 ? numberOf(source, beforeFrom, beforeTo) : null;
      // A number that continues no count, right under a text, is the end of that text.
      const number = above !== null && (blankAbove || above === expected) ? above : null;
      const fits = at.sure || number !== null || (at.rest === '' && isBlank(source, beforeFrom, beforeTo));
      if (fits) {
        stops.push({
          line,
          at,
          number,
          from: number === null ? from : beforeFrom,
          body: Math.min(to + 1, source.length),
        });
        expected = (number ?? expected - 1) + 1 + (number === null ? 1 : 0);
      }
    }
    blankAbove = line === 1 || isBlank(source, beforeFrom, beforeTo);
    [beforeFrom, beforeTo] = [from, to];
    if (nl < 0) break;
    from = nl + 1;
  }
  return stops;
}

/** What is wrong with the number of a caption. */
function mendNumber(stop: Stop, before: Stop | undefined, counted: number, say: (message: string) => void): void {
  if (stop.number === null) say('There is no number above this time line.');
  else if (!before) {
    if (stop.number > 1) say(`The numbers begin with ${String(stop.number)}; captions may be missing before.`);
    // Where one number is odd, those after it go on with the count.
  } else if (before.number !== null && stop.number !== before.number + 1 && stop.number !== counted) {
    say(
      stop.number <= 1 && stop.at.start < before.at.start
        ? 'A second file seems to be joined on here: numbers and times begin again. Its captions were put among the others by their times.'
        : `The number is ${String(stop.number)} where ${String(before.number + 1)} was expected.`,
    );
  }
}

/** Times as a caption can have them. */
function mendTimes(at: TimeLine, say: (message: string) => void): { readonly start: number; readonly end: number } {
  let { start, end } = at;
  if (at.fault) say(at.fault);
  if (end < start) {
    say('The end came before the start; the two were exchanged.');
    [start, end] = [end, start];
  }
  if (start < 0) {
    say('The time was below nought; it was set to nought.');
    start = 0;
    end = Math.max(0, end);
  }
  return { start, end };
}

/** Words of a form `X1:100` or `align:start` after the times are kept for writing; anything else there is text. */
const notText = /^(?:[A-Za-z]\w*:[^\s:]+(?:\s+|$))+$/;

/** The last caption of a file that was cut off: a number, or a number and part of a time line, and no more. */
const cutOff = /\n[ \t]*(\d{1,7})[ \t]*(?:\n([\d:,. \->]{0,28}))?$/;

/** Stands for no place in a text; -1 is the place before its first character. */
const none = -2;

/** Where the remains of a cut-off caption begin in the last text of a file; `none` where there are none. */
function cutAt(body: string, expected: number): number {
  const end = body.trimEnd().length;
  const tail = `\n${body.slice(Math.max(0, end - 60), end)}`;
  const found = cutOff.exec(tail);
  if (!found || (found[2] === undefined ? Number(found[1]) !== expected : !found[2].includes(':'))) return none;
  return end - (tail.length - found.index);
}

interface Body {
  readonly text: string;
  /** Line of the file the text begins on. */
  readonly line: number;
}

/** The text between a time line and the next caption, without the blank lines around it and in it. */
function bodyOf(
  source: string,
  stop: Stop,
  next: Stop | undefined,
  say: (line: number, message: string) => void,
): Body {
  let body = source.slice(stop.body, next?.from ?? source.length);
  let line = stop.line + 1;
  const cut = next || stop.number === null ? none : cutAt(body, stop.number + 1);
  if (cut !== none) {
    say(
      line + body.slice(0, cut + 1).split('\n').length - 1,
      `The file ends in the middle of a caption: only “${body
        .slice(cut + 1)
        .trim()
        .split('\n')
        .map((l) => l.trim())
        .join(' / ')}” is there of it, which was left out.`,
    );
    body = body.slice(0, Math.max(0, cut));
  }
  let end = body.length;
  while (end > 0 && body.charCodeAt(end - 1) === 10) end--;
  let text = body.slice(0, end);
  if (/(?:^|\n)\s*(?:\n|$)/.test(text)) {
    const lines = text.split('\n');
    const first = lines.findIndex((l) => l.trim() !== '');
    const last = lines.findLastIndex((l) => l.trim() !== '');
    const blank = lines.findIndex((l, i) => i > first && i < last && l.trim() === '');
    if (blank >= 0) say(line + blank, 'A blank line stood inside the text; it was left out.');
    line += Math.max(0, first);
    text = withoutBlankLines(first < 0 ? '' : text);
  }
  return { text, line };
}

/** Reads SRT leniently. @throws {Unreadable} where there is no time line at all */
export function readSrt(text: string): ReadResult {
  const source = plainLineEnds(text);
  const mended: Mended[] = [];
  const stops = stopsOf(source);
  if (stops.length === 0) {
    throw new Unreadable(
      'No caption was found in this file: a line such as “00:00:01,000 --> 00:00:03,500” was expected above each text.',
    );
  }
  const lead = source.slice(0, stops[0]?.from ?? 0).trim();
  if (lead !== '')
    mended.push({
      line: 1,
      message: `“${lead.slice(0, 40)}” stands before the first caption; it was left out.`,
      lost: true,
    });
  const cues = stops.map((stop, k): OnLine => {
    const say = (message: string): void => void mended.push({ line: stop.line, message });
    mendNumber(stop, stops[k - 1], (stops[0]?.number ?? 1) + k, say);
    const { start, end } = mendTimes(stop.at, say);
    const body = bodyOf(source, stop, stops[k + 1], (line, message) => void mended.push({ line, message }));
    const { rest } = stop.at;
    const beside = rest !== '' && !notText.test(rest);
    if (beside) say('The text stood on the line of the times; it was taken from there.');
    const inline = readSrtText(beside ? `${rest}${body.text === '' ? '' : '\n'}${body.text}` : body.text);
    for (const fault of inline.faults) mended.push({ line: body.line, message: fault });
    const foreign: Foreign | null = rest !== '' && !beside ? { srtCoordinates: rest } : null;
    return { line: stop.line, caption: captionOfCue({ start, end, timing: 'set', foreign }, inline) };
  });
  const captions = ordered(cues, mended);
  return { format: 'srt', language: null, captions, mended: mended.sort((a, b) => a.line - b.line), foreign: null };
}

const clock = (ms: number): string => formatClock(ms, { fraction: ',', hours: 'always', digits: 3 });

const dialect: Dialect = {
  encode: (text) => text,
  mark({ kind, value }) {
    if (kind === 'italic') return ['<i>', '</i>'];
    if (kind === 'bold') return ['<b>', '</b>'];
    if (kind === 'underline') return ['<u>', '</u>'];
    return kind === 'colour' && /^[\w#(), .%]+$/.test(value) ? [`<font color="${value}">`, '</font>'] : null;
  },
  voice: () => null,
  stamp: () => '',
};

function body(c: Caption, options: WriteOptions): string {
  const hint = options.positions && c.placement !== null ? `{\\an${String(c.placement)}}` : '';
  return hint + withoutBlankLines(writeInline(c, dialect));
}

function cue(c: Caption, index: number, options: WriteOptions): string {
  const coordinates = c.foreign?.['srtCoordinates'];
  return `${String(index + 1)}\n${clock(c.start)} --> ${clock(c.end)}${coordinates ? ` ${coordinates}` : ''}\n${body(c, options)}\n`;
}

const write = (sheet: Sheet, options: WriteOptions): string =>
  sheet.captions
    .filter((c) => c.text.trim() !== '')
    .map((c, i) => cue(c, i, options))
    .join('\n');

/** Whether a text, written, is read again as it was. */
function comesBack(c: Caption): boolean {
  // Without a tag, a brace or a second line nothing can be mistaken.
  if (!/[<{\n\d]/.test(c.text)) return true;
  const written = `1\n${clock(0)} --> ${clock(1)}\n${withoutBlankLines(writeInline(c, dialect))}\n`;
  const found = readSrt(written).captions;
  return found.length === 1 && found[0]?.text === withoutBlankLines(c.text);
}

export const writer: Writer = {
  write,
  losses: (sheet, options) =>
    lossesOf(
      sheet,
      {
        dialect,
        times: true,
        breaks: true,
        wordTimes: false,
        certainty: false,
        placement: false,
        provisional: false,
        empty: false,
        noDuration: true,
        blankLines: false,
        foreign: ['srtCoordinates'],
        text: comesBack,
      },
      { ...options, wordTimes: false },
    ),
};

export const srt: Format = {
  name: 'srt',
  title: 'SRT',
  extension: '.srt',
  mediaType: 'application/x-subrip',
  detect(text) {
    const head = firstLines(text);
    const k = head.findIndex((line) => readTimeLine(line)?.sure);
    if (k < 0) return 0;
    return k > 0 && numberOf(head[k - 1] ?? '', 0, (head[k - 1] ?? '').length) !== null ? 0.9 : 0.7;
  },
  read: readSrt,
  writer,
};
