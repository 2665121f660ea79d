/** Doubtful words: those the recogniser was unsure of, until somebody corrects or proofs them. */
import type { Caption, WordRange } from './caption.ts';

/** Words the recogniser was less sure of than this, unless somebody wants it otherwise. */
export const usualDoubt = 0.25;

/** A recogniser’s certainty of a word that was not heard is below 1, which tells it from a word whose time was only shared out. */
const mostUnheard = 0.99;

/** A recogniser’s word that was listened for and not heard: its time is a guess from now on, and the recogniser’s certainty stays. */
export const asUnheard = (w: WordRange): WordRange =>
  w[5] === 'recogniser' ? [w[0], w[1], w[2], w[3], Math.min(w[4], mostUnheard), 'guessed', w[6]] : w;

/** Whether a recogniser told of a word, and its certainty is the recogniser’s. */
export const isRecognised = (w: WordRange): boolean =>
  w[5] === 'recogniser' || (w[5] === 'guessed' && w[4] > 0 && w[4] <= mostUnheard);

/** Whether the recogniser was unsure of a word. @param below words with a certainty below this are doubtful */
export const isUnsure = (caption: Caption, w: WordRange, below = usualDoubt): boolean =>
  w[4] < below && isRecognised(w) && !caption.proofed && caption.text.slice(w[0], w[1]) === w[6];

/**
 * Below this certainty a word that was listened for goes badly with its sound. Of the words of the demo's scripts 1.3 in
 * a hundred are below it; of words put in the place of others nine in ten, with their neighbours.
 */
const wellHeard = 0.48;

/** Words of fewer letters are said too fast to tell. */
const leastLetters = 3;

/** Whether a word was listened for and not heard, until somebody corrects or proofs it. */
export const isUnheard = (caption: Caption, w: WordRange): boolean =>
  !caption.proofed &&
  w[1] - w[0] >= leastLetters &&
  !isHeard(w) &&
  w[5] !== 'recogniser' &&
  caption.text.slice(w[0], w[1]) === w[6];

/** Whether a caption was listened for and none of its words was heard, until somebody proofs it. */
export const isWhollyUnheard = (caption: Caption): boolean =>
  !caption.proofed &&
  caption.words.every((w) => w[5] === 'guessed') &&
  caption.words.some((w) => isUnheard(caption, w) || (isRecognised(w) && caption.text.slice(w[0], w[1]) === w[6]));

/** Whether a word was heard when it was listened for; its times are shared out otherwise, and it has no certainty. */
export const isHeard = (w: WordRange): boolean => (w[5] === 'aligned' ? w[4] >= wellHeard : w[4] > 0);

/** Words of a caption with some of them held for certain: somebody has heard them and agrees. */
export const heldForCertain = (words: readonly WordRange[], heard: readonly WordRange[]): readonly WordRange[] =>
  words.map((w) => (heard.includes(w) ? [w[0], w[1], w[2], w[3], 1, w[5], w[6]] : w));

/** Whether a word is marked as doubtful, for whichever reason. @param below as in {@link isUnsure} */
export const isDoubtful = (caption: Caption, w: WordRange, below = usualDoubt): boolean =>
  isUnsure(caption, w, below) || isUnheard(caption, w);
