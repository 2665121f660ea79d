/** Inline markup of SRT and WebVTT to text with ranges, and back. */
import type { Caption, Mark, MarkKind, SpeakerRange, WordRange } from '../track/caption.ts';

export type Dialect = 'srt' | 'vtt';

export interface Inline {
  readonly text: string;
  readonly marks: readonly Mark[];
  readonly speakers: readonly SpeakerRange[];
  /** Timestamps inside the text: offset and time in ms. */
  readonly times: readonly { readonly at: number; readonly ms: number }[];
}

interface Open {
  readonly name: string;
  readonly from: number;
  readonly kind: MarkKind | 'voice' | 'other';
  readonly value: string;
}

const kinds: Readonly<Record<string, MarkKind>> = { i: 'italic', b: 'bold', u: 'underline' };

/** Named character references captions use; the full table of HTML has no place in a sidecar file. */
const named: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  nbsp: '\u00a0',
  lrm: '\u200e',
  rlm: '\u200f',
  quot: '"',
  apos: "'",
};

function reference(source: string, at: number): { readonly text: string; readonly next: number } | null {
  const end = source.indexOf(';', at);
  if (end < 0 || end - at > 10) return null;
  const body = source.slice(at + 1, end);
  const known = named[body];
  if (known !== undefined) return { text: known, next: end + 1 };
  const numeric = /^#(?:x([0-9a-f]{1,6})|(\d{1,7}))$/i.exec(body);
  if (!numeric) return null;
  const point = numeric[1] ? parseInt(numeric[1], 16) : Number(numeric[2]);
  const valid = point > 0 && point <= 0x10ffff && !(point >= 0xd800 && point <= 0xdfff) && point !== 13;
  return { text: valid ? String.fromCodePoint(point) : '\ufffd', next: end + 1 };
}

