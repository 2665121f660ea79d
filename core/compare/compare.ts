/**
 * Two tracks held against each other: how many words differ (word error rate, as recognisers are scored: substitutions,
 * deletions and insertions over the words of the reference, without case and punctuation), how many letters, and how far
 * apart captions of the same words begin.
 */
import { quantileSorted } from 'd3-array';
import { countGraphemes, graphemes } from '../text/graphemes.ts';
import type { Caption } from '../model/caption.ts';
import { align, type Errors } from './alignment.ts';
import { alignTracks, type AlignedTracks } from './align-tracks.ts';
import { numbered } from './words.ts';

export interface Comparison extends Errors {
  /** Null where the reference has no words. */
  readonly wer: number | null;
  readonly cer: number | null;
  /** Of the reference. */
  readonly words: number;
  /** How much later the other's captions begin, in ms, over captions whose first words are the same; null where none are. */
  readonly offset: { readonly median: number; readonly p90: number; readonly max: number } | null;
}

const empty = new Int32Array();

/** What two aligned tracks come to in figures: word error rate, times, and captions that differ. */
export function comparisonOf({ reference, other, words: [a, b], errors, same, unlike }: AlignedTracks): Comparison {
  /** Letters are held against each other where words differ. */
  let wrong = 0;
  for (const { reference: here, other: there } of unlike) {
    const [from = empty, to = empty] = numbered(
      graphemes(a.words.slice(here[0], here[1]).join(' ')),
      graphemes(b.words.slice(there[0], there[1]).join(' ')),
    );
    const letters = align(from, to);
    wrong += letters.substitutions + letters.deletions + letters.insertions;
  }
  const letters = countGraphemes(a.words.join(' '));

  const apart = same
    .filter(([x, y]) => a.opens[x] === true && b.opens[y] === true)
    .map(([x, y]) => (other[b.source[y] ?? 0]?.start ?? 0) - (reference[a.source[x] ?? 0]?.start ?? 0));
  const inOrder = [...apart].sort((x, y) => x - y);
  const sizes = apart.map(Math.abs).sort((x, y) => x - y);
  const [median, p90] = [quantileSorted(inOrder, 0.5), quantileSorted(sizes, 0.9)];
  const words = a.words.length;
  return {
    wer: words > 0 ? (errors.substitutions + errors.deletions + errors.insertions) / words : null,
    cer: letters > 0 ? wrong / letters : null,
    ...errors,
    words,
    offset:
      median === undefined || p90 === undefined
        ? null
        : { median: Math.round(median), p90: Math.round(p90), max: sizes.at(-1) ?? 0 },
  };
}

/** @param reference the reference, which counts as correct */
export const compare = (reference: readonly Caption[], other: readonly Caption[]): Comparison =>
  comparisonOf(alignTracks(reference, other));
