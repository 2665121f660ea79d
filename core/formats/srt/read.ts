/** Reading SRT: no standard exists, so whatever common practice lets be understood is, and what was put right is said. */
import type { ParseWarning } from '../warning.ts';
import type { ReadCaption } from '../../model/caption.ts';
import { captionOfCue, ordered, withoutBlankLines } from '../cue.ts';
import { Unreadable, type ReadResult } from '../format.ts';
import { plainLineEnds } from '../lines.ts';
import { stopsOf, type Stop } from './stops.ts';
import { readSrtText } from './text.ts';
import { strictTimeLine, type TimeLine } from './time-line.ts';

/** Notes something that was put right on the line of a caption's times. */
const note = (warnings: ParseWarning[], stop: Stop, message: string): void =>
  void warnings.push({ line: stop.line, message });

/** What is wrong with the number of a caption. */
function mendNumber(stop: Stop, before: Stop | undefined, counted: number, warnings: ParseWarning[]): void {
  const { number } = stop;
  if (number === null) note(warnings, stop, 'There is no number above this time line.');
  else if (!before) {
    if (number > 1) note(warnings, stop, `The numbers begin with ${String(number)}; captions may be missing before.`);
    // Where one number is odd, those after it go on with the count.
  } else if (before.number !== null && number !== before.number + 1 && number !== counted) {
    note(
      warnings,
      stop,
      number <= 1 && stop.at.start < before.at.start
        ? 'A second file seems to be joined on here: numbers and times begin again. Its captions were put among the others by their times.'
        : `The number is ${String(number)} where ${String(before.number + 1)} was expected.`,
    );
  }
}

/** A time line whose times a caption can have. */
function mendTimes(stop: Stop, warnings: ParseWarning[]): TimeLine {
  const { at } = stop;
  if (at.fault !== null) note(warnings, stop, at.fault);
  if (at.start >= 0 && at.end >= at.start) return at;
  let { start, end } = at;
  if (end < start) {
    note(warnings, stop, 'The end came before the start; the two were swapped.');
    [start, end] = [end, start];
  }
  if (start < 0) note(warnings, stop, 'The time was negative; it was set to zero.');
  return { ...at, start: Math.max(0, start), end: Math.max(0, end) };
}

/** Words of a form `X1:100` or `align:start` after the times are kept for writing; anything else there is text. */
const notText = /^(?:[A-Za-z]\w*:[^\s:]+(?:\s+|$))+$/;

/** The last caption of a file that was cut off: after a blank line a number, or a number and part of a time line, and no more. */
const cutOff = /\n[ \t]{0,9}\n[ \t]{0,9}(\d{1,7})[ \t]{0,9}(?:\n([\d:,. \->]{0,28}))?$/;

/** Stands for no place in a text; -1 is the place before its first character. */
const none = -2;

/** Where the remains of a cut-off caption begin in the last text of a file; `none` where there are none. */
function cutAt(body: string, expected: number): number {
  const end = body.trimEnd().length;
  const tail = body.slice(Math.max(0, end - 80), end);
  const found = cutOff.exec(tail);
  if (!found || (found[2] === undefined ? Number(found[1]) !== expected : !found[2].includes(':'))) return none;
  return end - (tail.length - found.index);
}

/** Whether a text may hold a line without words: one that begins with white space, or nothing. */
function mayHaveBlankLines(text: string): boolean {
  if (text.charCodeAt(0) <= 32) return true;
  for (let i = text.indexOf('\n'); i >= 0; i = text.indexOf('\n', i + 1)) {
    const next = text.charCodeAt(i + 1);
    if (!(next > 32 && next !== 0xa0)) return true;
  }
  return false;
}

/** The last text of a file without the beginning of a caption that was cut off. */
function withoutRemains(body: string, stop: Stop, warnings: ParseWarning[]): string {
  const cut = stop.number === null ? none : cutAt(body, stop.number + 1);
  if (cut === none) return body;
  const remains = body.slice(cut).trim().split('\n');
  warnings.push({
    line: stop.line + body.trimEnd().split('\n').length - remains.length + 1,
    message: `The file ends in the middle of a caption: only “${remains.map((l) => l.trim()).join(' / ')}” is there of it, which was left out.`,
  });
  return body.slice(0, cut);
}

