/** Doubtful words: those the recogniser was unsure of, until somebody corrects or proofs them. */
import type { Caption, WordRange } from './caption.ts';

/** Words the recogniser was less sure of than this, unless somebody wants it otherwise. */
export const usualDoubt = 0.25;

/** @param below words with a certainty below this are doubtful */
export const isDoubtful = (caption: Caption, w: WordRange, below = usualDoubt): boolean =>
  w[4] < below && w[5] === 'recogniser' && !caption.proofed && caption.text.slice(w[0], w[1]) === w[6];

/** Words of a caption with some of them held for certain: somebody has heard them and agrees. */
export const agreed = (words: readonly WordRange[], heard: readonly WordRange[]): readonly WordRange[] =>
  words.map((w) => (heard.includes(w) ? [w[0], w[1], w[2], w[3], 1, w[5], w[6]] : w));
