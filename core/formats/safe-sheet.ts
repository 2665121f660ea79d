/**
 * What goes into a file: text as it can be read again. Captions may carry control characters, and what a
 * format brought along (`foreign`) may come from anywhere; neither may break a file or put cues into it.
 */
import type { Sheet } from './sheet.ts';
import type { Caption, Foreign } from '../model/caption.ts';
import { spliceText } from '../model/ranges.ts';
import type { Writer } from './format.ts';
import { loss } from './loss.ts';
import { own } from '../text/own.ts';

/** Signs no caption file holds: control characters but line breaks and tabs, halves of surrogate pairs, and what is no character. */
const unwritable = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\ufffe\uffff]|\p{Cs}/gu;

function safeCaption(c: Caption): Caption {
  let out = c;
  for (const found of [...c.text.matchAll(unwritable)].reverse())
    out = spliceText(out, found.index, found.index + found[0].length, '');
  return out.foreign ? { ...out, foreign: safeForeign(out.foreign) } : out;
}

/** Values that stand on a line of their own or beside times: one line, and no time line. */
const oneLine = (value: string): string | null => {
  const text = value
    .split(/[\r\n]+/)
    .map((line) => line.trim())
    .join(' ')
    .trim();
  return text.includes('-->') ? null : text;
};
/** Blocks of WebVTT that are no cues. */
const blocks = (value: string): string | null => {
  const kept = value
    .replace(/\r\n?/g, '\n')
    .split(/\n[ \t]*\n\s*/)
    .filter((block) => /^(?:NOTE|STYLE|REGION)(?:[ \t\n]|$)/.test(block) && !block.includes('-->'));
  return kept.length > 0 ? kept.join('\n\n') : null;
};
/** Lines of a comment: no blank one, which would end it. */
const comment = (value: string): string | null =>
  value.includes('-->') ? null : value.replace(/\r\n?/g, '\n').replace(/\n\s*\n/g, '\n');

/** How each value may look; what is not named here is written by no format but Fenwix’s own. */
const shapes: Readonly<Record<string, (value: string) => string | null>> = {
  vttId: oneLine,
  vttSettings: oneLine,
  vttTitle: oneLine,
  vttMap: (value) => (value.startsWith('X-TIMESTAMP-MAP=') ? oneLine(value) : null),
  srtCoordinates: oneLine,
  vttNotes: blocks,
  vttBlocks: blocks,
  vttEnd: blocks,
  vttHead: comment,
};

function safeForeign(foreign: Foreign): Foreign {
  return Object.fromEntries(
    Object.entries(foreign).flatMap(([key, value]) => {
      const shape = own(shapes, key);
      const safe = shape ? shape(value.replace(unwritable, '')) : value;
      return safe === null || (shape && safe === '') ? [] : [[key, safe]];
    }),
  );
}

/** Whether a sheet has anything that must not be written as it is; most have not, and are not gone through twice. */
const isSafe = (c: Caption): boolean => c.foreign === null && c.text.search(unwritable) < 0;

/** A sheet without what no file may carry, such as characters that end a text. */
export function safeSheet(sheet: Sheet): Sheet {
  const captions = sheet.captions.every(isSafe)
    ? sheet.captions
    : sheet.captions.map((c) => (isSafe(c) ? c : safeCaption(c)));
  return {
    ...sheet,
    captions,
    title: sheet.title.replace(unwritable, ''),
    foreign: sheet.foreign ? safeForeign(sheet.foreign) : null,
  };
}

/** A writer that is given only what can be written. */
export const safeWriter = (writer: Writer): Writer => ({
  write: (sheet, options) => writer.write(safeSheet(sheet), options),
  losses(sheet, options) {
    const left = sheet.captions.reduce((n, c) => n + (c.text.match(unwritable)?.length ?? 0), 0);
    // What brings nothing to be left out is written as it is.
    return left === 0
      ? writer.losses(sheet, options)
      : [...writer.losses(safeSheet(sheet), options), loss('unwritable', left)];
  },
});
