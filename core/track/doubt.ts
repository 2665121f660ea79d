/** Doubtful words: those the recogniser was unsure of, until somebody mends or proofs them. */
import type { Caption, WordRange } from './caption.ts';

/** Words the recogniser was less sure of than this. */
const doubtBelow = 0.25;

export const isDoubtful = (caption: Caption, w: WordRange): boolean =>
  w[4] < doubtBelow && w[5] === 'recogniser' && !caption.proofed && caption.text.slice(w[0], w[1]) === w[6];
