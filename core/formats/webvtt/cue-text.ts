/**
 * WebVTT cue text, as the W3C recommendation parses it: the tokeniser of "WebVTT cue text tokenizer"
 * and the tree of "WebVTT cue text parsing rules", with the tree flattened into ranges on the text.
 */
import type { Mark, MarkKind, SpeakerRange } from '../../track/caption.ts';
import { bare, byExtent, type Inline } from '../inline.ts';
import { labelLength } from '../../text/labels.ts';
import { colourOfClass } from '../colours.ts';
import { decodeReferences } from './references.ts';
import { webvttTime } from './time.ts';

type Token =
  | { readonly type: 'text'; readonly text: string }
  | { readonly type: 'start'; readonly name: string; readonly classes: readonly string[]; readonly annotation: string }
  | { readonly type: 'end'; readonly name: string }
  | { readonly type: 'time'; readonly text: string };

const space = /[\t\n\f ]/;

/** The token a tag makes, from what stands between `<` and `>` (or the end of the text). */
function tagToken(inside: string): Token {
  if (inside.startsWith('/')) return { type: 'end', name: inside.slice(1) };
  if (/^[0-9]/.test(inside)) return { type: 'time', text: inside };
  let nameEnd = 0;
  while (nameEnd < inside.length && inside.charAt(nameEnd) !== '.' && !space.test(inside.charAt(nameEnd))) nameEnd++;
  let classEnd = nameEnd;
  while (classEnd < inside.length && !space.test(inside.charAt(classEnd))) classEnd++;
  return {
    type: 'start',
    name: inside.slice(0, nameEnd),
    classes: inside.slice(nameEnd, classEnd).split('.').filter(Boolean),
    annotation: decodeReferences(inside.slice(classEnd))
      .trim()
      .replace(/[\t\n\f\r ]+/g, ' '),
  };
}

/** Tokens of a cue's text, in order; every `<` begins a tag, and one that is never closed runs to the end. */
function* tokensOf(source: string): Generator<Token> {
  for (let i = 0; i < source.length;) {
    const tag = source.indexOf('<', i);
    const textEnd = tag < 0 ? source.length : tag;
    if (textEnd > i) yield { type: 'text', text: decodeReferences(source.slice(i, textEnd)) };
    if (tag < 0) return;
    const close = source.indexOf('>', tag + 1);
    const end = close < 0 ? source.length : close;
    yield tagToken(source.slice(tag + 1, end));
    i = end + 1;
  }
}

/** What a tag marks; a tag with classes marks several things at once. */
interface Open {
  readonly name: string;
  readonly from: number;
  readonly marks: readonly Pick<Mark, 'kind' | 'value'>[];
  /** Who speaks inside a voice tag. */
  readonly voice: string | null;
}

const kinds: Readonly<Record<string, MarkKind | null>> = {
  c: null,
  i: 'italic',
  b: 'bold',
  u: 'underline',
  ruby: 'ruby',
  rt: 'ruby text',
  v: null,
  lang: 'language',
};

function opened(token: Extract<Token, { type: 'start' }>, inside: string | undefined, from: number): Open | null {
  const { name, classes, annotation } = token;
  if (!Object.hasOwn(kinds, name) || (name === 'rt' && inside !== 'ruby')) return null;
  const kind = kinds[name] ?? null;
  const colour = classes.map(colourOfClass).find((c) => c !== null) ?? null;
  const others = classes.filter((c) => colourOfClass(c) === null);
  return {
    name,
    from,
    marks: [
      ...(kind === null ? [] : [{ kind, value: kind === 'language' ? annotation : '' }]),
      ...(colour === null ? [] : [{ kind: 'colour' as const, value: colour }]),
      ...(others.length === 0 ? [] : [{ kind: 'class' as const, value: others.join('.') }]),
    ],
    voice: name === 'v' ? annotation : null,
  };
}

/** Parses a cue's text in one pass. */
export function readCueText(source: string): Inline {
  if (!source.includes('<') && !source.includes('&')) return bare(source);
  let text = '';
  const open: Open[] = [];
  const marks: Mark[] = [];
  const speakers: SpeakerRange[] = [];
  const times: { at: number; ms: number }[] = [];
  const close = (): void => {
    const tag = open.pop();
    if (!tag || text.length <= tag.from) return;
    const range = { from: tag.from, to: text.length };
    for (const mark of tag.marks) marks.push({ ...range, ...mark });
    if (tag.voice !== null)
      speakers.push({ ...range, speaker: tag.voice, label: labelLength(text.slice(range.from), tag.voice) });
  };
  for (const token of tokensOf(source)) {
    const current = open.at(-1)?.name;
    if (token.type === 'text') text += token.text;
    else if (token.type === 'start') {
      const tag = opened(token, current, text.length);
      if (tag) open.push(tag);
    } else if (token.type === 'end') {
      // An end tag closes the innermost tag only, and only its own; the end of ruby takes an open rt with it.
      if (token.name === current) close();
      else if (token.name === 'ruby' && current === 'rt') {
        close();
        close();
      }
    } else {
      const ms = webvttTime(token.text);
      if (ms !== null) times.push({ at: text.length, ms });
    }
  }
  while (open.length > 0) close();
  marks.sort(byExtent);
  speakers.sort(byExtent);
  return { text, marks, speakers, times, placement: null, faults: [] };
}
