/**
 * Inline markup of SRT, as found: `<i> <b> <u> <font color>`, in any case, nested or not, closed or
 * not; and the braces some programs leave, `{\an8}` for the place, `{\i1}` for italics.
 */
import type { Mark, MarkKind, Placement } from '../../track/caption.ts';
import { bare, byExtent, type Inline } from '../inline.ts';

interface Open {
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

/** What a start tag opens, or null where the text only looks like a tag (`a < b`, `<3`). */
function opening(tag: string): Omit<Open, 'from'> | null {
  const name = tag.trim().toLowerCase();
  const kind = Object.hasOwn(kinds, name) ? kinds[name] : undefined;
  if (kind) return { name, kind, value: '' };
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

/** Reads SRT text in one pass; tags left open end with the text, and what is no tag stays text. */
export function readSrtText(source: string): Inline {
  if (!source.includes('<') && !source.includes('{\\')) return bare(source);
  let text = '';
  let placement: Placement | null = null;
  let dropped = 0;
  const open: Open[] = [];
  const begin = (tag: Open): void => {
    if (open.length < deepest) open.push(tag);
  };
  const marks: Mark[] = [];
  const close = (tag: Open): void => {
    if (tag.kind !== null && text.length > tag.from)
      marks.push({ from: tag.from, to: text.length, kind: tag.kind, value: tag.value });
  };
  const closeNamed = (name: string): void => {
    const k = open.findLastIndex((o) => o.name === name);
    const tag = open[k];
    if (!tag) return;
    close(tag);
    open.splice(k, 1);
  };
  const command = (word: string): void => {
    const place = /^an?([1-9]|1[01])$/.exec(word);
    const mark = /^([ibu])([01])$/.exec(word);
    const name = mark?.[1] ?? '';
    if (place) {
      const number = place[1] ?? '';
      placement ??= word.startsWith('an') ? (Number(number) as Placement) : (oldPlaces[number] ?? null);
    } else if (mark?.[2] === '1') begin({ name, kind: kinds[name] ?? null, value: '', from: text.length });
    else if (mark) closeNamed(name);
    else dropped++;
  };
  /** Takes the tag at `at`; where it ends, or -1 where it is none. */
  const tagAt = (at: number): number => {
    const brace = source.charCodeAt(at) === 123;
    const length = source.slice(at, at + longestTag).indexOf(brace ? '}' : '>');
    if (length < 0) return -1;
    const inside = source.slice(at + (brace ? 2 : 1), at + length);
    if (brace) {
      if (inside.includes('\n')) return -1;
      inside.split('\\').forEach((word) => command(word.trim()));
      return at + length + 1;
    }
    const ends = endTag.exec(inside)?.[1]?.toLowerCase();
    const started = ends === undefined ? opening(inside) : null;
    if (ends !== undefined) closeNamed(ends);
    else if (started) begin({ ...started, from: text.length });
    else return -1;
    return at + length + 1;
  };
  const next = /<|\{\\/g;
  for (let i = 0; i < source.length;) {
    next.lastIndex = i;
    const at = next.exec(source)?.index ?? source.length;
    text += source.slice(i, at);
    if (at === source.length) break;
    const end = tagAt(at);
    if (end < 0) text += source.charAt(at);
    i = end < 0 ? at + 1 : end;
  }
  const faults = [
    ...(open.some((o) => o.kind !== null)
      ? ['A tag was not closed; what it marks was taken to run to the end of the caption.']
      : []),
    ...(dropped > 0
      ? ['What stood in braces with a backslash is meant for a player, not for people; it was left out.']
      : []),
  ];
  open.forEach(close);
  marks.sort(byExtent);
  return { text, marks, speakers: [], times: [], placement, faults };
}
