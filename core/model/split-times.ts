/** Where the times of a caption fall when it is shared in two. */
import type { Caption } from './caption.ts';

export interface SplitTimes {
  /** End of the first part, in ms. */
  readonly end: number;
  /** Start of the second part, in ms. */
  readonly start: number;
}

/** How long the first part may linger after its last word where there is a pause, in ms. */
const linger = 400;

/**
 * The second part begins where its first word was said; the first part ends a gap before that, or
 * soon after its own last word where a pause lies between. Without word times on both sides the
 * caption's time is shared by letters.
 * @param at text offset of the share
 * @param gap smallest gap between captions, in ms
 */
export function splitTimes(of: Caption, at: number, gap: number): SplitTimes {
  const before = of.words.findLast((w) => w[1] <= at);
  const after = of.words.find((w) => w[0] >= at);
  const inside = (ms: number): number => Math.max(of.start, Math.min(of.end, ms));
  if (before && after && after[2] > of.start && after[2] < of.end) {
    const start = inside(after[2]);
    return { start, end: Math.max(of.start, Math.min(start - gap, before[3] + linger)) };
  }
  const letters = (text: string): number => text.replace(/\s/g, '').length;
  const share = letters(of.text) === 0 ? 0.5 : letters(of.text.slice(0, at)) / letters(of.text);
  const start = inside(Math.round(of.start + (of.end - of.start) * share));
  return { start, end: Math.max(of.start, start - gap) };
}
