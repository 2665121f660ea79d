/**
 * Sound at another number of samples in a second, as it comes in: each new sample is a sum of the old ones around its
 * moment, weighted by a sinc under Hann's window, which lets through what the lower of the two rates can hold. Nothing
 * is moved in time.
 */
import { sums } from './sums.ts';

/** Crossings of zero that the sinc has on each side: more is sharper and slower. */
const reach = 12;
/** The share of what could be held that is let through, so that the rest is gone before it would fold over. */
const through = 0.93;
/** New samples are made so many at a time. */
const four = 4;
/** So many old samples are looked at together at most. */
const most = 16_384;

export interface Resampler {
  /** Takes the next samples and gives as many new ones as these allow. */
  readonly push: (samples: Float32Array) => Float32Array;
  /** The last ones, for which nothing more comes. */
  readonly finish: () => Float32Array;
}

const greatestCommon = (a: number, b: number): number => (b === 0 ? a : greatestCommon(b, a % b));

/** @param from samples in a second of what comes, a whole number @param to samples in a second of what is given */
export function resampler(from: number, to: number): Resampler {
  const common = greatestCommon(from, to);
  /** Old samples for each new one, as a fraction: moments between old samples come round after so many new ones. */
  const [over, under] = [from / common, to / common];
  const band = Math.min(1, to / from) * through;
  const half = Math.ceil(reach / band);
  const taps = half * 2 + 1;
  /** The old sample that a new one stands at or after, and how far after, as a share. */
  const before = (n: number): number => Math.floor((n * over) / under);
  const after = (n: number): number => ((n * over) % under) / under;
  const columns = Math.ceil((taps + Math.ceil((over / under) * four)) / four) * four;
  const groups = under / greatestCommon(under, four);
  const weight = (away: number): number => {
    if (Math.abs(away) >= half) return 0;
    const x = Math.PI * away * band;
    return (x === 0 ? 1 : Math.sin(x) / x) * band * (0.5 + 0.5 * Math.cos((Math.PI * away) / half));
  };
  const window = half + columns + most;
  const { place, say } = sums(groups * four * columns + four * 2 + window);
  /** For each group of four, four rows over the old samples from the first one's reach on. */
  const weights = Array.from({ length: groups }, (_, group) => {
    const rows = place(four * columns);
    for (let row = 0; row < four; row++) {
      const n = group * four + row;
      const shift = before(n) - before(group * four);
      for (let tap = 0; tap < taps; tap++) rows[row * columns + shift + tap] = weight(tap - half - after(n));
    }
    return rows;
  });
  const [nothing, out] = [place(four), place(four)];
  /** What is still needed; before the beginning there is silence. */
  const old = place(window);
  /** How many of them there are, which old sample the first is, and which new one comes next. */
  let [many, first, next] = [half, -half, 0];

  /** @param last how many new samples are given at most, of those that are made in fours */
  function push(samples: Float32Array, last = Infinity): Float32Array {
    const given = new Float32Array(Math.ceil(((first + many + samples.length) * under) / over) - next + four);
    let count = 0;
    for (let taken = 0; taken < samples.length; taken += most) {
      const piece = samples.subarray(taken, taken + most);
      old.set(piece, many);
      many += piece.length;
      for (; ; count += four, next += four) {
        const start = before(next) - half - first;
        if (start + columns > many) break;
        say(weights[(next / four) % groups] ?? nothing, old, start, nothing, out, 0, four, columns);
        given.set(out, count);
      }
      const done = Math.min(many, Math.max(0, before(next) - half - first));
      old.copyWithin(0, done, many);
      first += done;
      many -= done;
    }
    return given.subarray(0, Math.min(count, last - (next - count)));
  }
  return {
    push,
    finish() {
      // As many as have their moment within what came.
      const whole = Math.ceil(((first + many) * under) / over);
      return push(new Float32Array(half + columns), whole);
    },
  };
}

/** All of a piece of sound at another rate. @param from samples in a second of it @param to samples in a second that are wanted */
export function resampled(samples: Float32Array, from: number, to: number): Float32Array {
  if (from === to) return samples;
  const down = resampler(from, to);
  const [body, tail] = [down.push(samples), down.finish()];
  const all = new Float32Array(body.length + tail.length);
  all.set(body);
  all.set(tail, body.length);
  return all;
}
