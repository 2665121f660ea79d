/** A stretch of the track by the captions it begins and ends with. */
import type { Caption } from '../../../core/model/caption.ts';

export interface Ends {
  readonly first: string;
  readonly last: string;
}

/** Places of the first and the last caption; null while either is not there. */
export function placesOfEnds(
  captions: readonly Caption[],
  ends: Ends | null,
): { readonly from: number; readonly to: number } | null {
  if (!ends) return null;
  const from = captions.findIndex((c) => c.id === ends.first);
  const to = captions.findIndex((c) => c.id === ends.last);
  return from >= 0 && to >= from ? { from, to } : null;
}
