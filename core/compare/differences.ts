/** Where two tracks differ in their words, place by place. */
import type { Caption } from '../model/caption.ts';
import { alignTracks, type AlignedTracks } from './align-tracks.ts';

/** Words that stand in one track, and what the other has there; empty where it has nothing. */
export interface Difference {
  /** Where it is in the reference, in ms: the beginning of the caption. */
  readonly at: number;
  /** The captions it is in; null where a track has none there at all. */
  readonly captions: readonly [reference: string | null, other: string | null];
  /** A few words before and after it, as the reference has them. */
  readonly before: string;
  readonly reference: string;
  readonly other: string;
  readonly after: string;
}

/** So many words are shown before and after. */
const around = 4;

/** In the order of the reference. */
export const differencesOf = ({ reference, other, words: [a, b], unlike }: AlignedTracks): Difference[] =>
  unlike.map(({ reference: [i, x], other: [j, y] }) => {
    const here = reference[a.source[Math.min(i, a.source.length - 1)] ?? -1];
    const there = other[b.source[Math.min(j, b.source.length - 1)] ?? -1];
    return {
      at: here?.start ?? there?.start ?? 0,
      captions: [here?.id ?? null, there?.id ?? null],
      before: a.written.slice(Math.max(0, i - around), i).join(' '),
      reference: a.written.slice(i, x).join(' '),
      other: b.written.slice(j, y).join(' '),
      after: a.written.slice(x, x + around).join(' '),
    };
  });

/** @param reference the reference, which counts as correct */
export const differences = (reference: readonly Caption[], other: readonly Caption[]): Difference[] =>
  differencesOf(alignTracks(reference, other));
