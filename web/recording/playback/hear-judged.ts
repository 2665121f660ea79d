/** Hearing what is judged: the player goes on from there, and the cursor stays. */
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePlayback } from './playback.ts';

export function useHearJudged() {
  const cursor = useCursor();
  const playback = usePlayback();
  /** Plays from a moment. @param at in ms @param lead so much is heard before it, in ms */
  return (at: number, lead: number): void => {
    playback.seek(Math.max(0, at - lead));
    playback.play();
    cursor.follow = false;
  };
}
