/** The sound tracks of a recording, and why one cannot be read. */
import type { Input, InputAudioTrack } from 'mediabunny';

/** Why the sound could not be read, as a sentence. */
export class SoundTrouble extends Error {
  override readonly name = 'SoundTrouble';
}

const unreadable = (): never => {
  throw new SoundTrouble('The sound of this recording is in no form that can be read here. Timing works without it.');
};

/** All of them, the one that players take first. @throws {SoundTrouble} */
export async function soundTracks(input: Input): Promise<InputAudioTrack[]> {
  const first = await input.getPrimaryAudioTrack().catch(unreadable);
  const all = await input.getAudioTracks().catch(unreadable);
  return first ? [first, ...all.filter((track) => track.id !== first.id)] : all;
}

/** @param nth of them, from 0; the first where there are not so many @returns null where there is none @throws {SoundTrouble} */
export async function soundTrack(input: Input, nth: number): Promise<InputAudioTrack | null> {
  const all = await soundTracks(input);
  const track = all[nth] ?? all[0] ?? null;
  if (track && !(await track.canDecode()))
    throw new SoundTrouble(
      `This browser cannot decode the sound of this recording (${(await track.getCodecParameterString()) ?? 'unknown'}). Timing works without it.`,
    );
  return track;
}
