/**
 * Time that captions lend a neighbour that is on screen too briefly to be read: the moment where one gives
 * way to the other moves, as far from the speech as the style lets captions begin early or late.
 */
import { timeNeeded, wholeGap, type HouseStyle } from '../style/style.ts';
import type { FrameRate } from '../timing/clock/frames.ts';
import type { Caption } from '../model/caption.ts';

export interface Neighbours {
  readonly before: Caption | null;
  readonly here: Caption;
  readonly after: Caption | null;
}

/** What captions are made to keep to. */
export interface Bounds {
  readonly style: HouseStyle;
  readonly rate: FrameRate;
  /** Of the recording, in ms. */
  readonly length?: number | null;
}

/** How long a caption has to be on screen at the least, in ms. */
const required = (of: Caption, style: HouseStyle): number => timeNeeded(of, style, style.reading.speed.limit);

/** How much shorter a caption could be, in ms. */
const spare = (of: Caption, style: HouseStyle): number => Math.max(0, of.end - of.start - required(of, style));

/** When the first word of a caption is said; its start where nothing tells. */
const spoken = (of: Caption): number => of.words[0]?.[2] ?? of.start;

/**
 * A caption made long enough, with what that makes of its neighbours.
 * @returns null where it is long enough, or where there is not enough time to be had
 */
export function lendTime(
  { before, here, after }: Neighbours,
  { style, rate, length = null }: Bounds,
): Neighbours | null {
  let lack = required(here, style) - (here.end - here.start);
  if (lack <= 0) return null;
  const gap = wholeGap(style, rate);
  const { early, late } = style.time.sync;
  const take = (room: number): number => {
    const taken = Math.max(0, Math.min(lack, Math.floor(room)));
    lack -= taken;
    return taken;
  };
  const most = length ?? Infinity;
  const freeAfter = take((after ? after.start - gap : most) - here.end);
  const lead = Math.max(0, early - Math.max(0, spoken(here) - here.start));
  const freeBefore = take(Math.min(lead, here.start - (before ? before.end + gap : 0)));
  // Between two captions there is time to lend only where nothing but the gap parts them.
  const fromAfter = after ? take(Math.min(spare(after, style), late - Math.max(0, after.start - spoken(after)))) : 0;
  const fromBefore = before ? take(Math.min(spare(before, style), lead - freeBefore)) : 0;
  if (lack > 0) return null;
  return {
    before: before && fromBefore > 0 ? { ...before, end: before.end - fromBefore } : before,
    here: { ...here, start: here.start - freeBefore - fromBefore, end: here.end + freeAfter + fromAfter },
    after: after && fromAfter > 0 ? { ...after, start: after.start + fromAfter } : after,
  };
}

/** Captions in a row, each that is too brief given time where its neighbours have some to lend. */
export function withTimeLent(captions: readonly Caption[], bounds: Bounds): Caption[] {
  const out = [...captions];
  out.forEach((_, i) => {
    const here = out[i];
    if (!here) return;
    const lent = lendTime({ before: out[i - 1] ?? null, here, after: out[i + 1] ?? null }, bounds);
    if (!lent) return;
    if (lent.before) out[i - 1] = lent.before;
    out[i] = lent.here;
    if (lent.after) out[i + 1] = lent.after;
  });
  return out;
}
