/** Where somebody wants to go, as it is typed. */
import { captionAt, type Caption } from '../../../core/model/caption.ts';
import type { FrameRate } from '../../../core/timing/clock/frames.ts';
import { readTime } from '../../../core/timing/clock/read-time.ts';

/** The caption to go to, and the moment where one is meant. */
export interface GoToPlace {
  /** Its id; null where there is no caption at all. */
  readonly caption: string | null;
  /** In ms; null where a caption was meant, which may have no times. */
  readonly ms: number | null;
}

/**
 * A whole number is that of a caption, from 1; everything else a time, as fields for times take it.
 * @returns what is wrong with it, as a sentence, where it is neither
 */
export function placeOf(
  typed: string,
  captions: readonly Caption[],
  { now, rate }: { readonly now: number; readonly rate: FrameRate | null },
): GoToPlace | { readonly fault: string } {
  const text = typed.trim();
  if (/^#?\d+$/.test(text)) {
    const wanted = captions[Number(text.replace('#', '')) - 1];
    if (!wanted)
      return {
        fault:
          captions.length === 0
            ? 'This track has no captions.'
            : `There are ${String(captions.length)} captions. Type a number up to that, or a time as 12:30.`,
      };
    return { caption: wanted.id, ms: wanted.timing === 'set' ? wanted.start : null };
  }
  const read = readTime(text, now, rate ?? { numerator: 25, denominator: 1 });
  if ('fault' in read) return read;
  const timed = captions.filter(({ timing }) => timing === 'set');
  const at = captionAt(timed, read.ms);
  return { caption: (timed[at] ?? timed[0])?.id ?? null, ms: read.ms };
}
