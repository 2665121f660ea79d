/**
 * Horns, hum, held chords: sound that a network of voices may take for one, and whose loudness tells otherwise. Speech
 * rises and falls by several dB with every syllable; a tone keeps to a line. Measured on the demo: over windows of 0.4 s
 * speech is 4 to 15 dB (standard deviation, middle of each stretch) off the line through its loudness, both horns 0.8.
 */

/** A tone, [start, end), in ms. */
interface Tone {
  readonly start: number;
  readonly end: number;
}

/** Windows of so many frames, a step apart. */
const [windowFrames, stepFrames] = [40, 10];
/** A tone is nearer than this to the line through its loudness, in dB, for at least so long, in ms: no vowel is held that long. */
const [nearLine, leastTone] = [1.6, 900];

/** How far loudness is from the line that fits it best, in dB (standard deviation). */
function offLine(loud: Float32Array, from: number, many: number): number {
  const middle = (many - 1) / 2;
  let [sum, slope, spread] = [0, 0, 0];
  for (let i = 0; i < many; i++) {
    const value = loud[from + i] ?? 0;
    sum += value;
    slope += (i - middle) * value;
    spread += (i - middle) ** 2;
  }
  const mean = sum / many;
  let squares = 0;
  for (let i = 0; i < many; i++) squares += ((loud[from + i] ?? 0) - mean - (slope / spread) * (i - middle)) ** 2;
  return Math.sqrt(squares / many);
}

/**
 * Stretches that sound on steadily; silence is one too.
 * @param loud how loud each frame is, in dB
 * @param frameMs length of a frame, in ms
 */
export function steadyTones(loud: Float32Array, frameMs: number): Tone[] {
  const found: Tone[] = [];
  let start = -1;
  let end = 0;
  const close = (): void => {
    if (start >= 0 && (end - start) * frameMs >= leastTone) found.push({ start: start * frameMs, end: end * frameMs });
    start = -1;
  };
  for (let at = 0; at + windowFrames <= loud.length; at += stepFrames) {
    if (offLine(loud, at, windowFrames) < nearLine) {
      if (start < 0) start = at;
      end = at + windowFrames;
    } else close();
  }
  close();
  return found;
}
