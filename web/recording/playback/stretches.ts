/** Parts of the recording that are played by themselves: captions, what stands beside the playhead, a moment again and again. */
import { useCursor } from '../../data/tracks/cursor.ts';
import { useJob } from '../../data/jobs/job.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { pieceClient } from '../sound/sound-client.ts';
import { exactLoop, type ExactLoop } from './exact-loop.ts';
import type { Glances } from './glance.ts';
import type { Player } from './player.ts';
import { noStretch, type PlayedStretch } from './stretch.ts';

/** What is replayed plays on for so long after its end, in ms, so that its last sound is heard whole. */
const afterEnd = 150;

/** How what is heard is told to go on. */
export interface Controls {
  readonly stretch: () => PlayedStretch;
  readonly setStretch: (to: PlayedStretch) => void;
  readonly start: () => void;
  readonly pause: () => void;
  /** Goes to a time in ms. */
  readonly seek: (ms: number) => void;
}

/** The sound around a moment, exact to the sample, while the element runs along with its own sound off. */
export function exactSound(player: Player, start: () => void, shown: Glances): ExactLoop {
  const job = useJob();
  const preferences = usePreferences();
  const pieces = pieceClient();
  return exactLoop(
    async (piece) =>
      job.recordingUrl ? pieces.ask({ url: job.recordingUrl, track: job.job?.soundTrack ?? 0, ...piece }) : null,
    ({ from }) => {
      shown.forget();
      return player.ready(from * 1000);
    },
    start,
    () => ({ click: preferences.edgeClick, volume: preferences.volume }),
  );
}

export function stretches(player: Player, { stretch, setStretch, start, pause, seek }: Controls) {
  const cursor = useCursor();
  const track = useTrack();
  const preferences = usePreferences();
  let heldFrom: number | null = null;

  function play(from: number, until: number, more: Partial<PlayedStretch> = {}): void {
    setStretch(noStretch);
    seek(from);
    setStretch({ ...noStretch, until, ...more });
    start();
  }
  /** Plays the captions from one index to another, and stops after the last. */
  function replay(first: number, last: number, more: Partial<PlayedStretch> = {}): void {
    const from = track.captions[Math.max(0, first)];
    const to = track.captions[Math.min(track.captions.length - 1, last)];
    if (from && to) play(from.start, to.end + afterEnd, more);
  }
  return {
    play,
    replay: (first: number, last: number): void => replay(first, last),
    /** Lets a word or two be heard, from one time to another in ms; what is typed ends that for good. */
    hear: (from: number, to: number): void => play(from, to, { brief: true }),
    /** Plays what stands right before the playhead or after it, and leaves the playhead where it was. */
    hearBeside(side: 'before' | 'after'): void {
      const at = player.time.value;
      if (side === 'before') play(Math.max(0, at - preferences.edgeSpan), at);
      else play(at, at + preferences.edgeSpan, { back: at });
    },
    /** Plays until it is let go, and goes back to where it began. */
    whileHeld(): void {
      heldFrom = player.time.value;
      setStretch(noStretch);
      start();
    },
    letGo(): void {
      if (heldFrom === null) return;
      pause();
      seek(heldFrom);
      heldFrom = null;
    },
    /** Plays the cursor caption again and again, or no longer. */
    loop(): void {
      const here = cursor.caption;
      if (stretch().again === null && here) {
        replay(cursor.index, cursor.index, { again: here.start });
        return;
      }
      setStretch(noStretch);
      pause();
    },
  };
}

/** A moment that is heard again and again, until something else is played or it is paused. */
export function loopsAround(
  player: Player,
  exact: ExactLoop,
  { stretch, setStretch, pause }: Controls,
  play: (from: number, until: number, more: Partial<PlayedStretch>) => void,
) {
  const preferences = usePreferences();
  const around = (at: number) => ({
    again: Math.max(0, at - preferences.edgeSpan),
    until: Math.min(at + preferences.edgeSpan, player.length.value || Infinity),
  });
  const passAround = (at: number) => {
    const { again, until } = around(at);
    return { from: again / 1000, until: until / 1000, at: at / 1000 };
  };
  return {
    async loopAround(at: number): Promise<void> {
      pause();
      setStretch(noStretch);
      // Slower or faster, the element keeps the pitch as decoded sound would not.
      if (player.rate.value === 1 && (await exact.begin(passAround(at)))) return;
      player.unmute();
      const { again, until } = around(at);
      play(again, until, { again });
    },
    /** The moment has moved: that counts from the next pass on. */
    moveLoop(at: number): void {
      exact.move(passAround(at));
      if (stretch().again !== null) setStretch({ ...stretch(), ...around(at) });
    },
  };
}
