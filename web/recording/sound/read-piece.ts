/** Decodes a piece of the sound of a recording, to be played with ends that are exact. */
import { ALL_FORMATS, AudioSampleSink, Input, UrlSource, type InputAudioTrack } from 'mediabunny';
import { soundTrack } from './sound-track.ts';

export interface PieceRequest {
  readonly url: string;
  /** Which of its sound tracks, from 0. */
  readonly track: number;
  /** In seconds. */
  readonly from: number;
  readonly until: number;
}
/** Sound from `from` on; what the recording has none of is silence. */
export interface SoundPiece {
  readonly channels: readonly Float32Array<ArrayBuffer>[];
  readonly rate: number;
  readonly from: number;
}

/** A piece of a sound track. @param from in seconds @param until in seconds */
export async function pieceOf(track: InputAudioTrack, from: number, until: number): Promise<SoundPiece> {
  const rate = await track.getSampleRate();
  const frames = Math.ceil((until - from) * rate);
  const channels = Array.from({ length: await track.getNumberOfChannels() }, () => new Float32Array(frames));
  for await (const sample of new AudioSampleSink(track).samples(from, until)) {
    const plane = new Float32Array(sample.numberOfFrames);
    const at = Math.round((sample.timestamp - from) * rate);
    const [first, last] = [Math.max(0, -at), Math.min(plane.length, frames - at)];
    for (const [planeIndex, channel] of channels.entries()) {
      if (planeIndex >= sample.numberOfChannels || last <= first) continue;
      sample.copyTo(plane, { planeIndex, format: 'f32-planar' });
      channel.set(plane.subarray(first, last), at + first);
    }
    sample.close();
  }
  return { channels, rate, from };
}

/** Null where the recording has no sound. @throws {SoundTrouble} */
export async function readPiece({ url, track: nth, from, until }: PieceRequest): Promise<SoundPiece | null> {
  const input = new Input({ source: new UrlSource(url), formats: ALL_FORMATS });
  try {
    const track = await soundTrack(input, nth);
    return track && (await pieceOf(track, from, until));
  } finally {
    input.dispose();
  }
}
