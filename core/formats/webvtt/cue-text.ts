/**
 * WebVTT cue text, as the W3C recommendation parses it: the tokeniser of "WebVTT cue text tokenizer"
 * and the tree of "WebVTT cue text parsing rules", with the tree flattened into ranges on the text.
 */
import type { Mark, MarkKind, SpeakerRange } from '../../track/caption.ts';
import type { Inline } from '../inline.ts';
import { reference } from './references.ts';
import { webvttTime } from './time.ts';

type Token =
  | { readonly type: 'text'; readonly text: string }
  | { readonly type: 'start'; readonly name: string; readonly classes: readonly string[]; readonly annotation: string }
  | { readonly type: 'end'; readonly name: string }
  | { readonly type: 'time'; readonly text: string };

const space = /[\t\n\f ]/;

/** Text with its character references taken for what they stand for. */
function decoded(source: string): string {
  let text = '';
  for (let i = 0; i < source.length;) {
    const at = source.indexOf('&', i);
    if (at < 0) return text + source.slice(i);
    text += source.slice(i, at);
    const found = reference(source, at);
    text += found?.text ?? '&';
    i = found?.next ?? at + 1;
  }
  return text;
}

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
    annotation: decoded(inside.slice(classEnd))
      .trim()
      .replace(/[\t\n\f\r ]+/g, ' '),
  };
}

/** Tokens of a cue's text, in order; every `<` begins a tag, and one that is never closed runs to the end. */
function* tokensOf(source: string): Generator<Token> {
  for (let i = 0; i < source.length;) {
    const tag = source.indexOf('<', i);
    const textEnd = tag < 0 ? source.length : tag;
    if (textEnd > i) yield { type: 'text', text: decoded(source.slice(i, textEnd)) };
    if (tag < 0) return;
    const close = source.indexOf('>', tag + 1);
    const end = close < 0 ? source.length : close;
    yield tagToken(source.slice(tag + 1, end));
    i = end + 1;
  }
}

interface Open {
  readonly name: string;
  readonly from: number;
  readonly kind: MarkKind | 'voice' | null;
  readonly value: string;
}

const kinds: Readonly<Record<string, MarkKind | 'voice' | null>> = {
  c: null,
  i: 'italic',
  b: 'bold',
  u: 'underline',
  ruby: null,
  rt: null,
  v: 'voice',
  lang: 'language',
};

/** The colours WebVTT has classes for ("Default text colors"). */
const colours: ReadonlySet<string> = new Set(['white', 'lime', 'cyan', 'red', 'yellow', 'magenta', 'blue', 'black']);

function opened(token: Extract<Token, { type: 'start' }>, inside: string | undefined, from: number): Open | null {
  const { name } = token;
  if (!Object.hasOwn(kinds, name) || (name === 'rt' && inside !== 'ruby')) return null;
  const colour = name === 'c' ? token.classes.find((c) => colours.has(c)) : undefined;
  return {
    name,
    from,
    kind: colour ? 'colour' : (kinds[name] ?? null),
    value: colour ?? (name === 'v' || name === 'lang' ? token.annotation : ''),
  };
}

/** Parses a cue's text in one pass. */
export function readCueText(source: string): Inline {
  if (!source.includes('<') && !source.includes('&')) return { text: source, marks: [], speakers: [], times: [] };
  let text = '';
  const open: Open[] = [];
  const marks: Mark[] = [];
  const speakers: SpeakerRange[] = [];
  const times: { at: number; ms: number }[] = [];
  const close = (): void => {
    const tag = open.pop();
    if (!tag?.kind || text.length <= tag.from) return;
    const range = { from: tag.from, to: text.length };
    if (tag.kind === 'voice') speakers.push({ ...range, speaker: tag.value, label: 0 });
    else marks.push({ ...range, kind: tag.kind, value: tag.value });
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
  marks.sort((a, b) => a.from - b.from || b.to - a.to);
  speakers.sort((a, b) => a.from - b.from || b.to - a.to);
  return { text, marks, speakers, times };
}
