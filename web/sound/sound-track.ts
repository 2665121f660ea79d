/** The sound track of a recording, and why it cannot be read. */
import type { Input, InputAudioTrack } from 'mediabunny';

/** Why the sound could not be read, as a sentence. */
export class SoundTrouble extends Error {
  override readonly name = 'SoundTrouble';
}

/** Null where there is none. @throws {SoundTrouble} */
export async function soundTrack(input: Input): Promise<InputAudioTrack | null> {
  const track = await input.getPrimaryAudioTrack().catch(() => {
    throw new SoundTrouble('The sound of this recording is in no form that can be read here. Timing works without it.');
  });
  if (track && !(await track.canDecode()))
    throw new SoundTrouble(
      `This browser cannot decode the sound of this recording (${(await track.getCodecParameterString()) ?? 'unknown'}). Timing works without it.`,
    );
  return track;
}