/** A time line that the end of its file cuts off: it is the last line, not whole, and nothing stands under it. */
function cutTimeLine(source: string, stop: Stop | undefined): { readonly line: number; readonly rest: string } | null {
  if (!stop || stop.body < source.length || source.endsWith('\n')) return null;
  const from = source.lastIndexOf('\n') + 1;
  if (strictTimeLine(source, from, source.length)) return null;
  const [begins = '', ends = ''] = source.slice(from).split('-->');
  return ends.trim().length < begins.trim().length ? { line: stop.line, rest: source.slice(from).trim() } : null;
}

/** The text between a time line and the next caption, without the blank lines around it and in it. */
function bodyOf(source: string, stop: Stop, next: Stop | undefined, warnings: ParseWarning[]): string {
  let end = next?.from ?? source.length;
  while (end > stop.body && source.charCodeAt(end - 1) === 10) end--;
  let body = source.slice(stop.body, end);
  if (!next) body = withoutRemains(body, stop, warnings);
  if (!mayHaveBlankLines(body)) return body;
  const lines = body.split('\n');
  const first = lines.findIndex((l) => l.trim() !== '');
  const last = lines.findLastIndex((l) => l.trim() !== '');
  const blank = lines.findIndex((l, i) => i > first && i < last && l.trim() === '');
  if (blank >= 0)
    warnings.push({ line: stop.line + 1 + blank, message: 'A blank line stood inside the text; it was left out.' });
  return first < 0 ? '' : withoutBlankLines(body);
}

/** The caption at a stop. */
function captionAt(
  source: string,
  stop: Stop,
  k: number,
  stops: readonly Stop[],
  warnings: ParseWarning[],
): ReadCaption {
  mendNumber(stop, stops[k - 1], (stops[0]?.number ?? 1) + k, warnings);
  const times = mendTimes(stop, warnings);
  let text = bodyOf(source, stop, stops[k + 1], warnings);
  const { rest } = times;
  const beside = rest !== '' && !notText.test(rest);
  if (beside) {
    note(warnings, stop, 'The text stood on the line of the times; it was taken from there.');
    text = text === '' ? rest : `${rest}\n${text}`;
  }
  const inline = readSrtText(text);
  for (const message of inline.faults) warnings.push({ line: stop.line + 1, message });
  return captionOfCue(times.start, times.end, rest !== '' && !beside ? { srtCoordinates: rest } : null, inline);
}

/** Reads SRT leniently. @throws {Unreadable} where there is no time line at all */
export function readSrt(text: string): ReadResult {
  const source = plainLineEnds(text);
  const warnings: ParseWarning[] = [];
  const stops = stopsOf(source);
  if (stops.length === 0) {
    throw new Unreadable(
      'No caption was found in this file: a line such as “00:00:01,000 --> 00:00:03,500” was expected above each text.',
    );
  }
  const lead = source.slice(0, stops[0]?.from ?? 0).trim();
  if (lead !== '')
    warnings.push({
      line: 1,
      message: `“${lead.slice(0, 40)}” stands before the first caption; it was left out.`,
      lost: true,
    });
  const cut = stops.length > 1 ? cutTimeLine(source, stops.at(-1)) : null;
  if (cut) {
    stops.pop();
    warnings.push({
      line: cut.line,
      message: `The file ends in the middle of a time line: “${cut.rest}” was left out.`,
      lost: true,
    });
  }
  const found = stops.map((stop, k) => captionAt(source, stop, k, stops, warnings));
  const captions = ordered(found, (k) => stops[k]?.line ?? 1, warnings);
  return { format: 'srt', language: null, captions, warnings: warnings.sort((a, b) => a.line - b.line), foreign: null };
}
