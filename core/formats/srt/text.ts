/**
 * Inline markup of SRT, as found: `<i> <b> <u> <font color>`, in any case, nested or not, closed or
 * not; and the braces some programs leave, `{\an8}` for the place, `{\i1}` for italics.
 */
import type { Mark, MarkKind, Placement } from '../../model/caption.ts';
import { plainInline, byExtent, type Inline } from '../inline.ts';

interface OpenTag {
  readonly name: string;
  readonly from: number;
  /** Null for a font tag without a colour, which means nothing here. */
  readonly kind: MarkKind | null;
  readonly value: string;
}

const kinds: Readonly<Record<string, MarkKind>> = {
  i: 'italic',
  em: 'italic',
  b: 'bold',
  strong: 'bold',
  u: 'underline',
};

const simple: ReadonlyMap<string, Omit<OpenTag, 'from'>> = new Map(
  Object.entries(kinds).map(([name, kind]) => [name, { name, kind, value: '' }]),
);

/** What a start tag opens, or null where the text only looks like a tag (`a < b`, `<3`). */
function opening(tag: string): Omit<OpenTag, 'from'> | null {
  const plain = simple.get(tag);
  if (plain) return plain;
  const name = tag.trim().toLowerCase();
  const known = simple.get(name);
  if (known) return known;
  if (!/^font(?:\s|$)/.test(name)) return null;
  const colour = /\scolor\s*=\s*["']?([#\w][^"'>]{0,40})/i.exec(tag)?.[1]?.split(/\s(?!\d)/)[0];
  return { name: 'font', kind: colour ? 'colour' : null, value: colour?.trim() ?? '' };
}

const endTag = /^\/ ?(i|em|b|strong|u|font) ?$/i;
/** The old way to number the nine places, row by row from the bottom left, with gaps. */
const oldPlaces: Readonly<Record<string, Placement>> = {
  1: 1,
  2: 2,
  3: 3,
  5: 7,
  6: 8,
  7: 9,
  9: 4,
  10: 5,
  11: 6,
};

/** The longest tag or brace that is looked at; what runs on longer is text. */
const longestTag = 200;
/** Tags nested deeper than this mark nothing, which keeps the work in step with the length of the text. */
const deepest = 64;

/** The text read so far, with what is open on it and what was marked. */
interface TextReader {
  text: string;
  readonly open: OpenTag[];
  readonly marks: Mark[];
  placement: Placement | null;
  /** How many commands in braces meant nothing to people. */
  dropped: number;
}

function begin(reading: TextReader, name: string, kind: MarkKind | null, value: string): void {
  if (reading.open.length < deepest) reading.open.push({ name, kind, value, from: reading.text.length });
}

function mark({ text, marks }: TextReader, { from, kind, value }: OpenTag): void {
  if (kind !== null && text.length > from) marks.push({ from, to: text.length, kind, value });
}

/** Closes the innermost tag of a name, wherever it stands among the open ones. */
function close(reading: TextReader, name: string): void {
  const { open } = reading;
  for (let k = open.length - 1; k >= 0; k--) {
    const tag = open[k];
    if (tag?.name !== name) continue;
    mark(reading, tag);
    open.splice(k, 1);
    return;
  }
}

/** A command in braces, as `an8` or `i1`. */
function command(word: string, reading: TextReader): void {
  const place = /^an?([1-9]|1[01])$/.exec(word)?.[1];
  const style = /^([ibu])([01])$/.exec(word);
  const name = style?.[1] ?? '';
  if (place !== undefined) {
    reading.placement ??= word.startsWith('an') ? (Number(place) as Placement) : (oldPlaces[place] ?? null);
  } else if (style?.[2] === '1') begin(reading, name, kinds[name] ?? null, '');
  else if (style) close(reading, name);
  else reading.dropped++;
}

/** Takes the braces at an offset; where they end, or -1 where they are text. */
function braces(source: string, at: number, reading: TextReader): number {
  const inside = source.slice(at + 2, at + longestTag);
  const length = inside.indexOf('}');
  if (length < 0 || inside.lastIndexOf('\n', length) >= 0) return -1;
  for (const word of inside.slice(0, length).split('\\')) command(word.trim(), reading);
  return at + length + 3;
}

/** Takes the tag at an offset; where it ends, or -1 where it is text. */
function tag(source: string, at: number, reading: TextReader): number {
  // Nearly every tag is one letter between its brackets.
  const length = source.charCodeAt(at + 2) === 62 ? 2 : source.slice(at, at + longestTag).indexOf('>');
  if (length < 0) return -1;
  const inside = source.slice(at + 1, at + length);
  if (inside.charCodeAt(0) === 47) {
    const name = endTag.exec(inside)?.[1]?.toLowerCase();
    if (name === undefined) return -1;
    close(reading, name);
  } else {
    const started = opening(inside);
    if (!started) return -1;
    begin(reading, started.name, started.kind, started.value);
  }
  return at + length + 1;
}

/** Where a sign next stands; the length of the text where it does not. */
function placeOf(source: string, sign: string, from: number): number {
  const found = source.indexOf(sign, from);
  return found < 0 ? source.length : found;
}

/** Reads SRT text in one pass; tags left open end with the text, and what is no tag stays text. */
export function readSrtText(source: string): Inline {
  const hasBraces = source.includes('{\\');
  if (!hasBraces && !source.includes('<')) return plainInline(source);
  const reading: TextReader = { text: '', open: [], marks: [], placement: null, dropped: 0 };
  let nextBrace = hasBraces ? -1 : source.length;
  let nextBracket = -1;
  for (let i = 0; i < source.length;) {
    // Each sign is looked for once, so that many of one and none of the other cost nothing.
    if (nextBrace < i) nextBrace = placeOf(source, '{\\', i);
    if (nextBracket < i) nextBracket = placeOf(source, '<', i);
    const at = Math.min(nextBracket, nextBrace);
    if (at > i) reading.text += source.slice(i, at);
    if (at >= source.length) break;
    const end = at === nextBrace ? braces(source, at, reading) : tag(source, at, reading);
    if (end < 0) reading.text += source.charAt(at);
    i = end < 0 ? at + 1 : end;
  }
  const { open, marks, placement, dropped } = reading;
  const faults: string[] = [];
  if (open.some((o) => o.kind !== null))
    faults.push('A tag was not closed; what it marks was taken to run to the end of the caption.');
  if (dropped > 0) faults.push('Player commands in braces were left out.');
  for (const left of open) mark(reading, left);
  if (marks.length > 1) marks.sort(byExtent);
  return { text: reading.text, marks, speakers: [], times: [], placement, faults };
}
