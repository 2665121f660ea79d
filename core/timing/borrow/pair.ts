/** Captions of two tracks that say the same. */
export interface Pair {
  /** Places `[from, to)` in the track that is moved: one caption, or several that the other has as one. */
  readonly moved: readonly [from: number, to: number];
  /** Places `[from, to)` in the track that gives the times. */
  readonly giving: readonly [from: number, to: number];
  /** That they do, 0 to 1. */
  readonly certainty: number;
}

/** From this certainty on a pair is taken without a hand. */
export const certain = 0.7;
