/** Words that go from a caption to its neighbour, with the time they were said in. */
import { tokensOf } from '../../text/tokens.ts';
import { splitTimes } from '../../model/split-times.ts';
import type { Caption } from '../../model/caption.ts';
import type { Edit } from '../../model/edits.ts';
import { joinTexts, onOneLine, type Ranged } from '../../model/ranges.ts';
import type { RuleContext } from '../finding.ts';
import { brokenAgain } from './text.ts';
import { wholeGap } from '../../style/style.ts';

/** The words of a caption before an offset. */
export const wordsBefore = (c: Caption, at: number): Ranged => onOneLine(c, 0, c.text.slice(0, at).trimEnd().length);

/** Two neighbours whose words are parted elsewhere, from a moment on. @param at in ms */
export function partedAt(
  first: Caption,
  second: Caption,
  texts: readonly [Ranged, Ranged],
  at: number,
  context: RuleContext,
): [Caption, Caption] {
  const end = Math.max(first.start + 1, at - wholeGap(context.style, context.rate));
  return [
    brokenAgain({ ...first, ...texts[0], end, proofed: false }, context),
    brokenAgain({ ...second, ...texts[1], start: at, end: Math.max(at + 1, second.end), proofed: false }, context),
  ];
}

/**
 * The last word of a caption given to the one below, or the first to the one above. A caption of one word
 * is joined with its neighbour.
 * @returns null where there is no neighbour or no word
 */
export function giveWord(
  captions: readonly Caption[],
  i: number,
  to: 'above' | 'below',
  context: RuleContext,
): Edit | null {
  const here = captions[i];
  const other = captions[to === 'below' ? i + 1 : i - 1];
  const words = here ? tokensOf(here.text, 0, here.text.length) : [];
  const cut = to === 'below' ? words.at(-1) : words[1];
  if (!here || !other || words.length === 0) return null;
  const [first, second] = to === 'below' ? [here, other] : [other, here];
  if (!cut || words.length === 1) return { type: 'join', id: first.id, next: second.id, between: ' ' };
  return partedBefore(here, other, to, cut.from, context);
}

/** What a caption has on one side of an offset goes to its neighbour there, with the time it was said in. */
function partedBefore(
  here: Caption,
  other: Caption,
  to: 'above' | 'below',
  offset: number,
  context: RuleContext,
): Edit {
  const { start } = splitTimes(here, offset, wholeGap(context.style, context.rate));
  const [first, second] = to === 'below' ? [here, other] : [other, here];
  const texts: [Ranged, Ranged] =
    to === 'below'
      ? [wordsBefore(here, offset), joinTexts([onOneLine(here, offset), onOneLine(other)], ' ')]
      : [joinTexts([onOneLine(other), wordsBefore(here, offset)], ' '), onOneLine(here, offset)];
  return {
    type: 'replace',
    removed: [first.id, second.id],
    captions: partedAt(first, second, texts, start, context),
  };
}

/**
 * The break between a caption and its neighbour moved to an offset in the caption: the nearer of the two, so that the
 * fewer words change sides.
 * @returns null where there are words on one side only, or no neighbour
 */
export function breakMovedTo(
  captions: readonly Caption[],
  i: number,
  offset: number,
  context: RuleContext,
): Edit | null {
  const here = captions[i];
  if (!here) return null;
  const words = tokensOf(here.text, 0, here.text.length);
  const before = words.filter(({ from }) => from < offset).length;
  const next = words[before];
  const [above, below] = [captions[i - 1], captions[i + 1]];
  if (before === 0 || !next) return null;
  const isNearer = before * 2 <= words.length;
  if (above && (isNearer || !below)) return partedBefore(here, above, 'above', next.from, context);
  return below ? partedBefore(here, below, 'below', next.from, context) : null;
}
