/** Reads the sound of a recording piece by piece, so that never more than a moment of it is in memory. */
import { ALL_FORMATS, AudioSampleSink, Input, UrlSource, type AudioSample } from 'mediabunny';
import { peakReader } from '../../core/speech/peaks.ts';
import type { Regions } from '../../core/speech/regions.ts';
import { soundReader } from '../../core/speech/sound-reader.ts';
import { voiceWeights } from '../../core/speech/voice-net.ts';
import { soundTrack, SoundTrouble } from './sound-track.ts';

/** What is heard in a recording. */
export interface Heard {
  /** How loud it is along its length; empty where it has no sound. */
  readonly peaks: Uint8Array<ArrayBuffer>;
  readonly regions: Regions;
}
const silent: Heard = { peaks: new Uint8Array(), regions: { speech: [], sound: [] } };

const weights = async () => {
  const response = await fetch(new URL('../../core/speech/voice-net.bin', import.meta.url));
  if (!response.ok) throw new SoundTrouble('What tells speech from other sound could not be fetched. Try again.');
  return voiceWeights(await response.arrayBuffer());
};

/** The channels of a sample as one, and each told by itself. */
function mixed(sample: AudioSample, each: (channel: Float32Array) => void): Float32Array {
  const channels = sample.numberOfChannels;
  const mix = new Float32Array(sample.numberOfFrames);
  const plane = channels === 1 ? mix : new Float32Array(sample.numberOfFrames);
  for (let channel = 0; channel < channels; channel++) {
    sample.copyTo(plane, { planeIndex: channel, format: 'f32-planar' });
    each(plane);
    if (channels > 1) for (let i = 0; i < plane.length; i++) mix[i] = (mix[i] ?? 0) + (plane[i] ?? 0) / channels;
  }
  return mix;
}

/**
 * How loud a recording is along its length, and where speech and other sound is in it.
 * @param url of the recording, which is fetched in ranges
 * @param length in ms, as far as it is known
 * @param progress told the share that is read, 0 to 1
 * @throws {SoundTrouble}
 */
export async function readSound(url: string, length: number, progress: (share: number) => void): Promise<Heard> {
  const input = new Input({ source: new UrlSource(url), formats: ALL_FORMATS });
  try {
    const track = await soundTrack(input);
    if (!track) return silent;
    const peaks = peakReader(length);
    const voices = soundReader(await weights());
    let told = 0;
    try {
      for await (const sample of new AudioSampleSink(track).samples()) {
        const { timestamp, sampleRate } = sample;
        const mix = mixed(sample, (channel) => peaks.push(channel, timestamp, sampleRate));
        voices.push(mix, timestamp, sampleRate);
        sample.close();
        const share = length > 0 ? Math.min(1, (timestamp * 1000) / length) : 0;
        if (share - told >= 0.01) progress((told = share));
      }
    } catch {
      // Cut in the middle: what was read of it stands.
      if (peaks.peaks().length === 0)
        throw new SoundTrouble('The sound of this recording could not be read. Timing works without it.');
    }
    return { peaks: peaks.peaks().slice(), regions: voices.finish() };
  } finally {
    input.dispose();
  }
}
