/**
 * Reads WAV files of plain samples: 16-bit whole numbers, as most tools write them. RIFF and WAVE as the Multimedia
 * Programming Interface (IBM and Microsoft, 1991) lays them out; from memory.
 */

export interface WavForm {
  /** Samples in a second. */
  readonly rate: number;
  readonly channels: number;
  /** Where the samples begin, and how long they are, in bytes. */
  readonly at: number;
  readonly bytes: number;
}

const bytesInSample = 2;
/** Plain samples, and those whose kind stands further on. */
const [plain, extensible] = [1, 0xfffe];

/**
 * What the beginning of a file says of its samples; null where it is no such file.
 * @param head as much of the file as holds its header; a few thousand bytes are plenty
 * @param size of the whole file, in bytes: files that were cut say more than they hold
 */
export function wavForm(head: Uint8Array, size: number): WavForm | null {
  const view = new DataView(head.buffer, head.byteOffset, head.byteLength);
  const nameAt = (at: number): string =>
    Array.from(head.subarray(at, at + 4), (byte) => String.fromCharCode(byte)).join('');
  if (head.length < 12 || nameAt(0) !== 'RIFF' || nameAt(8) !== 'WAVE') return null;
  let form: { readonly rate: number; readonly channels: number } | null = null;
  for (let at = 12; at + 8 <= head.length;) {
    const name = nameAt(at);
    const length = view.getUint32(at + 4, true);
    const body = at + 8;
    if (name === 'fmt ' && body + 16 <= head.length) {
      const kind = view.getUint16(body, true);
      const isPlain =
        kind === plain ||
        (kind === extensible && body + 26 <= head.length && view.getUint16(body + 24, true) === plain);
      const channels = view.getUint16(body + 2, true);
      const rate = view.getUint32(body + 4, true);
      if (!isPlain || view.getUint16(body + 14, true) !== bytesInSample * 8 || channels === 0 || rate === 0)
        return null;
      form = { rate, channels };
    } else if (name === 'data') {
      // Whoever wrote it into a pipe, or was cut off, could not say how long it became: all that is there.
      const said = length === 0 ? Infinity : length;
      return form && { ...form, at: body, bytes: Math.max(0, Math.min(said, size - body)) };
    }
    // Each part begins at an even place.
    at = body + length + (length % 2);
  }
  return null;
}

/** From speech over a bad line to the finest that is recorded, in samples a second. */
const [lowestRate, highestRate] = [1000, 768_000];
/** Whether a recording may have this rate; one outside says that its header is damaged. */
export const isRecordedRate = (rate: number): boolean => rate >= lowestRate && rate <= highestRate;

/** Samples of all channels as one, -1 to 1. @param bytes whole samples of all channels */
export function wavSamples(bytes: Uint8Array, { channels }: Pick<WavForm, 'channels'>): Float32Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const samples = new Float32Array(Math.floor(bytes.length / (bytesInSample * channels)));
  for (let i = 0; i < samples.length; i++) {
    let sum = 0;
    for (let c = 0; c < channels; c++) sum += view.getInt16((i * channels + c) * bytesInSample, true);
    samples[i] = sum / channels / 32_768;
  }
  return samples;
}
/** Bytes of one moment of all channels. */
export const wavStep = ({ channels }: Pick<WavForm, 'channels'>): number => channels * bytesInSample;
