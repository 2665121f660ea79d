/** The measures of a caption: lengths in characters, durations in ms, reading speed in characters per second. */
import { eachSegment } from './segments.ts';
import { eastAsianWidth } from 'get-east-asian-width';
import { graphemes, isSimple } from './graphemes.ts';

/** What a house style counts as a character. */
export interface Counting {
  readonly spaces: boolean;
  readonly punctuation: boolean;
  /** Whether East Asian wide characters count double. */
  readonly wideDouble: boolean;
}

export const countEverything: Counting = { spaces: true, punctuation: true, wideDouble: false };

/** Lengths that took the slow way, by the counting they were taken under. */
let slow = new Map<string, number>();
let slowUnder: Counting = countEverything;
/** So many lengths are remembered at most: those of a long track in a script that combines. */
const mostRemembered = 50_000;

/** Whether a cluster takes two columns: wide or fullwidth by UAX 11, or an emoji shown as a picture. */
const isWide = (cluster: string): boolean =>
  eastAsianWidth(cluster.codePointAt(0) ?? 0) === 2 || (cluster.length > 1 && cluster.includes('\ufe0f'));

function slowLength(line: string, counting: Counting): number {
  let count = 0;
  for (const cluster of graphemes(line)) {
    if (!counting.spaces && /^\s/u.test(cluster)) continue;
    if (!counting.punctuation && /^\p{P}/u.test(cluster)) continue;
    count += counting.wideDouble && isWide(cluster) ? 2 : 1;
  }
  return count;
}

/** Length of one line in characters. */
export function lineLength(line: string, counting: Counting): number {
  if (counting.spaces && counting.punctuation && !counting.wideDouble && isSimple(line)) return line.length;
  if (slowUnder !== counting || slow.size >= mostRemembered) {
    slow = new Map();
    slowUnder = counting;
  }
  let length = slow.get(line);
  if (length === undefined) slow.set(line, (length = slowLength(line, counting)));
  return length;
}

/** Characters before each word of a line, and after the last; a space follows every word where spaces count. */
export function lengthsBefore(words: readonly string[], counting: Counting): Float64Array {
  const before = new Float64Array(words.length + 1);
  let length = 0;
  words.forEach((word, i) => {
    before[i + 1] = length += lineLength(word, counting) + (counting.spaces ? 1 : 0);
  });
  return before;
}

/**
 * Lengths of the lines of a text: at once where every character counts and none combines.
 * @param simple it is known that none combines
 */
function lineLengths(text: string, counting: Counting, simple: boolean): number[] {
  if (!simple || !counting.spaces || !counting.punctuation || counting.wideDouble)
    return text.split('\n').map((line) => lineLength(line, counting));
  // Nearly every caption has one line or two.
  const first = text.indexOf('\n');
  if (first < 0) return [text.length];
  if (!text.includes('\n', first + 1)) return [first, text.length - first - 1];
  return text.split('\n').map((line) => line.length);
}

export interface Measures {
  /** Characters of each line. */
  readonly lines: readonly number[];
  /** Characters of the caption; a line break counts nothing. */
  readonly characters: number;
  /** In ms. */
  readonly duration: number;
  /** Characters per second; infinite for text that is shown for no time at all. */
  readonly speed: number;
}

/** A text on screen from one time to another, in ms. */
export interface TimedText {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

/**
 * Measures a caption.
 * @param simple that no character of it combines, where that is known from a look at its signs
 */
export function measure({ text, start, end }: TimedText, counting: Counting, simple = isSimple(text)): Measures {
  const lines = lineLengths(text, counting, simple);
  let characters = 0;
  for (const length of lines) characters += length;
  const duration = end - start;
  const speed = characters === 0 ? 0 : duration > 0 ? (characters * 1000) / duration : Infinity;
  return { lines, characters, duration, speed };
}

/** The shortest duration, in ms, that brings so many characters down to a reading speed. */
export function need(characters: number, speed: number): number {
  return Math.ceil((characters * 1000) / speed);
}

/** A reading speed as it is shown: one decimal, rounded up, so that one over the limit never reads as the limit. */
export function speedText(speed: number): string {
  if (!Number.isFinite(speed)) return '∞';
  const tenths = Math.ceil(speed * 10 - 1e-9);
  return `${String(Math.floor(tenths / 10))}.${String(tenths % 10)}`;
}

const words = new Intl.Segmenter('und', { granularity: 'word' });

/** Words of a text by `Intl.Segmenter`: the truth, and slow. */
export function segmentedWords(text: string): number {
  let count = 0;
  eachSegment(words, text, (part) => {
    if (part.isWordLike) count++;
  });
  return count;
}

const [apart, letter, digit, joinsBoth, joinsDigits, other] = [0, 1, 2, 3, 4, 5] as const;

/** What a character is to the words around it, for those whose part in UAX 29 is plain. */
function wordClass(unit: number): number {
  if ((unit >= 0x61 && unit <= 0x7a) || (unit >= 0x41 && unit <= 0x5a)) return letter;
  if (unit === 0x20 || unit === 0x0a || unit === 0x2d || unit === 0x21 || unit === 0x3f) return apart;
  if (unit >= 0x30 && unit <= 0x39) return digit;
  if (unit === 0x2e || unit === 0x27 || unit === 0x2019) return joinsBoth;
  if (unit === 0x2c || unit === 0x3b) return joinsDigits;
  return unit >= 0xc0 && unit < 0x250 && unit !== 0xd7 && unit !== 0xf7 ? letter : other;
}

/** Words of a text, as UAX 29 finds them; text of plain Latin letters, digits and signs takes a quick way. */
export function countWords(text: string): number {
  let count = 0;
  /** The class of what a word ends with so far; `apart` between words. */
  let inside: number = apart;
  for (let i = 0; i < text.length; i++) {
    const here = wordClass(text.charCodeAt(i));
    if (here === other) return segmentedWords(text);
    if (here === letter || here === digit) {
      if (inside === apart) count++;
      inside = here;
    } else if (inside !== apart) {
      const next = i + 1 < text.length ? wordClass(text.charCodeAt(i + 1)) : apart;
      const joins = next === inside && (here === joinsBoth || (here === joinsDigits && inside === digit));
      if (!joins) inside = apart;
    }
  }
  return count;
}
