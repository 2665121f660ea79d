/** What sound tracks a recording has, as its header says. */
import { ALL_FORMATS, Input, UrlSource } from 'mediabunny';
import { soundTracks } from './sound-track.ts';

export interface TracksRequest {
  readonly tracksOf: string;
}
export interface SoundTrackName {
  /** BCP 47, or as the recording has it; null where it says nothing. */
  readonly language: string | null;
  readonly name: string | null;
  readonly channels: number;
}

/** In the order of their numbers. @throws {SoundTrouble} */
export async function readTracks({ tracksOf }: TracksRequest): Promise<readonly SoundTrackName[]> {
  const input = new Input({ source: new UrlSource(tracksOf), formats: ALL_FORMATS });
  try {
    const tracks = await soundTracks(input);
    return await Promise.all(
      tracks.map(async (track) => {
        const language = await track.getLanguageCode();
        return {
          language: language === 'und' ? null : language,
          name: (await track.getName()) ?? null,
          channels: await track.getNumberOfChannels(),
        };
      }),
    );
  } finally {
    input.dispose();
  }
}
