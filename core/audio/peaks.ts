/**
 * How loud a recording is along its length: the highest sample of every hundredth of a second, as a byte, and levels
 * that gather four of the level below, so that any stretch at any scale is a few steps away.
 */

/** Raised where peaks come out otherwise than before, so that those that are kept are read again. */
export const peaksMethod = 1;
/** Windows in a second. */
export const peaksPerSecond = 100;
/** One cell of a level gathers so many of the level below. */
const gather = 4;
/** A level this short is gathered no further. */
const shortest = 512;

/** Each level from the finest; a value of 255 is the loudest there can be. */
export type Peaks = readonly Uint8Array[];

export interface PeakReader {
  /**
   * Takes samples of one channel, -1 to 1, in any order of time; what was there before stays where it was louder.
   * @param start of the first of them, in seconds; sound before 0 is passed over
   * @param rate samples in a second
   */
  readonly push: (samples: Float32Array, start: number, rate: number) => void;
  /** The finest level so far. */
  readonly peaks: () => Uint8Array;
}

/**
 * @param length expected, in ms; more may come
 * @param before what was read another time; it goes on behind
 * @param perSecond windows in a second
 */
export function peakReader(
  length: number,
  before: Uint8Array = new Uint8Array(),
  perSecond: number = peaksPerSecond,
): PeakReader {
  let cells = new Uint8Array(Math.max(1, before.length, Math.ceil((length / 1000) * perSecond)));
  cells.set(before);
  let used = before.length;
  function put(cell: number, peak: number): void {
    if (cell >= cells.length) {
      const more = new Uint8Array(Math.max(cell + 1, cells.length * 2));
      more.set(cells);
      cells = more;
    }
    const value = Math.min(255, Math.round(peak * 255));
    if (value > (cells[cell] ?? 0)) cells[cell] = value;
    used = Math.max(used, cell + 1);
  }
  return {
    push(samples, start, rate) {
      let at = Math.max(0, Math.ceil(-start * rate));
      while (at < samples.length) {
        // A tiny step on, so that a sample that stands on a boundary is not put before it by rounding.
        const cell = Math.floor((start + at / rate) * perSecond + 1e-6);
        const until = Math.min(samples.length, Math.ceil(((cell + 1) / perSecond - start) * rate - 1e-6));
        let peak = 0;
        const last = Math.max(at + 1, until);
        for (; at < last; at++) {
          const sample = Math.abs(samples[at] ?? 0);
          if (sample > peak) peak = sample;
        }
        put(cell, peak);
      }
    },
    peaks: () => cells.subarray(0, used),
  };
}

/** All levels over the finest. */
export function levelsOf(finest: Uint8Array): Peaks {
  const levels = [finest];
  for (let below = finest; below.length > shortest; below = levels.at(-1) ?? below) {
    const level = new Uint8Array(Math.ceil(below.length / gather));
    for (let i = 0; i < below.length; i++) {
      const cell = Math.floor(i / gather);
      const value = below[i] ?? 0;
      if (value > (level[cell] ?? 0)) level[cell] = value;
    }
    levels.push(level);
  }
  return levels;
}

/** The loudest of a stretch, 0 to 255; 0 where the recording has no sound. @param from in ms @param to in ms @param perSecond windows of the finest level in a second */
export function peakWithin(levels: Peaks, from: number, to: number, perSecond: number = peaksPerSecond): number {
  let size = 1000 / perSecond;
  let level = 0;
  while (level + 1 < levels.length && size * gather <= to - from) {
    size *= gather;
    level++;
  }
  const cells = levels[level];
  if (!cells) return 0;
  let peak = 0;
  const last = Math.max(Math.floor(from / size) + 1, Math.ceil(to / size));
  for (let i = Math.max(0, Math.floor(from / size)); i < last && i < cells.length; i++)
    peak = Math.max(peak, cells[i] ?? 0);
  return peak;
}

/** How far out a peak is drawn, 0 to 1: speech is seldom loud, and the root brings out what is soft. @param peak 0 to 255 */
export const shownLoud = (peak: number): number => Math.sqrt(peak / 255);
