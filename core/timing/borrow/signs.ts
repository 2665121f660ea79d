/** What of a caption survives translation: numbers, names, words that look alike, how it ends, how long it is. */
import { countGraphemes } from '../../text/graphemes.ts';
import { isSpoken } from '../../text/sound-notes.ts';
import type { Caption } from '../../model/caption.ts';

/** How a text ends, as far as two languages agree on it. */
export type TextEnding = 'question' | 'exclamation' | 'full stop' | 'goes on';

/** One caption, or two in a row taken together, as another language may have it too. */
export interface Signs {
  /** In ms. */
  readonly start: number;
  readonly end: number;
  /** Whether those times are where it is said, and not made up. */
  readonly timed: boolean;
  /** The logarithm of how long that is, in ms. */
  readonly lasts: number;
  readonly letters: number;
  readonly ending: TextEnding;
  readonly spoken: boolean;
  /** Lines that begin a turn of another speaker with a dash. */
  readonly turns: number;
  /** `#12` for a number, `=alder` for a name, `~vanne` for the beginning of a longer word, each once. */
  readonly marks: readonly string[];
}

/** Words from this many letters on are held against each other, by as many first letters as `stem`. */
const [longWord, stem] = [6, 4];
const questions = /[?？؟;]["'”’»)\s]*$/u;
const exclamations = /[!！]["'”’»)\s]*$/u;
const stops = /[.。…।۔:]["'”’»)\s]*$/u;

/** Without accents and case, so that *Élise* and *Elise* are one name. */
const plain = (word: string): string => word.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

function endingOf(text: string): TextEnding {
  if (questions.test(text)) return 'question';
  if (exclamations.test(text)) return 'exclamation';
  return stops.test(text) ? 'full stop' : 'goes on';
}

function marksOf(text: string): Set<string> {
  const marks = new Set<string>();
  for (const { 0: digits } of text.matchAll(/\p{Nd}+/gu)) marks.add(`#${digits}`);
  let last = 0;
  for (const { 0: word, index } of text.matchAll(/\p{L}[\p{L}\p{M}]+/gu)) {
    const known = plain(word);
    // What begins a sentence is written large in any case.
    const opens = last === 0 || /[.?!…:\n–—-]/u.test(text.slice(last, index));
    if (!opens && /^\p{Lu}/u.test(word)) marks.add(`=${known}`);
    if (known.length >= longWord) marks.add(`~${known.slice(0, stem)}`);
    last = index + word.length;
  }
  return marks;
}

/** Nothing is shorter than a glance. */
const logOf = (ms: number): number => Math.log(Math.max(200, ms));

/** What of a caption stays the same in another language: names, figures, marks. */
export function survivingSigns({ text, start, end, timing }: Caption): Signs {
  return {
    start,
    end,
    timed: timing === 'set',
    lasts: logOf(end - start),
    letters: countGraphemes(text),
    ending: endingOf(text),
    spoken: isSpoken(text),
    turns: text.split('\n').filter((line) => /^[-–—‐]/u.test(line.trimStart())).length,
    marks: [...marksOf(text)],
  };
}

/** Two in a row as one. */
export const joinedSigns = (a: Signs, b: Signs): Signs => ({
  start: a.start,
  end: b.end,
  timed: a.timed && b.timed,
  lasts: logOf(b.end - a.start),
  letters: a.letters + 1 + b.letters,
  ending: b.ending,
  spoken: a.spoken || b.spoken,
  turns: a.turns + b.turns,
  marks: [...new Set([...a.marks, ...b.marks])],
});