/** What a start tag opens, or null where the text only looks like a tag (`a < b`, `<3`). */
function opening(tag: string, dialect: Dialect): Omit<Open, 'from'> | null {
  const match = /^([a-z]+)((?:\.[^\s.>]*)*)(?:\s+([\s\S]*))?$/i.exec(tag);
  if (!match) return null;
  const name = (match[1] ?? '').toLowerCase();
  const note = (match[3] ?? '').trim();
  const kind = kinds[name];
  if (kind) return { name, kind, value: '' };
  if (dialect === 'srt') {
    if (name !== 'font') return null;
    const colour = /color\s*=\s*["']?\s*([#\w]+)/i.exec(note)?.[1];
    return { name, kind: colour ? 'colour' : 'other', value: colour ?? '' };
  }
  if (name === 'v') return { name, kind: 'voice', value: note };
  if (name === 'lang') return { name, kind: 'language', value: note };
  if (name === 'c') {
    const colour = /\.(white|lime|cyan|red|yellow|magenta|blue|black)\b/.exec(match[2] ?? '')?.[1];
    return { name, kind: colour ? 'colour' : 'other', value: colour ?? '' };
  }
  return { name, kind: 'other', value: '' };
}

/** Milliseconds of a WebVTT timestamp, or null. */
export function webvttTime(text: string): number | null {
  const match = /^(?:(\d{2,}):)?([0-5]\d):([0-5]\d)\.(\d{3})$/.exec(text);
  if (!match) return null;
  return Number(match[1] ?? 0) * 3_600_000 + Number(match[2]) * 60_000 + Number(match[3]) * 1000 + Number(match[4]);
}

/** Reads inline markup in one pass; tags left open end with the text. */
export function readInline(source: string, dialect: Dialect): Inline {
  if (!source.includes('<') && !(dialect === 'vtt' && source.includes('&')))
    return { text: source, marks: [], speakers: [], times: [] };
  let text = '';
  const open: Open[] = [];
  const marks: Mark[] = [];
  const speakers: SpeakerRange[] = [];
  const times: { at: number; ms: number }[] = [];
  const close = (tag: Open): void => {
    const to = text.length;
    if (to <= tag.from) return;
    if (tag.kind === 'voice') speakers.push({ from: tag.from, to, speaker: tag.value, label: 0 });
    else if (tag.kind !== 'other') marks.push({ from: tag.from, to, kind: tag.kind, value: tag.value });
  };
  for (let i = 0; i < source.length;) {
    const sign = source.charAt(i);
    if (sign === '&' && dialect === 'vtt') {
      const found = reference(source, i);
      text += found?.text ?? '&';
      i = found?.next ?? i + 1;
      continue;
    }
    if (sign !== '<') {
      let next = i + 1;
      while (next < source.length && source.charAt(next) !== '<' && source.charAt(next) !== '&') next++;
      text += source.slice(i, next);
      i = next;
      continue;
    }
    const end = source.indexOf('>', i);
    const tag = end < 0 ? '' : source.slice(i + 1, end);
    if (end >= 0 && /^\/[a-z]*$/i.test(tag)) {
      const k = open.findLastIndex((o) => o.name === tag.slice(1).toLowerCase());
      if (k >= 0) open.splice(k).forEach(close);
      i = end + 1;
      continue;
    }
    const ms = dialect === 'vtt' && end >= 0 ? webvttTime(tag) : null;
    if (ms !== null) {
      times.push({ at: text.length, ms });
      i = end + 1;
      continue;
    }
    const started = end >= 0 ? opening(tag, dialect) : null;
    if (started) {
      open.push({ ...started, from: text.length });
      i = end + 1;
    } else {
      text += '<';
      i++;
    }
  }
  open.forEach(close);
  marks.sort((a, b) => a.from - b.from || b.to - a.to);
  return { text, marks, speakers, times };
}

/** Word times from timestamps inside a cue: each runs to the next, the last to the cue's end. */
export function timedWords(inline: Inline, start: number, end: number): WordRange[] {
  if (inline.times.length === 0) return [];
  const stops = [
    { at: 0, ms: start },
    ...inline.times.filter((t) => t.ms > start && t.ms < end),
    { at: inline.text.length, ms: end },
  ];
  return stops.slice(0, -1).flatMap((stop, i): WordRange[] => {
    const next = stops[i + 1];
    if (!next || next.ms < stop.ms) return [];
    const piece = inline.text.slice(stop.at, next.at);
    const word = piece.trim();
    if (word === '') return [];
    const from = stop.at + piece.indexOf(word);
    return [[from, from + word.length, stop.ms, next.ms, 1, 'recogniser', word]];
  });
}

const escapeVtt = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

interface Tag {
  readonly from: number;
  readonly to: number;
  readonly start: string;
  readonly end: string;
}

function tagOf(mark: Mark, dialect: Dialect): Tag[] {
  const { from, to } = mark;
  const both = (start: string, end: string): Tag[] => [{ from, to, start: `<${start}>`, end: `</${end}>` }];
  switch (mark.kind) {
    case 'italic':
      return both('i', 'i');
    case 'bold':
      return both('b', 'b');
    case 'underline':
      return both('u', 'u');
    case 'colour':
      if (dialect === 'srt') return both(`font color="${mark.value}"`, 'font');
      return /^\w+$/.test(mark.value) ? both(`c.${mark.value}`, 'c') : [];
    case 'language':
      return dialect === 'vtt' ? both(`lang ${mark.value}`, 'lang') : [];
  }
}

/** Writes text with its ranges as properly nested markup. */
export function writeInline(of: Pick<Caption, 'text' | 'marks' | 'speakers'>, dialect: Dialect): string {
  const encode = dialect === 'vtt' ? escapeVtt : (text: string): string => text;
  const voices =
    dialect === 'vtt'
      ? of.speakers
          .filter((s) => s.speaker !== '')
          .map((s): Tag => ({ from: s.from, to: s.to, start: `<v ${escapeVtt(s.speaker)}>`, end: '</v>' }))
      : [];
  const tags = [...voices, ...of.marks.flatMap((m) => tagOf(m, dialect))];
  if (tags.length === 0) return encode(of.text);
  const stops = [...new Set([0, of.text.length, ...tags.flatMap((t) => [t.from, t.to])])].sort((a, b) => a - b);
  let out = '';
  let open: Tag[] = [];
  stops.forEach((stop, i) => {
    const k = open.findIndex((t) => t.to <= stop);
    const closed = k < 0 ? [] : open.slice(k);
    for (const tag of [...closed].reverse()) out += tag.end;
    const again = closed.filter((t) => t.to > stop);
    const fresh = tags.filter((t) => t.from === stop && t.to > t.from).sort((a, b) => b.to - a.to);
    for (const tag of [...again, ...fresh]) out += tag.start;
    open = [...(k < 0 ? open : open.slice(0, k)), ...again, ...fresh];
    out += encode(of.text.slice(stop, stops[i + 1] ?? stop));
  });
  return out;
}
