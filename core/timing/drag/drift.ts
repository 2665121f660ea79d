/** How captions stand against speech along a recording: what runs away, and where it jumps, is seen before anything is moved. */
import { bisector } from 'd3-array';
import type { Stretch } from '../../audio/regions.ts';
import type { Timed } from './move.ts';

export interface Drift {
  /** Where the caption begins, in ms. */
  readonly at: number;
  /** How late it is against the speech that starts nearest to it, in ms; negative where it is early. */
  readonly by: number;
}

const byStart = bisector((each: Stretch) => each.start);

/** The drift of each caption; none where nobody speaks. @param speech in order of time */
export function driftOf(captions: readonly Timed[], speech: readonly Stretch[]): Drift[] {
  return captions.flatMap(({ start }): Drift[] => {
    const after = byStart.left(speech, start);
    const near = [speech[after - 1], speech[after]].filter((each) => each !== undefined);
    if (near.length === 0) return [];
    const offsets = near.map((each) => start - each.start);
    return [{ at: start, by: offsets.reduce((least, by) => (Math.abs(by) < Math.abs(least) ? by : least)) }];
  });
}
