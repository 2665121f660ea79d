/**
 * WebVTT cue text, as the W3C recommendation parses it: the tokeniser of "WebVTT cue text tokenizer"
 * and the tree of "WebVTT cue text parsing rules", with the tree flattened into ranges on the text.
 */
import type { Mark, MarkKind, SpeakerRange } from '../../model/caption.ts';
import { labelLength } from '../../text/labels.ts';
import { colourOfClass } from '../colours.ts';
import { plainInline, byExtent, type Inline } from '../inline.ts';
import { decodeReferences } from './references.ts';
import { webvttTime } from './time.ts';

/** An element that is open, and what it marks; one with classes marks several things at once. */
interface OpenNode {
  readonly name: string;
  readonly from: number;
  readonly kind: MarkKind | null;
  readonly value: string;
  readonly classes: string;
}

/** The text read so far, with what is open on it and what was marked. */
interface CueTextReader {
  text: string;
  readonly open: OpenNode[];
  readonly marks: Mark[];
  readonly speakers: SpeakerRange[];
  readonly times: { readonly at: number; readonly ms: number }[];
}

/** The elements there are; classes and voices mark by what comes with them. */
const kinds: ReadonlyMap<string, MarkKind | null> = new Map<string, MarkKind | null>([
  ['c', null],
  ['i', 'italic'],
  ['b', 'bold'],
  ['u', 'underline'],
  ['ruby', 'ruby'],
  ['rt', 'ruby text'],
  ['v', null],
  ['lang', 'language'],
]);

const isSpace = (code: number): boolean => code === 32 || code === 9 || code === 10 || code === 12;

/** An annotation ends with the tag; its spaces count once. */
const annotationOf = (source: string): string =>
  decodeReferences(source)
    .trim()
    .replace(/[\t\n\f\r ]+/g, ' ');

/** Takes a start tag, from what stands between `<` and `>` (or the end of the text). */
function begin(inside: string, reading: CueTextReader): void {
  let nameEnd = 0;
  while (nameEnd < inside.length && inside.charCodeAt(nameEnd) !== 46 && !isSpace(inside.charCodeAt(nameEnd)))
    nameEnd++;
  const name = nameEnd === inside.length ? inside : inside.slice(0, nameEnd);
  const kind = kinds.get(name);
  if (kind === undefined || (name === 'rt' && reading.open.at(-1)?.name !== 'ruby')) return;
  let classEnd = nameEnd;
  while (classEnd < inside.length && !isSpace(inside.charCodeAt(classEnd))) classEnd++;
  reading.open.push({
    name,
    from: reading.text.length,
    kind,
    value: name === 'v' || name === 'lang' ? annotationOf(inside.slice(classEnd)) : '',
    classes: classEnd > nameEnd ? inside.slice(nameEnd + 1, classEnd) : '',
  });
}

/** Marks what the classes of an element stand for: the first colour among them, and all others together. */
function markClasses(classes: string, from: number, to: number, marks: Mark[]): void {
  const names = classes.split('.').filter((name) => name !== '');
  const colour = names.find((name) => colourOfClass(name) !== null);
  if (colour !== undefined) marks.push({ from, to, kind: 'colour', value: colourOfClass(colour) ?? '' });
  const others = names.filter((name) => colourOfClass(name) === null).join('.');
  if (others !== '') marks.push({ from, to, kind: 'class', value: others });
}

/** Closes the innermost element. */
function close({ text, open, marks, speakers }: CueTextReader): void {
  const tag = open.pop();
  if (!tag || text.length <= tag.from) return;
  const { from, kind, value, classes } = tag;
  const to = text.length;
  if (kind !== null) marks.push({ from, to, kind, value });
  if (classes !== '') markClasses(classes, from, to, marks);
  if (tag.name === 'v')
    speakers.push({ from, to, speaker: value, label: labelLength(text.slice(from, from + 80), value) });
}

/** An end tag closes the innermost element only, and only its own; the end of ruby takes an open rt with it. */
function end(name: string, reading: CueTextReader): void {
  const current = reading.open.at(-1)?.name;
  if (name === current) close(reading);
  else if (name === 'ruby' && current === 'rt') {
    close(reading);
    close(reading);
  }
}

function takeTag(inside: string, reading: CueTextReader): void {
  const first = inside.charCodeAt(0);
  if (first === 47) end(inside.slice(1), reading);
  else if (first >= 48 && first <= 57) {
    const ms = webvttTime(inside);
    if (ms !== null) reading.times.push({ at: reading.text.length, ms });
  } else begin(inside, reading);
}

/** Parses a cue's text in one pass; every `<` begins a tag, and one that is never closed runs to the end. */
export function readCueText(source: string): Inline {
  if (!source.includes('<')) return plainInline(decodeReferences(source));
  const reading: CueTextReader = { text: '', open: [], marks: [], speakers: [], times: [] };
  for (let i = 0; i < source.length;) {
    const tag = source.indexOf('<', i);
    const textEnd = tag < 0 ? source.length : tag;
    if (textEnd > i) reading.text += decodeReferences(source.slice(i, textEnd));
    if (tag < 0) break;
    const found = source.indexOf('>', tag + 1);
    const tagEnd = found < 0 ? source.length : found;
    takeTag(source.slice(tag + 1, tagEnd), reading);
    i = tagEnd + 1;
  }
  while (reading.open.length > 0) close(reading);
  const { text, marks, speakers, times } = reading;
  if (marks.length > 1) marks.sort(byExtent);
  if (speakers.length > 1) speakers.sort(byExtent);
  return { text, marks, speakers, times, placement: null, faults: [] };
}
