/** What a recording says of itself: its sound tracks, and how many pictures it has in a second. */
import { ALL_FORMATS, Input, UrlSource } from 'mediabunny';
import { nearRate, type FrameRate } from '../../../core/timing/clock/frames.ts';
import { soundTracks } from './sound-track.ts';

export interface AboutRequest {
  readonly about: string;
}
export interface SoundTrackName {
  /** BCP 47, or as the recording has it; null where it says nothing. */
  readonly language: string | null;
  readonly name: string | null;
  readonly channels: number;
}
export interface AboutRecording {
  /** In the order of their numbers. */
  readonly sounds: readonly SoundTrackName[];
  /** Null where it has no pictures, or none that come at a usual rate. */
  readonly rate: FrameRate | null;
}

/** So many pictures tell the rate of all. */
const enough = 240;

/** @throws {SoundTrouble} */
export async function readAbout({ about }: AboutRequest): Promise<AboutRecording> {
  const input = new Input({ source: new UrlSource(about), formats: ALL_FORMATS });
  try {
    const tracks = await soundTracks(input);
    const sounds = tracks.map(async (track) => {
      const language = await track.getLanguageCode();
      return {
        language: language === 'und' ? null : language,
        name: (await track.getName()) ?? null,
        channels: await track.getNumberOfChannels(),
      };
    });
    const picture = await input.getPrimaryVideoTrack();
    const counted = await picture?.computePacketStats(enough).catch(() => null);
    return { sounds: await Promise.all(sounds), rate: counted ? nearRate(counted.averagePacketRate) : null };
  } finally {
    input.dispose();
  }
}
