/** Typing while it plays: playback holds, and goes on when the word is written. */
import type { Ref } from 'vue';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import type { holdWhileTyping } from './hold.ts';
import type { Player } from './player.ts';

/** What typing has to know of what plays, and ends. */
interface Playing {
  /** Whether what plays is ended by typing for good. */
  readonly isBrief: () => boolean;
  readonly pause: () => void;
  /** Somebody listens along and corrects. */
  readonly along: Ref<boolean>;
}

export function typingBeside(
  player: Player,
  hold: ReturnType<typeof holdWhileTyping>,
  { isBrief, pause, along }: Playing,
) {
  const cursor = useCursor();
  const preferences = usePreferences();
  return {
    /** Holds until something is typed, and a moment after that goes on; held already, it stays so. */
    holdForTyping: (): void => {
      if (!player.runs() && hold.state() !== 'holding') return;
      pause();
      hold.wait();
      along.value = true;
    },
    /** A key was typed: playback holds, and goes on a moment after the last key. */
    typed: (): void => {
      cursor.follow = false;
      if (!preferences.holdWhileTyping || (!player.runs() && hold.state() === 'off')) return;
      if (isBrief()) {
        pause();
        return;
      }
      player.pause();
      hold.key();
    },
  };
}
