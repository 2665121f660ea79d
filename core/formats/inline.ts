/** Inline markup as ranges on the text: what reading gives, and what writing takes. */
import type { Caption, Mark, SpeakerRange, WordRange } from '../track/caption.ts';

export type Dialect = 'srt' | 'vtt';

export interface Inline {
  readonly text: string;
  readonly marks: readonly Mark[];
  readonly speakers: readonly SpeakerRange[];
  /** Timestamps inside the text: offset and time in ms. */
  readonly times: readonly { readonly at: number; readonly ms: number }[];
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
