/** The measures of a caption: lengths in characters, durations in ms, reading speed in characters per second. */
import type { Caption } from '../track/caption.ts';
import { countGraphemes, graphemes } from './graphemes.ts';

/** What a house style counts as a character. */
export interface Counting {
  readonly spaces: boolean;
  readonly punctuation: boolean;
  /** Whether East Asian wide characters count double. */
  readonly wideDouble: boolean;
}

export const countEverything: Counting = { spaces: true, punctuation: true, wideDouble: false };

/** Wide and fullwidth ranges of UAX 11, from memory; the blocks in which all assigned characters are wide. */
const wide =
  /[\u1100-\u115f\u2e80-\u303e\u3041-\u33ff\u3400-\u4dbf\u4e00-\u9fff\ua000-\ua4cf\uac00-\ud7a3\uf900-\ufaff\ufe30-\ufe6f\uff00-\uff60\uffe0-\uffe6\u{1f300}-\u{1f64f}\u{1f900}-\u{1f9ff}\u{20000}-\u{3fffd}]/u;

/** Length of one line in characters. */
export function lineLength(line: string, counting: Counting): number {
  if (counting.spaces && counting.punctuation && !counting.wideDouble) return countGraphemes(line);
  let count = 0;
  for (const cluster of graphemes(line)) {
    if (!counting.spaces && /^\s/u.test(cluster)) continue;
    if (!counting.punctuation && /^\p{P}/u.test(cluster)) continue;
    count += counting.wideDouble && wide.test(cluster) ? 2 : 1;
  }
  return count;
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

const known = new WeakMap<Caption, { readonly counting: Counting; readonly measures: Measures }>();

/** Measures a caption; the same caption under the same counting is measured once. */
export function measure(of: Caption, counting: Counting): Measures {
  const before = known.get(of);
  if (before?.counting === counting) return before.measures;
  const lines = of.text.split('\n').map((line) => lineLength(line, counting));
  const characters = lines.reduce((a, b) => a + b, 0);
  const duration = of.end - of.start;
  const speed = characters === 0 ? 0 : duration > 0 ? (characters * 1000) / duration : Infinity;
  const measures = { lines, characters, duration, speed };
  known.set(of, { counting, measures });
  return measures;
}

/** The shortest duration, in ms, that brings so many characters down to a reading speed. */
export function need(characters: number, speed: number): number {
  return Math.ceil((characters * 1000) / speed);
}

/** A reading speed as it is shown: one decimal, rounded up, so that one over the limit never reads as the limit. */
export function speedText(speed: number): string {
  return Number.isFinite(speed) ? (Math.ceil(speed * 10 - 1e-9) / 10).toFixed(1) : '∞';
}

const words = new Intl.Segmenter('und', { granularity: 'word' });

/** Words of a text, as UAX 29 finds them. */
export function countWords(text: string): number {
  let count = 0;
  for (const part of words.segment(text)) if (part.isWordLike) count++;
  return count;
}
