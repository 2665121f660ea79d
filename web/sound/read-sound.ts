/** Reads the sound of a recording piece by piece, so that never more than a moment of it is in memory. */
import { ALL_FORMATS, AudioSampleSink, Input, UrlSource } from 'mediabunny';
import { peakReader } from '../../core/speech/peaks.ts';

/** Why the sound could not be read, as a sentence. */
export class SoundTrouble extends Error {
  override readonly name = 'SoundTrouble';
}

/**
 * How loud a recording is along its length; empty where it has no sound.
 * @param url of the recording, which is fetched in ranges
 * @param length in ms, as far as it is known
 * @param progress told the share that is read, 0 to 1
 * @throws {SoundTrouble}
 */
export async function readPeaks(url: string, length: number, progress: (share: number) => void): Promise<Uint8Array> {
  const input = new Input({ source: new UrlSource(url), formats: ALL_FORMATS });
  const peaks = peakReader(length);
  try {
    const track = await input.getPrimaryAudioTrack().catch(() => {
      throw new SoundTrouble(
        'The sound of this recording is in no form that can be read here. Timing works without it.',
      );
    });
    if (!track) return new Uint8Array();
    if (!(await track.canDecode()))
      throw new SoundTrouble(
        `This browser cannot decode the sound of this recording (${(await track.getCodecParameterString()) ?? 'unknown'}). Timing works without it.`,
      );
    let told = 0;
    for await (const sample of new AudioSampleSink(track).samples()) {
      const plane = new Float32Array(sample.numberOfFrames);
      for (let channel = 0; channel < sample.numberOfChannels; channel++) {
        sample.copyTo(plane, { planeIndex: channel, format: 'f32-planar' });
        peaks.push(plane, sample.timestamp, sample.sampleRate);
      }
      sample.close();
      const share = length > 0 ? Math.min(1, (sample.timestamp * 1000) / length) : 0;
      if (share - told >= 0.01) progress((told = share));
    }
  } catch (error) {
    if (error instanceof SoundTrouble) throw error;
    // Cut in the middle: what was read of it stands.
    if (peaks.peaks().length === 0)
      throw new SoundTrouble('The sound of this recording could not be read. Timing works without it.');
  } finally {
    input.dispose();
  }
  return peaks.peaks().slice();
}
