/**
 * Rolling and word-by-word captions, as live tracks are often saved, seen and undone. Three habits:
 * each caption repeats the last lines of the one before and adds a line (`rolling`); each repeats all
 * of the one before and adds a word (`growing`); each holds a word or two (`word by word`).
 */
import type { ReadCaption } from '../model/caption.ts';
import { tokensOf } from '../text/tokens.ts';
import { firstCaptions, type TimedPiece } from './first-captions.ts';
import type { HouseStyle } from '../style/style.ts';
import { onOneLine, sliceText, spliceText } from '../model/ranges.ts';

export type Habit = 'rolling' | 'growing' | 'word by word';

export interface Rolling {
  readonly habit: Habit;
  /** Captions that show it, and captions in all. */
  readonly shown: number;
  readonly captions: number;
}

/** Fewer captions than this show no habit. */
const fewest = 4;
/** Captions further apart than this do not continue each other, in ms. */
const farthest = 3000;

const wordsOf = (text: string): string[] => text.split(/\s+/).filter((w) => w !== '');

/** The longest text that is looked at; no caption that is read shows more. */
const longest = 400;

/** Whether a line of one text begins with the first letters of another; most captions are told apart by this. */
function beginsALine(text: string, other: string): boolean {
  const letters = other.trimStart().slice(0, 3).trimEnd();
  if (letters === '') return false;
  for (let at = text.indexOf(letters); at >= 0; at = text.indexOf(letters, at + 1))
    if (at === 0 || text.charCodeAt(at - 1) <= 32) return true;
  return false;
}

/** Whether a text is a word or two. */
const isShort = (text: string): boolean => text.length < 60 && wordsOf(text).length <= 2 && text.trim() !== '';

/**
 * How many of its first words a caption repeats of the one before: of its last lines, whole. A word
 * that merely ends one caption and begins the next was said twice.
 */
function repeated(before: ReadCaption, here: ReadCaption): number {
  if (here.start - before.end > farthest || !beginsALine(before.text, here.text)) return 0;
  const words = wordsOf(here.text.slice(0, longest));
  const lines = before.text.slice(-longest).split('\n').map(wordsOf);
  for (let first = 0; first < lines.length; first++) {
    const shown = lines.slice(first).flat();
    if (shown.length > 0 && shown.length <= words.length && shown.every((w, i) => w === words[i])) return shown.length;
  }
  return 0;
}

/** Whether captions roll, grow or come word by word; null where they do not. */
export function rollingOf(captions: readonly ReadCaption[]): Rolling | null {
  if (captions.length < fewest) return null;
  let [rolling, growing, single] = [0, 0, 0];
  captions.forEach((here, i) => {
    if (isShort(here.text)) single++;
    const before = captions[i - 1];
    if (!before) return;
    const n = repeated(before, here);
    if (n === 0) return;
    const whole = n === wordsOf(before.text.slice(0, longest)).length;
    if (whole && wordsOf(here.text.slice(0, longest)).length > n) growing++;
    else rolling++;
  });
  const pairs = captions.length - 1;
  const found = (habit: Habit, shown: number): Rolling => ({ habit, shown, captions: captions.length });
  if (rolling + growing >= pairs * 0.6)
    return found(rolling >= growing / 4 && rolling > 0 ? 'rolling' : 'growing', rolling + growing);
  const steady = captions.filter((c, i) => c.start - (captions[i - 1]?.end ?? c.start) < 1000).length;
  return captions.length >= 8 && single >= captions.length * 0.8 && steady >= captions.length * 0.7
    ? found('word by word', single)
    : null;
}

/** The part of a caption that is new in it, on one line, from when it is first shown. */
function fresh(here: ReadCaption, skip: number, end: number): TimedPiece | null {
  const flat = onOneLine(here);
  const tokens = tokensOf(flat.text, 0, flat.text.length);
  const first = tokens[skip];
  const last = tokens.at(-1);
  if (!first || !last) return null;
  const part = sliceText(flat, first.from, last.to);
  // Several spaces, or a line break with spaces, between words become one.
  let plain = part;
  for (let at = plain.text.search(/\s{2,}/); at >= 0; at = plain.text.search(/\s{2,}/)) {
    const length = /^\s+/.exec(plain.text.slice(at))?.[0].length ?? 2;
    plain = spliceText(plain, at, at + length, ' ');
  }
  const spoken = plain.words[0];
  const start = spoken ? Math.max(here.start, spoken[2]) : here.start;
  return { ...plain, start, end: Math.max(start + 1, plain.words.at(-1)?.[3] ?? end) };
}

/**
 * Captions in which every word stands once, at the time it first appeared, laid out by a house style.
 * Marks, speakers and word times go along.
 */
export function unroll(captions: readonly ReadCaption[], { habit }: Rolling, style: HouseStyle): ReadCaption[] {
  const pieces: TimedPiece[] = [];
  captions.forEach((here, i) => {
    const before = captions[i - 1];
    const skip = before && habit !== 'word by word' ? repeated(before, here) : 0;
    const next = captions[i + 1];
    const end = Math.min(here.end, next ? Math.max(here.start + 1, next.start) : Infinity);
    const piece = fresh(here, skip, end);
    if (piece) pieces.push(piece);
  });
  return firstCaptions(pieces, style);
}
