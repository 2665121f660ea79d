/** The first captions of a machine draft or a transcript: words with times, laid out by a house style. */
import type { HouseStyle } from '../style/style.ts';
import { usualRate } from '../timing/clock/frames.ts';
import { caption, type ReadCaption } from '../model/caption.ts';
import type { Ranged } from '../model/ranges.ts';
import { reflow } from './reflow.ts';

/** A word or many, with everything that hangs on them and the time they are said. */
export interface TimedPiece extends Ranged {
  /** In ms. */
  readonly start: number;
  /** In ms. */
  readonly end: number;
}

/**
 * Captions of pieces. Each begins with its first word and ends after its last, later where reading
 * needs it and the next leaves room.
 * @param pieces in order of time
 */
export function firstCaptions(pieces: readonly TimedPiece[], style: HouseStyle): ReadCaption[] {
  const captions = pieces.map((p) => caption({ ...p, id: '' }));
  return reflow(captions, { style, rate: usualRate }, () => '').map(({ id: _, ...rest }) => rest);
}
