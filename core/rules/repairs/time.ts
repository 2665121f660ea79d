/** Repairs of when captions stand: lengthening into the room there is, starting earlier, clipping, closing gaps. */
import { tokensOf } from '../../text/tokens.ts';
import { lendTime } from '../../layout/lend-time.ts';
import { seconds } from '../../timing/clock/clock.ts';
import type { Caption } from '../../model/caption.ts';
import { joinTexts, onOneLine } from '../../model/ranges.ts';
import type { RuleContext } from '../finding.ts';
import { partedAt, wordsBefore } from './give-words.ts';
import { timeNeeded, wholeGap } from '../../style/style.ts';
import type { Candidate } from './candidate.ts';

const gapOf = ({ style, rate }: RuleContext): number => wholeGap(style, rate);

const timed = (i: number, after: Caption, says: string): Candidate => ({ from: i, to: i + 1, after: [after], says });

/** Room after a caption and before it, in ms, down to the smallest gap. */
export function roomAround(
  captions: readonly Caption[],
  i: number,
  context: RuleContext,
): { readonly after: number; readonly before: number } {
  const here = captions[i];
  const next = captions[i + 1];
  const previous = captions[i - 1];
  const gap = gapOf(context);
  if (!here) return { after: 0, before: 0 };
  const end = Math.min(next ? next.start - gap : Infinity, context.length ?? Infinity);
  const start = previous ? previous.end + gap : 0;
  return { after: Math.max(0, end - here.end), before: Math.max(0, here.start - start) };
}

/** Longer, into the room after it, then into the room before it: to the target speed, or at least to the limit. */
export function lengthen(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  if (!here) return [];
  const { speed } = context.style.reading;
  const room = roomAround(captions, i, context);
  const early = Math.min(room.before, context.style.time.sync.early);
  return [speed.target, speed.limit].flatMap((figure): Candidate[] => {
    const missing = timeNeeded(here, context.style, figure) - (here.end - here.start);
    if (missing <= 0) return [];
    const later = Math.min(missing, room.after);
    const earlier = Math.min(missing - later, early);
    const after = { ...here, start: here.start - earlier, end: here.end + later };
    const says = [
      later > 0 ? `ends ${seconds(later)} later` : '',
      earlier > 0 ? `begins ${seconds(earlier)} earlier` : '',
    ].filter(Boolean);
    return says.length === 0 ? [] : [timed(i, after, `It ${says.join(' and ')}.`)];
  });
}

/** Longer with time from its neighbours too, as far as the style lets captions begin early or late. */
export function borrowTime(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  const lent = here && lendTime({ before: captions[i - 1] ?? null, here, after: captions[i + 1] ?? null }, context);
  if (!lent) return [];
  const row = [lent.before, lent.here, lent.after].filter((c) => c !== null);
  const earlier = here.start - lent.here.start;
  const later = lent.here.end - here.end;
  const says = [
    earlier > 0 ? `begins ${seconds(earlier)} earlier` : '',
    later > 0 ? `ends ${seconds(later)} later` : '',
  ].filter(Boolean);
  const from = lent.before ? i - 1 : i;
  return [{ from, to: from + row.length, after: row, says: `It ${says.join(' and ')}; its neighbours make way.` }];
}

/** Words given to the caption after or before, with the time they are said. */
export function giveWords(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  if (!here || here.letBe.length > 0 || here.words.length === 0) return [];
  const signs = tokensOf(here.text, 0, here.text.length);
  const timeAt = (offset: number): number | null => here.words.find((w) => w[0] >= offset)?.[2] ?? null;
  const out: Candidate[] = [];
  for (let n = 1; n <= Math.min(4, signs.length - 1); n++) {
    const last = signs[signs.length - n];
    const next = captions[i + 1];
    const at = last ? timeAt(last.from) : null;
    if (last && next && at !== null && at > here.start && next.letBe.length === 0)
      out.push({
        from: i,
        to: i + 2,
        after: partedAt(
          here,
          next,
          [wordsBefore(here, last.from), joinTexts([onOneLine(here, last.from), onOneLine(next)], ' ')],
          at,
          context,
        ),
        says: `${words(n)} given to the next caption.`,
      });
    const first = signs[n];
    const previous = captions[i - 1];
    const from = first ? timeAt(first.from) : null;
    if (first && previous && from !== null && from < here.end && previous.letBe.length === 0)
      out.push({
        from: i - 1,
        to: i + 1,
        after: partedAt(
          previous,
          here,
          [joinTexts([onOneLine(previous), wordsBefore(here, first.from)], ' '), onOneLine(here, first.from)],
          from,
          context,
        ),
        says: `${words(n)} given to the caption before.`,
      });
  }
  return out;
}

const words = (n: number): string => (n === 1 ? 'A word is' : `${String(n)} words are`);

/** Off the screen sooner: at the longest that is allowed. */
export function shorten(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  if (!here) return [];
  const end = here.start + context.style.time.longest.limit;
  return end < here.end ? [timed(i, { ...here, end }, `It ends ${seconds(here.end - end)} sooner.`)] : [];
}

/** Room for the gap: this one ends sooner, or the next begins later, or each does half of it. */
export function openGap(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  const next = captions[i + 1];
  if (!here || !next) return [];
  const missing = gapOf(context) - (next.start - here.end);
  if (missing <= 0) return [];
  const shared = (part: number): Candidate => ({
    from: i,
    to: i + 2,
    after: [
      { ...here, end: Math.max(here.start + 1, here.end - Math.round(missing * part)) },
      { ...next, start: Math.min(next.end - 1, next.start + missing - Math.round(missing * part)) },
    ],
    says:
      part === 0
        ? `The next begins ${seconds(missing)} later.`
        : `It ends sooner and the next begins later, ${seconds(missing)} in all.`,
  });
  const clip: Candidate = timed(
    i,
    { ...here, end: Math.max(here.start + 1, next.start - gapOf(context)) },
    `It ends ${seconds(missing)} sooner.`,
  );
  return [clip, shared(0.5), shared(0)];
}

/** The end moved up to the smallest gap before the next. */
export function closeGap(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  const next = captions[i + 1];
  if (!here || !next) return [];
  const end = next.start - gapOf(context);
  return end > here.end
    ? [timed(i, { ...here, end }, `It ends ${seconds(end - here.end)} later, which closes the gap.`)]
    : [];
}

/** Clipped to the end of the recording. */
export function clipToEnd(captions: readonly Caption[], i: number, context: RuleContext): Candidate[] {
  const here = captions[i];
  if (!here || context.length === null || here.start >= context.length) return [];
  return [timed(i, { ...here, end: context.length }, 'It ends with the recording.')];
}

/** Begun with its first word. */
export function startWithSpeech(captions: readonly Caption[], i: number): Candidate[] {
  const here = captions[i];
  const start = here?.words[0]?.[2];
  if (!here || start === undefined || start >= here.end) return [];
  const previous = captions[i - 1];
  const from = Math.max(start, previous ? previous.end : 0);
  return [timed(i, { ...here, start: from }, `It begins with its first word.`)];
}
