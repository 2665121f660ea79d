/** Where an edge that is moved comes to rest: at the nearest of what it may stand at, if that is near enough. */

export interface SnapTarget {
  /** In ms. */
  readonly at: number;
  /** What stands there, as people are told. */
  readonly what: 'speech' | 'word' | 'caption' | 'playhead' | 'frame';
}

/**
 * The nearest target within reach; of two that are as near the first. Null where none is.
 * @param within how far a target draws, in ms
 */
export function snapTo(to: number, targets: Iterable<SnapTarget>, within: number): SnapTarget | null {
  let found: SnapTarget | null = null;
  let nearest = within;
  for (const target of targets) {
    const away = Math.abs(target.at - to);
    if (away < nearest || (away === nearest && !found)) {
      nearest = away;
      found = target;
    }
  }
  return found;
}
