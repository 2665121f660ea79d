/**
 * SubRip (SRT). No standard exists; reading follows common practice and mends what it can, writing
 * is strict: index, `HH:MM:SS,mmm --> HH:MM:SS,mmm`, text, a blank line.
 */
import { formatClock } from '../../time/clock.ts';
import { captionOfCue, ordered, type RawCue } from '../cue.ts';
import { linesOfText, Unreadable, type Format, type Mended, type ReadResult } from '../format.ts';
import { writeInline } from '../inline.ts';
import { readSrtText } from './text.ts';
import type { Placement } from '../../track/caption.ts';

const time = String.raw`(-)?(?:(\d{1,3})\s*:\s*)?(\d{1,2})\s*:\s*(\d{1,2})(?:\s*[,.:;]\s*(\d{1,3}))?`;
const timeLine = new RegExp(String.raw`^\s*${time}\s*(?:-{1,2}>|=>|→|-{2,3})\s*${time}(.*)$`);
const strictLine = /^\d{2,}:\d{2}:\d{2},\d{3} --> \d{2,}:\d{2}:\d{2},\d{3}$/;

interface TimeLine {
  readonly start: number;
  readonly end: number;
  readonly rest: string;
}

function milliseconds(parts: readonly (string | undefined)[]): number {
  const [sign, hours, minutes, secs, fraction] = parts;
  const ms =
    Number(hours ?? 0) * 3_600_000 +
    Number(minutes) * 60_000 +
    Number(secs) * 1000 +
    Number((fraction ?? '').padEnd(3, '0'));
  return sign ? -ms : ms;
}

function readTimeLine(line: string): TimeLine | null {
  // Long lines cannot be time lines, and keeping them from the pattern keeps its work small.
  if (line.length > 200) return null;
  const match = timeLine.exec(line);
  if (!match) return null;
  return {
    start: milliseconds(match.slice(1, 6)),
    end: milliseconds(match.slice(6, 11)),
    rest: (match[11] ?? '').trim(),
  };
}

const isIndex = (line: string): boolean => /^\s*\d{1,7}\s*$/.test(line);

/** Takes `{\an8}` off a text: the first hint counts, and all of them go. */
function hint(text: string): { readonly text: string; readonly placement: Placement | null } {
  if (!text.includes('{\\an')) return { text, placement: null };
  const digit = /\{\\an([1-9])\}/.exec(text)?.[1];
  return { text: text.replace(/\{\\an[1-9]\}/g, ''), placement: digit ? (Number(digit) as Placement) : null };
}

function read(source: string): ReadResult {
  const lines = linesOfText(source.startsWith('\ufeff') ? source.slice(1) : source);
  const mended: Mended[] = [];
  const stops: { readonly line: number; readonly at: TimeLine; readonly first: number }[] = [];
  lines.forEach((line, i) => {
    const at = line.includes('>') || line.includes('-') || line.includes('→') ? readTimeLine(line) : null;
    if (!at) return;
    if (!strictLine.test(line.trimEnd()) && at.rest === '')
      mended.push({ line: i + 1, message: `The time line was written “${line.trim()}”; it was read all the same.` });
    const indexed =
      i > 0 &&
      isIndex(lines[i - 1] ?? '') &&
      (i < 2 || (lines[i - 2] ?? '').trim() === '' || stops.length === 0 || stops.at(-1)?.line !== i - 2);
    if (!indexed) mended.push({ line: i + 1, message: 'There is no number above this time line.' });
    stops.push({ line: i, at, first: indexed ? i - 1 : i });
  });
  if (stops.length === 0) {
    throw new Unreadable(
      'No caption was found in this file: a line such as “00:00:01,000 --> 00:00:03,500” was expected above each text.',
    );
  }
  const cues = stops.map((stop, k): { line: number; caption: ReturnType<typeof captionOfCue> } => {
    let { start, end } = stop.at;
    if (end < start) {
      mended.push({ line: stop.line + 1, message: 'The end came before the start; the two were exchanged.' });
      [start, end] = [end, start];
    }
    if (start < 0) {
      mended.push({ line: stop.line + 1, message: 'The time was below nought; it was set to nought.' });
      start = 0;
      end = Math.max(0, end);
    }
    const body = lines.slice(stop.line + 1, stops[k + 1]?.first ?? lines.length);
    while (body.length > 0 && body.at(-1)?.trim() === '') body.pop();
    while (body.length > 0 && body[0]?.trim() === '') body.shift();
    const blank = body.findIndex((l) => l.trim() === '');
    if (blank >= 0)
      mended.push({ line: stop.line + 2 + blank, message: 'A blank line stood inside the text; it was left out.' });
    const hinted = hint(body.filter((l) => l.trim() !== '').join('\n'));
    const cue: RawCue = {
      line: stop.line + 1,
      start,
      end,
      payload: hinted.text,
      foreign: stop.at.rest ? { srtAfterTime: stop.at.rest } : null,
      placement: hinted.placement,
    };
    return { line: cue.line, caption: captionOfCue(cue, readSrtText) };
  });
  const captions = ordered(cues, mended);
  return { format: 'srt', captions, mended: mended.sort((a, b) => a.line - b.line), header: '' };
}

const clock = (ms: number): string => formatClock(ms, { fraction: ',', hours: 'always', digits: 3 });

export const srt: Format = {
  name: 'srt',
  title: 'SRT',
  extension: '.srt',
  mediaType: 'application/x-subrip',
  detect(text) {
    const head = linesOfText(text.slice(0, 4000));
    const k = head.findIndex((line) => readTimeLine(line) !== null);
    if (k < 0) return 0;
    return isIndex(head[k - 1] ?? '') ? 0.9 : 0.5;
  },
  read,
  write: (captions) =>
    captions
      .filter((c) => c.text.trim() !== '')
      // A blank line ends a caption in SRT, so none may stand inside the text.
      .map(
        (c, i) =>
          `${String(i + 1)}\n${clock(c.start)} --> ${clock(c.end)}\n${writeInline(c, 'srt')
            .replace(/\n[^\S\n]*(?=\n)/g, '')
            .replace(/^\n+|\n+$/g, '')}\n`,
      )
      .join('\n'),
};
