/**
 * Plain timed text: any simple layout whose lines begin with a start and an end time, the text after
 * them on the line or under it. Recognised by shape: clock times, seconds, or frames; in brackets,
 * with an arrow, a dash, a comma, a tab or a bar between; numbered or not; with quotes or not.
 */
import type { ParseWarning } from '../warning.ts';
import type { ReadCaption } from '../../model/caption.ts';
import { readStamp, skipSpaces, stampMs, digitsEnd } from '../../timing/clock/stamp.ts';
import { captionOfCue, ordered } from '../cue.ts';
import { Unreadable, type Format, type ReadResult } from '../format.ts';
import { plainInline } from '../inline.ts';
import { firstLines, linesOfText } from '../lines.ts';

/** A moment: in ms, with frames to be added once their rate is known. */
interface Moment {
  readonly ms: number;
  readonly frames: number;
  readonly next: number;
  readonly kind: 'clock' | 'seconds' | 'frames';
}

interface TimedLine {
  readonly start: Moment;
  readonly end: Moment;
  readonly text: string;
}

/** The part of a line that is looked at for times. */
const head = 120;

/** Seconds with a fraction, as `12.345`. */
function secondsAt(line: string, at: number): Moment | null {
  const dot = digitsEnd(line, at);
  const end = line.charAt(dot) === '.' ? digitsEnd(line, dot + 1) : dot;
  if (dot === at || dot - at > 6 || end <= dot + 1) return null;
  return { ms: Math.round(Number(line.slice(at, end)) * 1000), frames: 0, next: end, kind: 'seconds' };
}

function momentAt(line: string, at: number): Moment | null {
  const stamp = readStamp(line, at);
  if (!stamp) return secondsAt(line, at);
  if (stamp.negative) return null;
  const frames = stamp.colon && stamp.fraction.length <= 2;
  return {
    ms: stampMs(frames ? { ...stamp, fraction: '' } : stamp),
    frames: frames ? Number(stamp.fraction) : 0,
    next: stamp.next,
    kind: 'clock',
  };
}

/** `{25}{75}` or `[25][75]`: frame numbers in brackets of their own. */
function framePair(line: string): TimedLine | null {
  const found = /^\s*[{[](\d{1,8})[}\]]\s*[{[](\d{1,8})[}\]]/.exec(line.slice(0, head));
  if (!found) return null;
  const moment = (text: string | undefined): Moment => ({ ms: 0, frames: Number(text), next: 0, kind: 'frames' });
  const text = line.slice(found[0].length).trim().replace(/\|/g, '\n');
  return { start: moment(found[1]), end: moment(found[2]), text };
}

const before = ' \t\u00a0[({"\u201c\'';
const between = ' \t\u00a0,;|-–—=~>→])}[({"\'';
const after = ' \t\u00a0,;|:-–—])}';

const skip = (line: string, at: number, signs: string): number => {
  let i = at;
  while (i < line.length && signs.includes(line.charAt(i))) i++;
  return i;
};

/** The start of a line without a number in front of its times. */
function withoutNumber(line: string): number {
  const digits = digitsEnd(line, skipSpaces(line, 0));
  const sign = line.charAt(digits);
  if (digits === 0 || !(sign === '\t' || sign === ',' || sign === ';' || sign === '|' || sign === ' ')) return 0;
  return digits + 1;
}

/** A text without the quotes a table puts around it. */
function unquoted(text: string): string {
  const plain = text.trim();
  return plain.length > 1 && plain.startsWith('"') && plain.endsWith('"')
    ? plain.slice(1, -1).replace(/""/g, '"')
    : plain;
}

/** The times and text of a line; null where it does not begin with two times. */
function timedLine(line: string): TimedLine | null {
  const pair = framePair(line);
  if (pair) return pair;
  for (const from of new Set([0, withoutNumber(line.slice(0, head))])) {
    const start = momentAt(line, skip(line, from, before));
    if (!start) continue;
    const to = line.startsWith(' to ', start.next) ? start.next + 4 : skip(line, start.next, between);
    const end = to > start.next ? momentAt(line, to) : null;
    if (end?.kind !== start.kind) continue;
    // The quote a table closes its times with does not open the text.
    const closed = line.charAt(end.next) === '"' ? end.next + 1 : end.next;
    return { start, end, text: line.slice(skip(line, closed, after)).trim() };
  }
  return null;
}

/** The rate that frames are likely counted by: the lowest in use that has them all. */
function likelyRate(lines: readonly TimedLine[]): number {
  let most = 0;
  for (const { start, end } of lines) most = Math.max(most, start.frames, end.frames);
  return most < 24 ? 24 : most < 25 ? 25 : 30;
}

/** The rate of files that give nothing but frame numbers; common practice. */
const usualRate = 25;

function read(text: string): ReadResult {
  const lines = linesOfText(text);
  const warnings: ParseWarning[] = [];
  const found: { line: number; at: TimedLine; text: string[] }[] = [];
  const lost: number[] = [];
  lines.forEach((line, i) => {
    const at = timedLine(line);
    const last = found.at(-1);
    if (at) found.push({ line: i + 1, at, text: at.text === '' ? [] : [at.text] });
    else if (last && line.trim() !== '') last.text.push(line.trim());
    else if (line.trim() !== '') lost.push(i + 1);
  });
  if (found.length === 0) throw new Unreadable('No line of this file begins with a start and an end time.');
  const [first] = lost;
  if (first !== undefined)
    warnings.push({
      line: first,
      message: `What stands before the first time (${String(lost.length)} lines) was left out.`,
    });
  const framed = found.filter((f) => f.at.start.kind === 'frames' || f.at.start.frames + f.at.end.frames > 0);
  const byNumber = found[0]?.at.start.kind === 'frames';
  const rate = byNumber ? usualRate : likelyRate(framed.map((f) => f.at));
  if (framed[0])
    warnings.push({ line: framed[0].line, message: `Times are in frames; ${String(rate)} a second were counted.` });
  const ms = (m: Moment): number => m.ms + Math.round((m.frames * 1000) / rate);
  const read = found.map(({ line, at, text: body }): ReadCaption => {
    let [start, end] = [ms(at.start), ms(at.end)];
    if (end < start) {
      warnings.push({ line, message: 'The end came before the start; the two were swapped.' });
      [start, end] = [end, start];
    }
    // The number of the next caption stands at the end of this one's text.
    while (body.length > 1 && /^\d{1,6}$/.test(body.at(-1) ?? '')) body.pop();
    return captionOfCue(start, end, null, plainInline(unquoted(body.join('\n')).replace(/\[br\]/gi, '\n')));
  });
  const captions = ordered(read, (i) => found[i]?.line ?? 1, warnings);
  return {
    format: 'timed',
    language: null,
    captions,
    warnings: warnings.sort((a, b) => a.line - b.line),
    foreign: null,
  };
}

export const timedText: Format = {
  name: 'timed',
  title: 'Timed text',
  extension: '.txt',
  mediaType: 'text/plain',
  detect(text) {
    const lines = firstLines(text).filter((l) => l.trim() !== '');
    const timed = lines.filter((l) => timedLine(l) !== null).length;
    if (timed === 0) return 0;
    return timed >= 2 || lines.length <= 3 ? 0.6 : 0.3;
  },
  read,
  writer: null,
};
