/** Files that count from a whole hour though their recording begins at 0. */
import type { Caption } from '../../model/caption.ts';

const hour = 3_600_000;
/** Programmes begin at one of these on tape (common practice), the later first. */
const usual = [10 * hour, hour];

/**
 * What such a file counts from, in ms; null where it does not.
 * @param length of the recording in ms; null where it is not known, or there is none
 */
export function hourCountedFrom(captions: readonly Caption[], length: number | null): number | null {
  const first = captions.find((c) => c.timing === 'set');
  // In a recording that is as long as that, captions may well begin there.
  if (!first || (length !== null && first.start < length)) return null;
  return usual.find((from) => first.start >= from && first.start < from + hour) ?? null;
}
