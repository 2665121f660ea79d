/** Hearing what is judged: the player goes on from there, and the cursor stays. */
import { usePlace } from '../../data/tracks/place.ts';
import { usePlayback } from './playback.ts';

export function useHearJudged() {
  const place = usePlace();
  const playback = usePlayback();
  /** Plays from a moment. @param at in ms @param lead so much is heard before it, in ms */
  return (at: number, lead: number): void => {
    playback.seek(Math.max(0, at - lead));
    playback.play();
    place.follow = false;
  };
}
