/** Writing SRT, strictly: index, `HH:MM:SS,mmm --> HH:MM:SS,mmm`, text, a blank line. */
import type { Sheet, WriteOptions } from '../sheet.ts';
import { formatClock } from '../../timing/clock/clock.ts';
import type { Caption } from '../../model/caption.ts';
import { hasNoWords, withoutBlankLines } from '../cue.ts';
import type { Writer } from '../format.ts';
import { commonTags, writeInline, type Dialect } from '../inline.ts';
import { lossesOf, onlyWords } from '../loss.ts';
import { readSrt } from './read.ts';
import { notTimeLine } from './time-line.ts';

const shape = { fraction: ',', hours: 'always', digits: 3 } as const;
const clock = (ms: number): string => formatClock(ms, shape);

const dialect: Dialect = {
  encode: (text) => text,
  mark({ kind, value }) {
    if (kind === 'italic' || kind === 'bold' || kind === 'underline') return commonTags[kind] ?? null;
    return kind === 'colour' && /^[\w#(), .%]+$/.test(value) ? [`<font color="${value}">`, '</font>'] : null;
  },
  voice: () => null,
  stamp: () => '',
};

/** What is followed by a time may be the arrow of a time line. */
const arrow = /\d\s*[-–—=~>→⟶➔]/;

function body(c: Caption, options: Pick<WriteOptions, 'positions'>): string {
  const hint = options.positions && c.placement !== null ? `{\\an${String(c.placement)}}` : '';
  const text = hint + withoutBlankLines(writeInline(c, dialect));
  return arrow.test(text) ? text.split('\n').map(notTimeLine).join('\n') : text;
}

function cue(c: Caption, index: number, options: WriteOptions): string {
  const coordinates = c.foreign?.['srtCoordinates'];
  return `${String(index)}\n${clock(c.start)} --> ${clock(c.end)}${coordinates ? ` ${coordinates}` : ''}\n${body(c, options)}\n`;
}

function write(sheet: Sheet, options: WriteOptions): string {
  const cues: string[] = [];
  for (const c of sheet.captions) if (!hasNoWords(c.text)) cues.push(cue(c, cues.length + 1, options));
  return cues.join('\n');
}

/** Only tags and braces can be mistaken for what they are not, besides what looks like times. */
const mistakable = /[<{]/;

/** Whether a text, written, is read again as it was. */
function comesBack(c: Caption): boolean {
  if (!mistakable.test(c.text) && !arrow.test(c.text)) return true;
  const written = `1\n${clock(0)} --> ${clock(1)}\n${body(c, { positions: false })}\n`;
  const found = readSrt(written).captions;
  return found.length === 1 && found[0]?.text === withoutBlankLines(c.text);
}

export const srtWriter: Writer = {
  write,
  losses: (sheet, options) =>
    lossesOf(sheet, {
      ...onlyWords,
      dialect,
      times: true,
      breaks: true,
      placement: options.positions,
      foreign: ['srtCoordinates'],
      text: comesBack,
    }),
};
