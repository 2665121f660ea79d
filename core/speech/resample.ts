/**
 * Sound at another number of samples in a second, as it comes in: each new sample is a sum of the old ones around its
 * moment, weighted by a sinc under Hann's window, which lets through what the lower of the two rates can hold. Nothing
 * is moved in time.
 */

/** Crossings of zero that the sinc has on each side: more is sharper and slower. */
const reach = 12;
/** The share of what could be held that is let through, so that the rest is gone before it would fold over. */
const through = 0.93;
/** Moments between two old samples that are told apart at most; rates with a small common ratio need fewer. */
const mostPhases = 640;

export interface Resampler {
  /** Takes the next samples and gives as many new ones as these allow. */
  readonly push: (samples: Float32Array) => Float32Array;
  /** The last ones, for which nothing more comes. */
  readonly finish: () => Float32Array;
}

const greatestCommon = (a: number, b: number): number => (b === 0 ? a : greatestCommon(b, a % b));

/** @param from samples in a second of what comes @param to samples in a second of what is given */
export function resampler(from: number, to: number): Resampler {
  const common = Number.isInteger(from) ? greatestCommon(from, to) : 1;
  const phases = Math.min(to / common, mostPhases);
  /** Old samples for each new one. */
  const step = from / to;
  const band = Math.min(1, to / from) * through;
  const half = Math.ceil(reach / band);
  const taps = half * 2 + 1;
  const weights = Float32Array.from({ length: (phases + 1) * taps }, (_, i) => {
    const away = (i % taps) - half - Math.floor(i / taps) / phases;
    if (Math.abs(away) >= half) return 0;
    const x = Math.PI * away * band;
    return (x === 0 ? 1 : Math.sin(x) / x) * band * (0.5 + 0.5 * Math.cos((Math.PI * away) / half));
  });
  /** What is still needed; before the beginning there is silence. */
  let kept = new Float32Array(half);
  /** Which old sample the first of `kept` is, and which new one comes next. */
  let first = -half;
  let next = 0;

  function push(samples: Float32Array): Float32Array {
    const all = new Float32Array(kept.length + samples.length);
    all.set(kept);
    all.set(samples, kept.length);
    const given = new Float32Array(Math.max(0, Math.ceil((first + all.length - half) / step) - next + 1));
    let count = 0;
    for (; ; count++, next++) {
      const moment = next * step;
      const before = Math.floor(moment);
      const start = before - half - first;
      if (start + taps > all.length) break;
      const phase = Math.round((moment - before) * phases) * taps;
      let sum = 0;
      for (let tap = 0; tap < taps; tap++) sum += (weights[phase + tap] ?? 0) * (all[start + tap] ?? 0);
      given[count] = sum;
    }
    const needed = Math.min(all.length, Math.max(0, Math.floor(next * step) - half - first));
    kept = all.slice(needed);
    first += needed;
    return given.subarray(0, count);
  }
  return { push, finish: () => push(new Float32Array(half)) };
}
