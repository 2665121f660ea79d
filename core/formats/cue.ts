/** Cues of a file to captions, the same way for every format that has cues. */
import type { ParseWarning } from './warning.ts';
import type { Caption, Foreign, ReadCaption } from '../model/caption.ts';
import { timedWords, type Inline } from './inline.ts';

/** Nothing hangs on most captions; one empty list serves them all. */
const nothing: readonly never[] = [];

/**
 * A caption of a cue: its markup as ranges, timestamps inside it as word times.
 * @param start in ms
 * @param end in ms
 */
export function captionOfCue(start: number, end: number, foreign: Foreign | null, inline: Inline): ReadCaption {
  return {
    start,
    end,
    timing: 'set',
    text: inline.text,
    marks: inline.marks,
    speakers: inline.speakers,
    words: inline.times.length === 0 ? nothing : timedWords(inline, start, end),
    placement: inline.placement,
    proofed: false,
    letBe: nothing,
    comeBack: null,
    foreign,
  };
}

/**
 * Puts captions in order and says so where the file had them otherwise.
 * @param lineOf the line of the file a caption stands on, by its place in the list
 */
export function ordered(
  captions: readonly ReadCaption[],
  lineOf: (index: number) => number,
  warnings: ParseWarning[],
): readonly ReadCaption[] {
  let disorder = false;
  for (let i = 1; i < captions.length; i++) {
    const here = captions[i];
    const before = captions[i - 1];
    if (!here || !before) continue;
    if (here.start < before.start) {
      warnings.push({
        line: lineOf(i),
        message: 'This caption begins before the one above it; it was moved to its place in time.',
      });
      disorder = true;
    } else if (here.start === before.start && here.end < before.end) disorder = true;
  }
  // Sorting is stable: captions of the same times stay as the file has them.
  return disorder ? [...captions].sort((a, b) => a.start - b.start || a.end - b.end) : captions;
}

/**
 * Captions of a file with ids given by whoever takes them in.
 *
 * The id comes first: a key added after a spread makes V8 give every object a hidden class of its
 * own, and going over 20,000 such captions takes ten times as long.
 */
export const withIds = (captions: readonly ReadCaption[], newId: () => string): Caption[] =>
  captions.map((c) => ({ id: newId(), ...c }));

const blankLine = /(?:^|\n)[^\S\n]*(?:\n|$)/;

/** A sign that is no white space, and none of the few above ASCII that are. */
const isPlain = (code: number): boolean => code > 32 && code < 0x85;

/** Whether a text of several lines has one without words. */
export function hasBlankLines(text: string): boolean {
  let at = text.indexOf('\n');
  if (at < 0) return false;
  // Most breaks stand between two plain signs; only the others are looked at closely.
  for (; at >= 0; at = text.indexOf('\n', at + 1))
    if (!isPlain(text.charCodeAt(at - 1)) || !isPlain(text.charCodeAt(at + 1))) return blankLine.test(text);
  return false;
}

/** Whether a text has no words in it. */
export const hasNoWords = (text: string): boolean => !isPlain(text.charCodeAt(0)) && text.trim() === '';

/** A text without the blank lines that would end a caption in formats of blocks. */
export function withoutBlankLines(text: string): string {
  return hasBlankLines(text)
    ? text
        .split('\n')
        .filter((line) => line.trim() !== '')
        .join('\n')
    : text;
}
