/**
 * Sound as it comes from a decoder, in pieces with times of their own, as one stream at one rate: what is missing between
 * two pieces is silence, and what was there before is passed over.
 */
import { resampler, type Resampler } from './resample.ts';

/** Times that are written into a recording are off by as much; more, and something is missing or said twice. In seconds. */
const tolerance = 0.005;
/** Silence is made in steps of so many seconds. */
const silenceStep = 10;

export interface SteadySound {
  /**
   * Takes the next samples of all channels as one, -1 to 1, in order of time.
   * @param start of the first, in seconds @param rate samples in a second
   */
  readonly push: (samples: Float32Array, start: number, rate: number) => void;
  /** Gives what is left; nothing comes after it. */
  readonly finish: () => void;
  /** How far it has come, in seconds. */
  readonly heard: () => number;
}

/**
 * @param to samples in a second of what is given
 * @param take is given the next samples
 * @param from where the stream begins, in seconds
 */
export function steadySound(to: number, take: (samples: Float32Array) => void, from = 0): SteadySound {
  let rateNow = 0;
  let down: Resampler | null = null;
  let heard = from;
  function hear(samples: Float32Array): void {
    heard += samples.length / rateNow;
    take(down ? down.push(samples) : samples);
  }
  function finish(): void {
    if (down) take(down.finish());
  }
  return {
    push(samples, start, rate) {
      if (rate !== rateNow) {
        finish();
        rateNow = rate;
        down = rate === to ? null : resampler(rate, to);
      }
      for (let missing = start - heard; missing > tolerance; missing = start - heard)
        hear(new Float32Array(Math.max(1, Math.round(Math.min(missing, silenceStep) * rate))));
      const twice = heard - start;
      hear(twice > tolerance ? samples.subarray(Math.round(twice * rate)) : samples);
    },
    finish,
    heard: () => heard,
  };
}
