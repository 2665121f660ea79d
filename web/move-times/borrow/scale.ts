/** How time runs down the two columns. */

/** Px a second: a caption of two lines lasts about three seconds. */
const perSecond = 28;
export const toPx = (ms: number): number => (ms * perSecond) / 1000;
export const toMs = (px: number): number => (px * 1000) / perSecond;
/** Room above the first moment and below the last, in px. */
export const margin = 24;

/** What is in sight, in px from the top, and a little around it. */
export interface Sight {
  readonly top: number;
  readonly height: number;
}
const around = 300;

/** Those that can be seen, of what is in order of its begin. */
export const inSight = <T extends { readonly start: number; readonly end: number }>(
  list: readonly T[],
  { top, height }: Sight,
): readonly (T & { readonly place: number })[] => {
  const [from, to] = [toMs(top - margin - around), toMs(top + height + around)];
  return list.flatMap((item, place) => (item.end >= from && item.start <= to ? [{ ...item, place }] : []));
};
