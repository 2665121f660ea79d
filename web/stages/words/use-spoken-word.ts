/** The word that is being said while the recording plays. */
import { computed, type ComputedRef } from 'vue';
import { captionAt } from '../../../core/model/caption.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useTrack } from '../../data/tracks/track.ts';

export interface SpokenWord {
  readonly id: string;
  readonly from: number;
  readonly to: number;
}

/** A word is shown so much before it begins, in ms: the eye is there when the ear is. */
const lead = 40;

export function useSpokenWord(): ComputedRef<SpokenWord | null> {
  const playback = usePlayback();
  const track = useTrack();
  return computed((before?: SpokenWord | null) => {
    if (!playback.playing) return null;
    const time = playback.time + lead;
    const caption = track.captions[captionAt(track.captions, time)];
    const word = caption?.words.findLast((w) => w[2] <= time);
    if (!caption || !word || time > word[3] + 300) return null;
    const [from, to] = word;
    // The same word is the same value, so that nobody is told of it again.
    return before?.id === caption.id && before.from === from && before.to === to
      ? before
      : { id: caption.id, from, to };
  });
}
