/** Writing WebVTT, so that a strict reader finds nothing to drop. */
import type { Sheet, WriteOptions } from '../sheet.ts';
import { exactClock } from '../../timing/clock/clock.ts';
import type { Caption, Mark } from '../../model/caption.ts';
import { colourClass } from '../colours.ts';
import { withoutBlankLines } from '../cue.ts';
import type { Writer } from '../format.ts';
import {
  commonTags,
  stampsOf,
  withoutMarkup,
  writeInline,
  writesWordTimes,
  type Dialect,
  type Tag,
} from '../inline.ts';
import { lossesOf, onlyWords } from '../loss.ts';

/** An annotation ends with its line, and spaces in it count once. */
const annotation = (text: string): string => withoutMarkup(text.trim().replace(/\s+/g, ' '));

const isClass = (value: string): boolean => /^[^\s.<>&]+(?:\.[^\s.<>&]+)*$/.test(value);

function markTag({ kind, value }: Mark): Tag | null {
  switch (kind) {
    case 'language':
      return value.trim() === '' ? null : [`<lang ${annotation(value)}>`, '</lang>'];
    case 'class':
      return isClass(value) ? [`<c.${value}>`, '</c>'] : null;
    case 'colour': {
      const name = colourClass(value);
      return name === null ? null : [`<c.${name}>`, '</c>'];
    }
    default:
      return commonTags[kind] ?? null;
  }
}

const dialect: Dialect = {
  encode: withoutMarkup,
  mark: markTag,
  voice: ({ speaker }) => (speaker.trim() === '' ? null : [`<v ${annotation(speaker)}>`, '</v>']),
  stamp: (ms) => `<${exactClock(ms)}>`,
};

/** A cue needs some text and some time on screen. */
const isCue = (c: Caption): boolean => c.text.trim() !== '' && c.end > c.start;

/** A style for every colour WebVTT has no class for, where the file does not bring it along. */
function colourStyles(captions: readonly Caption[], blocks: string): string {
  const names = new Set(
    captions.flatMap((c) => c.marks.map((m) => (m.kind === 'colour' ? colourClass(m.value) : null))),
  );
  const rules = [...names]
    .filter((name) => name?.startsWith('colour-') === true && !blocks.includes(`.${name})`))
    .sort()
    .map((name) => `::cue(.${String(name)}) { color: #${String(name).slice(7)} }`);
  return rules.length > 0 ? `STYLE\n${rules.join('\n')}` : '';
}

function writeCue(c: Caption, seen: Set<string>, options: WriteOptions): string {
  const id = c.foreign?.['vttId'] ?? '';
  // An identifier has to be unique; of several captions with the same one the first keeps it.
  const fresh = id !== '' && !/-->|\n/.test(id) && !seen.has(id);
  if (fresh) seen.add(id);
  const settings = c.foreign?.['vttSettings'];
  const notes = c.foreign?.['vttNotes'];
  const body = withoutBlankLines(writeInline(c, dialect, writesWordTimes(c, options) ? stampsOf(c) : []));
  return `${notes ? `${notes}\n\n` : ''}${fresh ? `${id}\n` : ''}${exactClock(c.start)} --> ${exactClock(c.end)}${settings ? ` ${settings}` : ''}\n${body}\n`;
}

function write(sheet: Sheet, options: WriteOptions): string {
  const { foreign } = sheet;
  const captions = sheet.captions.filter(isCue);
  const title = foreign?.['vttTitle'];
  const map = foreign?.['vttMap'];
  const head = foreign?.['vttHead'];
  const blocks = foreign?.['vttBlocks'] ?? '';
  const parts = [
    `WEBVTT${title ? ` ${title}` : ''}${map ? `\n${map}` : ''}`,
    head ? `NOTE\n${head}` : '',
    blocks,
    colourStyles(captions, blocks),
  ].filter((part) => part !== '');
  const seen = new Set<string>();
  const end = foreign?.['vttEnd'];
  return `${parts.join('\n\n')}\n\n${captions.map((c) => writeCue(c, seen, options)).join('\n')}${end ? `\n${end}\n` : ''}`;
}

export const vttWriter: Writer = {
  write,
  losses: (sheet, options) =>
    lossesOf(sheet, {
      ...onlyWords,
      dialect,
      times: true,
      breaks: true,
      wordTimes: (c) => writesWordTimes(c, options),
      noDuration: false,
      foreign: ['vttId', 'vttSettings', 'vttNotes', 'vttTitle', 'vttMap', 'vttHead', 'vttBlocks', 'vttEnd'],
    }),
};
