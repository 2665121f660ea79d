/** The player: one media element, and what is asked of it. */
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { wordBegan } from '../../../core/model/heard.ts';
import { useJob } from '../../data/jobs/job.ts';
import { useCursor } from '../../data/tracks/cursor.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useTrack } from '../../data/tracks/track.ts';
import { readClock } from './clock.ts';
import { captionHeard } from './follow.ts';
import { holdWhileTyping } from './hold.ts';
import { pieceClient } from '../sound/sound-client.ts';
import { exactLoop } from './exact-loop.ts';
import { afterMoment, noStretch } from './stretch.ts';

/** The speeds there are. */
export const rates: readonly number[] = [0.5, 0.75, 1, 1.25, 1.5, 2];

/** What is replayed plays on for so long after its end, in ms, so that its last sound is heard whole. */
const afterEnd = 150;

/** The picture is waited for so long at most before sound is heard without it, in ms. */
const longestSeek = 500;

export const usePlayback = defineStore('playback', () => {
  const cursor = useCursor();
  const track = useTrack();
  const preferences = usePreferences();
  const job = useJob();
  const pieces = pieceClient();
  const element = shallowRef<HTMLMediaElement | null>(null);
  /** The playhead, in ms. */
  const time = ref(0);
  const length = ref(0);
  const playing = ref(false);
  const rate = ref(1);
  const trouble = ref<string | null>(null);
  /** Somebody listens along and corrects what was heard: the word being said stays in sight, wherever the cursor is. */
  const along = ref(false);
  let stretch = noStretch;
  const hold = holdWhileTyping(() => {
    const began = wordBegan(track.captions, time.value);
    if (began !== null) seek(began);
    start();
  });

  function moved(to: number): void {
    time.value = to;
    const next = afterMoment(stretch, to);
    if (next === 'again' && stretch.again !== null) {
      seek(stretch.again);
      return;
    }
    if (next === 'over') {
      const { back } = stretch;
      stretch = noStretch;
      element.value?.pause();
      if (back !== null) seek(back);
    }
    if (!playing.value || !cursor.follow) return;
    const heard = captionHeard(track.captions, to);
    if (heard) cursor.goTo(heard.id, 'followed');
  }

  /** How often the sound was played on or taken elsewhere: while that stays, the playhead rests where it was. */
  let turns = 0;
  const moves = (): number => turns;

  function attach(media: HTMLMediaElement): void {
    element.value = media;
    trouble.value = null;
    readClock(media, {
      moved,
      playing: (now) => (playing.value = now),
      seeking: () => turns++,
      length: (ms) => (length.value = ms),
      broken() {
        trouble.value =
          'This browser cannot play the recording. The captions can still be edited and handed over; to play it, import the recording as WebM or MP4.';
      },
    });
  }

  /** The sound around a moment, exact to the sample, while the element runs along with its own sound off. */
  const exact = exactLoop(
    async (piece) =>
      job.recordingUrl ? pieces.ask({ url: job.recordingUrl, track: job.job?.soundTrack ?? 0, ...piece }) : null,
    async ({ from }) => {
      const media = element.value;
      if (!media) return;
      media.muted = true;
      media.pause();
      const there = new Promise<void>((go) => {
        media.addEventListener('seeked', () => go(), { once: true });
        // A picture that does not come holds nothing up.
        setTimeout(go, longestSeek);
      });
      seekElement(from * 1000);
      await there;
    },
    () => start(),
    () => preferences.edgeClick,
  );
  function endExact(): void {
    if (!exact.runs()) return;
    exact.stop();
    if (element.value) element.value.muted = false;
  }

  function start(): void {
    const media = element.value;
    if (!media) return;
    // Not with the event that tells of it: a key may come before that.
    turns++;
    hold.end();
    void media.play().catch(() => undefined);
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
    element.value?.pause();
  }
  /** Whether it plays right now; what the page shows of that comes a moment later, with the event. */
  const runs = (): boolean => element.value?.paused === false;
  /** What passes between hearing and pressing, in ms of the recording: the more the faster it plays, and nothing while it rests. */
  const reaction = (): number => (runs() ? preferences.reaction * rate.value : 0);
  function toggle(): void {
    if (runs() || hold.state() === 'holding') pause();
    else play();
  }
  /** Goes to a time in ms. */
  function seek(ms: number): void {
    endExact();
    seekElement(ms);
  }
  /** Where the picture is to be next, while it is still on its way to where it was to be before, in ms. */
  let onward: number | null = null;
  function seekElement(ms: number): void {
    onward = null;
    const to = Math.max(0, Math.min(ms, length.value || ms));
    time.value = to;
    if (element.value) element.value.currentTime = to / 1000;
  }
  /** Shows the picture at one moment after another, as fast as it comes: what is overtaken meanwhile is left out. */
  function glance(ms: number): void {
    const media = element.value;
    if (!media?.seeking) {
      seek(ms);
      return;
    }
    if (onward === null)
      media.addEventListener(
        'seeked',
        () => {
          const to = onward;
          onward = null;
          if (to !== null) seek(to);
        },
        { once: true },
      );
    onward = ms;
  }
  function step(direction: 1 | -1): void {
    stretch = noStretch;
    seek(time.value + direction * preferences.step);
  }
  function playStretch(from: number, until: number, brief = false): void {
    stretch = noStretch;
    seek(from);
    stretch = { ...noStretch, until, brief };
    start();
  }
  /** Lets a word or two be heard, from one time to another in ms; what is typed ends that for good. */
  const hear = (from: number, to: number): void => playStretch(from, to, true);
  const around = (at: number) => ({
    again: Math.max(0, at - preferences.edgeSpan),
    until: Math.min(at + preferences.edgeSpan, length.value || Infinity),
  });
  const passAround = (at: number) => {
    const { again, until } = around(at);
    return { from: again / 1000, until: until / 1000, at: at / 1000 };
  };
  /** Plays around a moment again and again, until something else is played or it is paused. */
  async function loopAround(at: number): Promise<void> {
    pause();
    stretch = noStretch;
    // Slower or faster, the element keeps the pitch as decoded sound would not.
    if (rate.value === 1 && (await exact.begin(passAround(at)))) return;
    if (element.value) element.value.muted = false;
    const { again, until } = around(at);
    playStretch(again, until);
    stretch = { ...stretch, again };
  }
  /** The moment has moved: that counts from the next pass on. */
  function moveLoop(at: number): void {
    exact.move(passAround(at));
    if (stretch.again !== null) stretch = { ...stretch, ...around(at) };
  }
  /** Plays the captions from one index to another, and stops after the last. */
  function replay(first: number, last: number): void {
    const from = track.captions[Math.max(0, first)];
    const to = track.captions[Math.min(track.captions.length - 1, last)];
    if (from && to) playStretch(from.start, to.end + afterEnd);
  }
  /** Plays what stands right before the playhead or after it, and leaves the playhead where it was. */
  function hearBeside(side: 'before' | 'after'): void {
    const at = time.value;
    if (side === 'before') playStretch(Math.max(0, at - preferences.edgeSpan), at);
    else {
      playStretch(at, at + preferences.edgeSpan);
      stretch = { ...stretch, back: at };
    }
  }
  let heldFrom: number | null = null;
  /** Plays until it is let go, and goes back to where it began. */
  function whileHeld(): void {
    heldFrom = time.value;
    stretch = noStretch;
    start();
  }
  function letGo(): void {
    if (heldFrom === null) return;
    pause();
    seek(heldFrom);
    heldFrom = null;
  }
  /** Plays the cursor caption again and again, or no longer. */
  function loop(): void {
    const here = cursor.caption;
    if (stretch.again !== null || !here) {
      stretch = noStretch;
      pause();
      return;
    }
    replay(cursor.index, cursor.index);
    stretch = { ...stretch, again: here.start };
  }
  /** Holds until something is typed, and a moment after that goes on; held already, it stays so. */
  function holdForTyping(): void {
    if (!runs() && hold.state() !== 'holding') return;
    pause();
    hold.wait();
    along.value = true;
  }
  /** A key was typed: playback holds, and goes on a moment after the last key. */
  function typed(): void {
    cursor.follow = false;
    if (!preferences.holdWhileTyping || (!runs() && hold.state() === 'off')) return;
    if (stretch.brief || exact.runs()) {
      pause();
      return;
    }
    element.value?.pause();
    hold.key();
  }
  function setRate(to: number): void {
    rate.value = to;
    if (!element.value) return;
    element.value.playbackRate = to;
    element.value.preservesPitch = true;
  }
  /** To the next of the usual speeds. */
  function faster(direction: 1 | -1): void {
    const at = rates.indexOf(rate.value);
    setRate(rates[Math.max(0, Math.min(rates.length - 1, at + direction))] ?? 1);
  }
  return {
    time,
    length,
    playing,
    along,
    runs,
    reaction,
    moves,
    rate,
    trouble,
    attach,
    play,
    pause,
    toggle,
    seek,
    step,
    hear,
    replay,
    loopAround,
    moveLoop,
    hearBeside,
    glance,
    whileHeld,
    letGo,
    loop,
    holdForTyping,
    typed,
    setRate,
    faster,
  };
});
