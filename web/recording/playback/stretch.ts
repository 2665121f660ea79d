/** What plays when only a part of the recording is to be heard. */

export interface PlayedStretch {
  /** Where it ends, in ms. */
  readonly until: number;
  /** Where it begins again, in ms; null where it is heard once. */
  readonly again: number | null;
  /** A word or two, which typing ends for good. */
  readonly brief: boolean;
  /** Where the playhead goes after it, in ms; null where it stays. */
  readonly back: number | null;
}

/** Everything, to the end of the recording. */
export const noStretch: PlayedStretch = { until: Infinity, again: null, brief: false, back: null };

/** What comes at a moment: it goes on, begins again, or is over. @param time in ms */
export function afterMoment({ until, again }: PlayedStretch, time: number): 'goes on' | 'again' | 'over' {
  if (time < until) return 'goes on';
  return again === null ? 'over' : 'again';
}
