/**
 * CTM, the conversation time marks of the NIST scoring tools: one word a line, as
 * `file channel start duration word [certainty]`, with `;;` before comments. Times in seconds.
 * Alternatives stand between `<ALT_BEGIN>`, `<ALT>` and `<ALT_END>`; the first of them is taken, and
 * `@` in them stands for no word.
 */
import type { Sheet } from '../sheet.ts';
import type { ParseWarning } from '../warning.ts';
import { tokensOf } from '../../text/tokens.ts';
import { firstCaptions, type TimedPiece } from '../../layout/first-captions.ts';
import { shareByLetters } from '../../model/ranges.ts';
import type { Caption } from '../../model/caption.ts';
import { Unreadable, type Format, type Writer } from '../format.ts';
import { firstLines, linesOfText } from '../lines.ts';
import { lossesOf, onlyWords } from '../loss.ts';

export interface CtmWord {
  readonly text: string;
  /** In ms. */
  readonly start: number;
  /** In ms. */
  readonly end: number;
  /** 0 to 1; 1 where the file gives none. */
  readonly certainty: number;
}

const seconds = /^\d{1,7}(?:\.\d{1,9})?$/;
const alternative = /^<ALT(?:_BEGIN|_END)?>$/i;

interface Fields {
  readonly word: string;
  readonly start: string;
  readonly duration: string;
  readonly certainty: string | undefined;
}

function fieldsOf(line: string): Fields | null {
  const [, channel, start = '', duration = '', word, certainty] = line.trim().split(/\s+/, 8);
  return channel !== undefined && word !== undefined ? { word, start, duration, certainty } : null;
}

const isWord = (f: Fields): boolean => seconds.test(f.start) && seconds.test(f.duration);
const isComment = (line: string): boolean => line.startsWith(';;') || line.trim() === '';

/** Whether a text looks like CTM: 0 to 1. The last line looked at may be cut off. */
export function detectCtm(text: string): number {
  const lines = firstLines(text).filter((l) => !isComment(l));
  const looked = lines.length > 1 ? lines.slice(0, -1) : lines;
  const words = looked.map(fieldsOf);
  const fine = words.every((f) => f !== null && (isWord(f) || alternative.test(f.word)));
  return fine && words.some((f) => f !== null && isWord(f)) ? 0.8 : 0;
}

/** The words of a CTM text, in order of time. @throws {Unreadable} naming the first line that is no word */
export function readCtm(text: string, warnings: ParseWarning[] = []): CtmWord[] {
  const words: CtmWord[] = [];
  let choice = 0;
  linesOfText(text).forEach((line, i) => {
    if (isComment(line)) return;
    const fields = fieldsOf(line);
    if (fields && alternative.test(fields.word)) {
      const tag = fields.word.toUpperCase();
      choice = tag === '<ALT_END>' ? 0 : tag === '<ALT_BEGIN>' ? 1 : choice + 1;
      if (choice === 2) warnings.push({ line: i + 1, message: 'Of several alternatives the first was taken.' });
      return;
    }
    if (!fields || !isWord(fields))
      throw new Unreadable(
        `Line ${String(i + 1)}: “${line.slice(0, 40)}” is not a word with its times; “file channel start duration word certainty” was expected.`,
      );
    if (choice > 1 || (choice === 1 && fields.word === '@')) return;
    const start = Math.round(Number(fields.start) * 1000);
    const certainty = Number(fields.certainty ?? 1);
    words.push({
      text: fields.word,
      start,
      end: start + Math.round(Number(fields.duration) * 1000),
      certainty: certainty >= 0 && certainty <= 1 ? certainty : 1,
    });
  });
  return words.sort((a, b) => a.start - b.start);
}

/** A recognised word as a piece to group, its times with it. */
export const pieceOfWord = (w: CtmWord): TimedPiece => ({
  text: w.text,
  start: w.start,
  end: w.end,
  marks: [],
  speakers: [],
  words: [[0, w.text.length, w.start, w.end, w.certainty, 'recogniser', w.text]],
});

/** Words of a caption with their times: those it has, or its time shared among its words by letters. */
function wordsOf(c: Caption): CtmWord[] {
  const found = tokensOf(c.text, 0, c.text.length);
  const ranges = c.words.length > 0 ? c.words : shareByLetters(c.text, found, c.start, c.end);
  return ranges.flatMap(([from, to, start, end, certainty]): CtmWord[] => {
    const inside = tokensOf(c.text, from, to);
    if (inside.length <= 1) return inside.map((t) => ({ text: c.text.slice(t.from, t.to), start, end, certainty }));
    return shareByLetters(c.text, inside, start, end).map((w) => ({ text: w[6], start: w[2], end: w[3], certainty }));
  });
}

/** A name for the recording that is one field. */
const field = (title: string): string => title.trim().replace(/\s+/g, '-') || 'recording';
const inSeconds = (ms: number): string => (ms / 1000).toFixed(3);

const write = (sheet: Sheet): string =>
  sheet.captions
    .flatMap(wordsOf)
    .map(
      (w) =>
        `${field(sheet.title)} 1 ${inSeconds(w.start)} ${inSeconds(w.end - w.start)} ${w.text} ${w.certainty.toFixed(3)}\n`,
    )
    .join('');

const writer: Writer = {
  write,
  losses: (sheet) => lossesOf(sheet, { ...onlyWords, wordTimes: () => true, certainty: true }),
};

export const ctm: Format = {
  name: 'ctm',
  title: 'CTM',
  extension: '.ctm',
  mediaType: 'text/plain',
  detect: detectCtm,
  read(text, { style }) {
    const warnings: ParseWarning[] = [];
    const words = readCtm(text, warnings);
    return {
      format: 'ctm',
      language: null,
      captions: firstCaptions(words.map(pieceOfWord), style),
      warnings,
      foreign: null,
    };
  },
  writer,
};
