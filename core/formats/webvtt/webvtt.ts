/**
 * WebVTT, read in the order of the W3C recommendation's parsing algorithm ("WebVTT file parsing"):
 * signature, header, then blocks; a block is a cue if one of its first two lines holds `-->`.
 */
import { formatClock } from '../../time/clock.ts';
import { captionOfCue, ordered } from '../cue.ts';
import { linesOfText, Unreadable, type Format, type Mended, type ReadCaption, type ReadResult } from '../format.ts';
import { readCueText } from './cue-text.ts';
import { writeInline } from '../inline.ts';
import { timestamp, timestampMs } from './time.ts';
import type { Caption } from '../../track/caption.ts';

const signature = /^\ufeff?WEBVTT(?:[ \t]|$)/;

interface Block {
  readonly line: number;
  readonly lines: readonly string[];
}

/** Blocks of the file. A line with `-->` begins a new cue even where the blank line before it is missing. */
function blocksOf(lines: readonly string[], from: number): Block[] {
  const blocks: Block[] = [];
  let current: string[] = [];
  let first = from;
  let timed = false;
  const flush = (): void => {
    if (current.length > 0) blocks.push({ line: first + 1, lines: current });
    current = [];
    timed = false;
  };
  for (let i = from; i < lines.length; i++) {
    const line = lines[i] ?? '';
    if (line === '') {
      flush();
      continue;
    }
    if (line.includes('-->')) {
      if (timed || current.length > 1) flush();
      timed = true;
    }
    if (current.length === 0) first = i;
    current.push(line);
  }
  flush();
  return blocks;
}

/** "Collect WebVTT cue timings and settings": what follows the second timestamp is settings, space between or not. */
const timings = new RegExp(String.raw`^[ \t\f]*${timestamp}[ \t\f]*-->[ \t\f]*${timestamp}(.*)$`);

function readCue(block: Block, at: number, mended: Mended[]): ReadCaption | null {
  const timing = block.lines[at] ?? '';
  const match = timings.exec(timing);
  const start = match ? timestampMs(match, 1) : null;
  const end = match ? timestampMs(match, 5) : null;
  const line = block.line + at;
  if (!match || start === null || end === null) {
    mended.push({
      line,
      message: `The times “${timing.trim().slice(0, 60)}” are not as WebVTT wants them; the cue was left out, as a browser leaves it out.`,
    });
    return null;
  }
  if (end < start)
    mended.push({ line, message: 'The end comes before the start; the caption was given no time on screen.' });
  const settings = (match[9] ?? '').trim();
  const foreign = {
    ...(at === 1 ? { vttId: block.lines[0] ?? '' } : {}),
    ...(settings ? { vttSettings: settings } : {}),
  };
  const payload = block.lines.slice(at + 1).join('\n');
  const times = { line, start, end: Math.max(start, end) };
  return captionOfCue({ ...times, payload, foreign: Object.keys(foreign).length > 0 ? foreign : null }, readCueText);
}

function read(source: string): ReadResult {
  const lines = linesOfText(source.replaceAll('\0', '\ufffd'));
  if (!signature.test(lines[0] ?? '')) throw new Unreadable('Line 1: a WebVTT file has to begin with the word WEBVTT.');
  const mended: Mended[] = [];
  const top = lines.findIndex((l, i) => i > 0 && (l === '' || l.includes('-->')));
  const headerEnd = top < 0 ? lines.length : top;
  const kept = [
    lines
      .slice(0, headerEnd)
      .join('\n')
      .replace(/^\ufeff/, ''),
  ];
  const cues: { line: number; caption: ReadCaption }[] = [];
  for (const block of blocksOf(lines, headerEnd)) {
    const at = block.lines[0]?.includes('-->') ? 0 : block.lines[1]?.includes('-->') ? 1 : -1;
    if (at >= 0) {
      const cue = readCue(block, at, mended);
      if (cue) cues.push({ line: block.line + at, caption: cue });
    } else if (/^(STYLE|REGION)[ \t]*$/.test(block.lines[0] ?? '') && cues.length === 0) {
      kept.push(block.lines.join('\n'));
    } else if (!/^NOTE(?:[ \t]|$)/.test(block.lines[0] ?? '')) {
      mended.push({
        line: block.line,
        message: `“${(block.lines[0] ?? '').slice(0, 40)}” belongs to no caption; it was left out.`,
      });
    }
  }
  return { format: 'vtt', captions: ordered(cues, mended), mended, header: kept.join('\n\n') };
}

const clock = (ms: number): string => formatClock(ms, { fraction: '.', hours: 'always', digits: 3 });

function writeCue(c: Caption): string {
  const id = c.foreign?.['vttId'];
  const settings = c.foreign?.['vttSettings'];
  // A blank line ends a cue, so an empty line of the text is left out.
  const payload = writeInline(c, 'vtt')
    .replace(/\n[^\S\n]*(?=\n)/g, '')
    .replace(/^\n+|\n+$/g, '');
  return `${id && !id.includes('-->') ? `${id}\n` : ''}${clock(c.start)} --> ${clock(c.end)}${settings ? ` ${settings}` : ''}\n${payload}\n`;
}

export const webvtt: Format = {
  name: 'vtt',
  title: 'WebVTT',
  extension: '.vtt',
  mediaType: 'text/vtt',
  detect: (text) => (signature.test(text.slice(0, 16).split(/[\r\n]/)[0] ?? '') ? 1 : 0),
  read,
  write: (captions, header) =>
    `${header || 'WEBVTT'}\n\n${captions
      .filter((c) => c.text.trim() !== '' && c.end > c.start)
      .map(writeCue)
      .join('\n')}`,
};
