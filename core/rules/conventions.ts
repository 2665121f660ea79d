/** What in a caption is not written as a house style wants it, and how it would be written. */
import { labelsIn } from '../text/labels.ts';
import type { SmallNumbers } from '../languages/data/written-language.ts';
import { writtenLanguage } from '../languages/index.ts';
import { soundNotes } from '../text/sound-notes.ts';
import type { TextRange } from '../text/text-range.ts';
import type { Caption, SpeakerRange } from '../model/caption.ts';
import type { SoundNote, SpeakerLabel } from '../style/style.ts';

/** A stretch of the text, what it is and what it should be. */
export interface Misformed extends TextRange {
  readonly is: string;
  readonly wanted: string;
}

const hasCase = (text: string): boolean => text.toLowerCase() !== text.toUpperCase();
const isUpper = (text: string): boolean => hasCase(text) && text === text.toUpperCase();
const withFirst = (text: string, change: (letter: string) => string): string => text.replace(/\p{L}/u, change);

/** A text in the case a form asks for; names inside keep their capitals where not everything was one. */
function inCase(text: string, form: string): string {
  if (form.includes('UPPER')) return text.toUpperCase();
  const plain = isUpper(text) ? text.toLowerCase() : text;
  return withFirst(plain, (l) => (form.includes('Sentence') ? l.toUpperCase() : l.toLowerCase()));
}

/** Sound notes in other brackets or another case. Signs of music have neither. */
export function misformedNotes(caption: Caption, form: SoundNote): Misformed[] {
  if (form === 'any') return [];
  const labels = labelsIn(caption);
  return soundNotes(caption.text).flatMap(({ from, to }): Misformed[] => {
    if (labels.some((l) => l.from < to && l.to > from)) return [];
    const stretch = caption.text.slice(from, to);
    const is = stretch.trim();
    const note = /^[[(]([^]*)[\])]$/.exec(is)?.[1];
    if (note === undefined) return [];
    const wanted = `${form.charAt(0)}${inCase(note, form)}${form.charAt(form.length - 1)}`;
    const start = from + stretch.indexOf(is);
    return wanted === is ? [] : [{ from: start, to: start + is.length, is, wanted }];
  });
}

/** `Lock keeper` of `LOCK KEEPER`; a name that has small letters already stays. */
const asName = (name: string): string =>
  isUpper(name) ? name.toLowerCase().replace(/(?<=^|[\s-])\p{L}/gu, (l) => l.toUpperCase()) : name;

/** A speaker's label in a form; where the style minds none, in capitals. */
export function labelText(name: string, form: SpeakerLabel): string {
  if (form === '[Name]') return `[${asName(name)}]`;
  return `${form === 'Name:' ? asName(name) : name.toUpperCase()}:`;
}

/**
 * Where somebody else begins to speak and neither a label nor a dash says so, as far as the captions know who
 * speaks. Viewers who do not hear the voices have no other way to tell (common practice).
 * @param before the caption before it
 */
export function unmarkedTurns(caption: Caption, before: Caption | null): SpeakerRange[] {
  if (caption.speakers.length === 0) return [];
  let speaking = before?.speakers.at(-1)?.speaker ?? null;
  const labels = labelsIn(caption);
  return caption.speakers.filter((range) => {
    const turns = speaking !== null && range.speaker !== '' && range.speaker !== speaking;
    speaking = range.speaker;
    return turns && range.label === 0 && !labels.some((l) => l.from === range.from) && !afterDash(caption.text, range);
  });
}

/** Whether a stretch begins with a dash, or right after one that begins its line. */
const afterDash = (text: string, { from, to }: TextRange): boolean =>
  /^\s*[-–—]/.test(text.slice(from, to)) || /(?:^|\n)[-–—]\s?$/.test(text.slice(Math.max(0, from - 3), from));

/** Speaker labels of another form. */
export function misformedLabels(caption: Caption, form: SpeakerLabel): Misformed[] {
  if (form === 'any') return [];
  return labelsIn(caption).flatMap(({ from, to }): Misformed[] => {
    const stretch = caption.text.slice(from, to);
    const is = stretch.trim();
    const name = is.replace(/^[[(]|[\])]?:?$/g, '').trim();
    if (name === '') return [];
    const wanted = labelText(name, form);
    return wanted === is ? [] : [{ from, to: from + stretch.trimEnd().length, is, wanted }];
  });
}

/** Words after which a number is a name: “page 7”. */
const numbering = new Set('page line step chapter number no. part section figure lock'.split(' '));

/** The word a text ends with, before the space after it. */
function wordBefore(text: string): string {
  const plain = text.trimEnd();
  return plain.slice(Math.max(plain.lastIndexOf(' '), plain.lastIndexOf('\n')) + 1);
}
const isName = (word: string): boolean => numbering.has(word.toLowerCase()) || /^\p{Lu}[\p{L}.]/u.test(word);

/** How far around a number is looked, in characters. */
const near = 60;

/** What makes a figure of a number that is not counted out: a unit, a sign, a time, a range. */
const measured = /^(?:[%°:./,–-]\S|%|°|\s*(?:a\.?m|p\.?m|m|km|cm|mm|kg|g|l|s|ms|cps|fps|Hz|per\s?cent)\b)/iu;

/**
 * Whole numbers that should be in digits or in words: below `from` words, above digits. Numbers that name
 * or measure something stay in digits, and one that begins a sentence stays in words (common practice).
 * @param language BCP 47; numbers in words are known where the language has a folder
 */
export function misformedNumbers(text: string, from: number, language: string | null | undefined): Misformed[] {
  const numbers = writtenLanguage(language)?.smallNumbers;
  if (!numbers) return [];
  const found: Misformed[] = [];
  for (const match of text.matchAll(
    /(?<![\p{L}\p{N}.,:/£$€#-])(?:\d{1,2}|[A-Za-z]+(?:-[A-Za-z]+)?)(?![\p{L}\p{N}’'-])/gu,
  )) {
    const is = match[0];
    const [start, end] = [match.index, match.index + is.length];
    // What stands near tells; looking at all of it would take long in long texts.
    const before = text.slice(Math.max(0, start - near), start);
    const after = text.slice(end, end + near);
    const wanted = /^\d/.test(is)
      ? inWords(numbers, is, before, after, from)
      : inDigits(numbers, is, before, after, from);
    if (wanted !== null) found.push({ from: start, to: end, is, wanted });
  }
  return found;
}

function inWords(numbers: SmallNumbers, is: string, before: string, after: string, from: number): string | null {
  const n = Number(is);
  if (n >= from || (/\s$/.test(before) && isName(wordBefore(before))) || measured.test(after) || is.startsWith('0'))
    return null;
  const words = numbers.inWords(n);
  return beginsSentence(before) ? withFirst(words, (l) => l.toUpperCase()) : words;
}

function inDigits(numbers: SmallNumbers, is: string, before: string, after: string, from: number): string | null {
  const n = numbers.ofWord(is);
  if (n === null || n < from || beginsSentence(before)) return null;
  // Part of a longer number: “two hundred and twelve”, “twelve thousand”.
  const neighbours = [wordBefore(before), /^\s+(\S+)/.exec(after)?.[1] ?? ''];
  if (numbers.goesOn.test(before)) return null;
  if (neighbours.some((w) => numbers.ofWord(w) !== null || numbers.larger.test(w))) return null;
  return String(n);
}

const beginsSentence = (before: string): boolean => /(?:^|[.!?…]["'”’)\]]*\s+|^["'“‘[(-]+\s*)$/u.test(before);
