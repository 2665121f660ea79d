/** Hearing where a tie leads: for people who cannot read the other language. */
import { usePlayback } from '../playback/playback.ts';
import { usePlace } from '../stores/place.ts';

/** So much is heard before a tie, in ms. */
const lead = 1000;

export function useTieSound() {
  const playback = usePlayback();
  const place = usePlace();
  /** Plays from a moment before where the caption would go. */
  function hear({ to }: { readonly to: number }): void {
    playback.seek(Math.max(0, to - lead));
    playback.play();
    // The cursor stays with the tie that is judged.
    place.follow = false;
  }
  return { hear };
}
