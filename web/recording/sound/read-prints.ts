/** What a recording sounds like along its length, so that two cuts of it can be held against each other. */
import { ALL_FORMATS, AudioSampleSink, BlobSource, Input, UrlSource } from 'mediabunny';
import { fingerprinter, type Fingerprint } from '../../../core/timing/recut/fingerprint.ts';
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
    let told = 0;
    for await (const sample of new AudioSampleSink(track).samples()) {
      const { timestamp, sampleRate } = sample;
      const mix = mixed(sample);
      sample.close();
      prints.push(mix, timestamp, sampleRate);
      if (length > 0 && timestamp / length - told >= 0.01) tell((told = timestamp / length));
    }
    return { prints: prints.finish(), length: Math.round(prints.heard() * 1000) };
  } finally {
    input.dispose();
  }
}
