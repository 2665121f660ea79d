/** Playback: what the recording is asked to play, and what follows from where it is. */
import { defineStore } from 'pinia';
import { ref, watch } from 'vue';
import { wordBegan } from '../../../core/model/heard.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { captionHeard } from './follow.ts';
import { glances } from './glance.ts';
import { holdWhileTyping } from './hold.ts';
import { typingBeside } from './typing-beside.ts';
import { mediaPlayer } from './player.ts';
import { afterMoment, noStretch } from './stretch.ts';
import { exactSound, loopsAround, stretches, type Controls } from './stretches.ts';

export const usePlayback = defineStore('playback', () => {
  const cursor = useCursor();
  const track = useTrack();
  const preferences = usePreferences();
  const player = mediaPlayer(moved);
  const shown = glances(player.element, seek);
  const exact = exactSound(player, start, shown);
  const hold = holdWhileTyping(() => {
    const began = wordBegan(track.captions, player.time.value);
    if (began !== null) seek(began);
    start();
  });
  /** Somebody listens along and corrects what was heard: the word being said stays in sight, wherever the cursor is. */
  const along = ref(false);
  watch([player.element, () => preferences.volume], () => player.setVolume(preferences.volume), { immediate: true });
  let stretch = noStretch;
  /** A word or two, or a moment again and again: typing ends it for good. */
  const isBrief = (): boolean => stretch.brief || exact.runs();

  function moved(to: number): void {
    const next = afterMoment(stretch, to);
    if (next === 'again' && stretch.again !== null) {
      seek(stretch.again);
      return;
    }
    if (next === 'over') {
      const { back } = stretch;
      stretch = noStretch;
      player.pause();
      if (back !== null) seek(back);
    }
    if (!player.playing.value || !cursor.follow) return;
    const heard = captionHeard(track.captions, to);
    if (heard) cursor.goTo(heard.id, 'followed');
  }
  function endExact(): void {
    if (!exact.runs()) return;
    exact.stop();
    player.unmute();
  }
  function start(): void {
    hold.end();
    player.start();
  }
  function play(): void {
    endExact();
    stretch = noStretch;
    cursor.follow = true;
    start();
  }
  function pause(): void {
    endExact();
    hold.end();
    along.value = false;
    player.pause();
  }
  /** Goes to a time in ms. */
  function seek(ms: number): void {
    endExact();
    shown.forget();
    player.seek(ms);
  }
  const controls: Controls = { stretch: () => stretch, setStretch: (to) => (stretch = to), start, pause, seek };
  const { play: playStretch, ...parts } = stretches(player, controls);
  const loops = loopsAround(player, exact, controls, playStretch);

  /** What passes between hearing and pressing, in ms of the recording: the more the faster it plays, and nothing while it rests. */
  const reaction = (): number => (player.runs() ? preferences.reaction * player.rate.value : 0);
  function toggle(): void {
    if (player.runs() || hold.state() === 'holding') pause();
    else play();
  }
  function step(direction: 1 | -1): void {
    stretch = noStretch;
    seek(player.time.value + direction * preferences.step);
  }
  const { time, length, playing, rate, trouble, runs, moves, heading, attach, setRate, faster } = player;
  return {
    ...{ time, length, playing, rate, trouble, runs, moves, heading, attach, setRate, faster },
    /** It waits for somebody to go on typing. */
    isHeld: () => hold.state() !== 'off',
    ...{ along, reaction, play, pause, toggle, seek, step, glance: shown.at },
    ...typingBeside(player, hold, { isBrief, pause, along }),
    ...parts,
    ...loops,
  };
});
