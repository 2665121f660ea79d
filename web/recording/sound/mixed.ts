/** Sound as one channel. */
import type { AudioSample } from 'mediabunny';

/** The channels of a sample as one, and each told by itself. */
export function mixed(sample: AudioSample, each: (channel: Float32Array) => void = () => undefined): Float32Array {
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
