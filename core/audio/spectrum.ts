/**
 * How much of each pitch two frames of sound hold, by a fast Fourier transform in index: two frames of real samples
 * are one of complex ones, whose halves are told apart afterwards. Cooley and Tukey, radix 2.
 */

/** Samples in a frame. */
export const frameSize = 256;
/** Pitches told of a frame, from none to half the samples in a second. */
export const bins = frameSize / 2 + 1;

const mirroredIndexes = Uint16Array.from({ length: frameSize }, (_, i) => {
  let mirrored = 0;
  for (let bit = 1; bit < frameSize; bit <<= 1) mirrored = (mirrored << 1) | (i & bit ? 1 : 0);
  return mirrored;
});
const cosines = Float64Array.from({ length: frameSize / 2 }, (_, i) => Math.cos((2 * Math.PI * i) / frameSize));
const sines = Float64Array.from({ length: frameSize / 2 }, (_, i) => -Math.sin((2 * Math.PI * i) / frameSize));
/** Hann's window, periodic. */
const hann = Float64Array.from({ length: frameSize }, (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * i) / frameSize));
const real = new Float64Array(frameSize);
const imaginary = new Float64Array(frameSize);

/**
 * Writes the magnitudes of two frames, each under Hann's window.
 * @param from where the first frame begins in the samples
 * @param other where the second begins
 * @param into receives those of the first at `at`, those of the second right after
 */
export function spectra(samples: Float32Array, from: number, other: number, into: Float32Array, at: number): void {
  for (let i = 0; i < frameSize; i++) {
    const index = mirroredIndexes[i] ?? 0;
    const weight = hann[i] ?? 0;
    real[index] = (samples[from + i] ?? 0) * weight;
    imaginary[index] = (samples[other + i] ?? 0) * weight;
  }
  for (let half = 1; half < frameSize; half *= 2) {
    const step = frameSize / (half * 2);
    for (let start = 0; start < frameSize; start += half * 2)
      for (let k = 0; k < half; k++) {
        const a = start + k;
        const b = a + half;
        const c = cosines[k * step] ?? 0;
        const s = sines[k * step] ?? 0;
        const br = real[b] ?? 0;
        const bi = imaginary[b] ?? 0;
        const tr = br * c - bi * s;
        const ti = br * s + bi * c;
        const ar = real[a] ?? 0;
        const ai = imaginary[a] ?? 0;
        real[a] = ar + tr;
        imaginary[a] = ai + ti;
        real[b] = ar - tr;
        imaginary[b] = ai - ti;
      }
  }
  for (let k = 0; k < bins; k++) {
    const mirror = (frameSize - k) % frameSize;
    const r = real[k] ?? 0;
    const i = imaginary[k] ?? 0;
    const mr = real[mirror] ?? 0;
    const mi = imaginary[mirror] ?? 0;
    into[at + k] = Math.sqrt((r + mr) ** 2 + (i - mi) ** 2) / 2;
    into[at + bins + k] = Math.sqrt((i + mi) ** 2 + (mr - r) ** 2) / 2;
  }
}
