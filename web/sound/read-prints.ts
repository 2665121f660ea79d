/** What a recording sounds like along its length, so that two cuts of it can be held against each other. */
import { ALL_FORMATS, AudioSampleSink, BlobSource, Input, UrlSource } from 'mediabunny';
import { fingerprinter, type Fingerprint } from '../../core/recut/fingerprint.ts';
import { mixed } from './mixed.ts';
import { soundTrack, SoundTrouble } from './sound-track.ts';

export interface PrintsRequest {
  /** A recording of the server’s, or a file that need not be one. */
  readonly printsOf: string | Blob;
  /** Which of its sound tracks, from 0. */
  readonly track: number;
}
export interface Printed {
  readonly prints: Fingerprint;
  /** In ms. */
  readonly length: number;
}
/** Two recordings that are to be held against each other. */
export interface CompareRequest {
  readonly was: Fingerprint;
  readonly now: Fingerprint;
}
/** Sound that begins later than what came before ends is silence between, from so many seconds on. */
const gap = 0.005;
/** Silence is given in pieces of so many seconds. */
const silenceStep = 10;

/** @param tell told the share that is read @throws {SoundTrouble} */
export async function readPrints(
  { printsOf: from, track: nth }: PrintsRequest,
  tell: (share: number) => void,
): Promise<Printed> {
  const source = typeof from === 'string' ? new UrlSource(from) : new BlobSource(from);
  const input = new Input({ source, formats: ALL_FORMATS });
  try {
    const track = await soundTrack(input, nth).catch((error: unknown) => {
      if (error instanceof SoundTrouble) throw error;
      throw new SoundTrouble('This file is no recording that can be read here.');
    });
    if (!track) throw new SoundTrouble('This recording has no sound to compare.');
    const length = await track.computeDuration();
    const prints = fingerprinter();
    let [heard, told] = [0, 0];
    for await (const sample of new AudioSampleSink(track).samples()) {
      const { timestamp, sampleRate } = sample;
      for (let missing = timestamp - heard; missing > gap; missing = timestamp - heard) {
        const silence = new Float32Array(Math.max(1, Math.round(Math.min(missing, silenceStep) * sampleRate)));
        prints.push(silence, sampleRate);
        heard += silence.length / sampleRate;
      }
      const mix = mixed(sample);
      sample.close();
      // What comes twice, or before the beginning, is left out.
      const late = Math.max(0, Math.round((heard - timestamp) * sampleRate));
      prints.push(late > gap * sampleRate ? mix.subarray(late) : mix, sampleRate);
      heard = Math.max(heard, timestamp + mix.length / sampleRate);
      if (length > 0 && timestamp / length - told >= 0.01) tell((told = timestamp / length));
    }
    return { prints: prints.finish(), length: Math.round(heard * 1000) };
  } finally {
    input.dispose();
  }
}
