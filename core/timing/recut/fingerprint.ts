/**
 * What a recording sounds like, a hundred times a second: of each moment 32 bits, each saying whether the difference
 * between two neighbouring pitches grew or fell. That survives another encoding, another loudness and another format,
 * and is the same for speech, water and music. After Haitsma and Kalker, *A Highly Robust Audio Fingerprinting System*
 * (2002; from memory), with shorter frames, so that cuts are found to a few hundredths of a second.
 */
import { bins, frameSize, spectra } from '../../audio/spectrum.ts';
import { steadySound, type SteadySound } from '../../audio/steady-sound.ts';

/** Prints in a second. */
export const printsPerSecond = 100;
/** What is heard is below 2 kHz, in samples a second. */
const rate = 4000;
const hop = rate / printsPerSecond;
/** The pitches that are looked at, in Hz, shared out by their logarithms as ears hear them. */
const [lowest, highest, bands] = [280, 1950, 33];
/** Energy is held against that of as many prints before. */
const back = 3;
/** Sound this quiet, as a mean square, has no print: what is encoded of silence is chance. */
const silent = 1e-7;

export interface Fingerprint {
  readonly prints: Uint32Array;
  /** Which of them are of silence: 1 where they are. */
  readonly quiet: Uint8Array;
}
export interface Fingerprinter extends Pick<SteadySound, 'push' | 'heard'> {
  readonly finish: () => Fingerprint;
}

/** The first pitch of each band, and the one after the last. */
const edges = Array.from({ length: bands + 1 }, (_, i) =>
  Math.round((lowest * (highest / lowest) ** (i / bands) * frameSize) / rate),
);

/** Takes sound in pieces, one after another, and gives a print of each moment, by which cuts are found. */
export function fingerprinter(): Fingerprinter {
  const prints: number[] = [];
  const quiet: number[] = [];
  /** What no frame has begun in yet, and the frames before, for two at a time. */
  let held = new Float32Array();
  const magnitudes = new Float32Array(bins * 2);
  /** Differences between bands of the last prints, the newest last. */
  const recent: Float64Array[] = [];

  function print(at: number, energy: number): void {
    const now = new Float64Array(bands - 1);
    let before = 0;
    for (let band = 0; band < bands; band++) {
      let sum = 0;
      const [from, to] = [edges[band] ?? 0, Math.max((edges[band] ?? 0) + 1, edges[band + 1] ?? 0)];
      for (let bin = from; bin < to; bin++) sum += (magnitudes[at + bin] ?? 0) ** 2;
      if (band > 0) now[band - 1] = sum - before;
      before = sum;
    }
    recent.push(now);
    const old = recent.length > back ? recent.shift() : undefined;
    let bits = 0;
    for (let bit = 0; bit < bands - 1; bit++) if ((now[bit] ?? 0) > (old?.[bit] ?? 0)) bits |= 1 << bit;
    prints.push(bits >>> 0);
    quiet.push(energy < silent ? 1 : 0);
  }
  function take(samples: Float32Array): void {
    const all = new Float32Array(held.length + samples.length);
    all.set(held);
    all.set(samples, held.length);
    let at = 0;
    for (; at + hop + frameSize <= all.length; at += 2 * hop) {
      spectra(all, at, at + hop, magnitudes, 0);
      for (const [frame, from] of [
        [0, at],
        [bins, at + hop],
      ] as const) {
        let energy = 0;
        for (let i = 0; i < frameSize; i++) energy += (all[from + i] ?? 0) ** 2;
        print(frame, energy / frameSize);
      }
    }
    held = all.slice(at);
  }
  const sound = steadySound(rate, take);
  return {
    push: sound.push,
    heard: sound.heard,
    finish() {
      sound.finish();
      // What is left is shorter than two frames.
      take(new Float32Array(hop + frameSize));
      return { prints: Uint32Array.from(prints), quiet: Uint8Array.from(quiet) };
    },
  };
}

/** How many bits of two prints differ: 16 of 32 where they have nothing to do with each other. */
export function bitsApart(a: number, b: number): number {
  let bits = a ^ b;
  bits -= (bits >>> 1) & 0x55555555;
  bits = (bits & 0x33333333) + ((bits >>> 2) & 0x33333333);
  return (((bits + (bits >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
}
