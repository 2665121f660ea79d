/**
 * How much more likely two captions are the same thing said in two languages than two that have nothing to do with each
 * other: sums of logarithms of such ratios. The weights were set by hand on a script in three languages; the measure of
 * lengths is that of Gale and Church, *A Program for Aligning Sentences in Bilingual Corpora* (1993; from memory).
 */
import type { Signs } from './signs.ts';

/** Of the number of letters: per letter of the one the other varies by this (6.8 in the paper). */
const variance = 6.8;
/** Lengths of captions that have nothing to do with each other are so many times further apart. */
const unrelated = 3;
const [logUnrelated, widened] = [Math.log(unrelated), (1 - 1 / unrelated ** 2) / 2];
/** Logarithms of durations are as far apart as this where they belong together, and where not. */
const [nearDuration, anyDuration] = [0.22, 0.65];
const logDuration = Math.log(anyDuration / nearDuration);
const durationWeight = (1 / nearDuration ** 2 - 1 / anyDuration ** 2) / 2;
/** No one sign weighs more than this against a pair. */
const most = 3;

/** By numbers of letters, where `ratio` letters of the other track say what one letter of this says. */
export function lengthLikeness(here: number, there: number, ratio: number): number {
  const expected = here * ratio;
  const away = (there - expected) / Math.sqrt(Math.max(4, ((expected + there) / 2) * variance));
  return Math.max(-most, logUnrelated - away * away * widened);
}

/** By the logarithms of how long they last. */
export function durationLikeness(here: number, there: number): number {
  const away = here - there;
  return Math.max(-most, logDuration - away * away * durationWeight);
}

/** By how they end, whether anything is said, and turns of speakers. */
export function shapeLikeness(a: Signs, b: Signs): number {
  let sum = 0;
  if (a.ending === b.ending) sum += a.ending === 'question' ? 2.2 : a.ending === 'full stop' ? 0.2 : 0.9;
  else sum -= a.ending === 'question' || b.ending === 'question' ? 1.8 : 0.6;
  if (a.spoken !== b.spoken) sum -= 3;
  else if (!a.spoken) sum += 1.5;
  if (a.turns !== b.turns) sum -= 0.8;
  else if (a.turns > 0) sum += 1.2;
  return sum;
}

/** One in so many ms: what any distance is as likely as. */
const any = 1 / 8000;
/** Pairs that stand as far off as the one before differ by this, in ms, and by this share of the time between them. */
const [nearOffset, farther, mostOffset] = [180, 0.03, 1200];
/** What any distance speaks, however far off. */
const anyRhythm = Math.log(0.15);
const nearRhythm = Math.log(0.85 / (2 * any));
/** So far off, in ms, a pair is as far off as any, however long after the one before it begins. */
const farOff = (nearOffset + mostOffset) * (nearRhythm - Math.log(nearOffset) - anyRhythm);
/** The logarithm of a sum, by the greater of the two: this is asked tens of millions of times, mostly of what is far off. */
function rhythmOf(change: number, near: number): number {
  const off = Math.abs(change);
  return off > farOff ? anyRhythm : Math.max(nearRhythm - Math.log(near) - off / near, anyRhythm);
}

/**
 * By how far the place of this pair is from that of the pair before: captions of one recording keep their distances,
 * whatever the language.
 * @param change of the offset from the pair before, in ms
 * @param apart how long after it this one begins, in ms
 */
export const rhythmLikeness = (change: number, apart: number): number =>
  rhythmOf(change, nearOffset + Math.min(mostOffset, farther * Math.max(0, apart)));
/** The most it can be. */
export const mostRhythm = rhythmOf(0, nearOffset);

/** What a mark in both weighs, by the number of captions that have it in the track that has more of them. */
export function markWeight(mark: string, many: number, captions: number): number {
  const rare = Math.log(1 + captions / many) / Math.log(1 + captions);
  return rare * (mark.startsWith('#') ? 3.2 : mark.startsWith('=') ? 2.8 : 1.6);
}
