/** The player: one media element, its clock read on animation frames. */
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { captionAt } from '../../core/track/caption.ts';
import { wordBegan } from '../../core/track/heard.ts';
import { usePlace } from '../stores/place.ts';
import { usePreferences } from '../stores/preferences.ts';
import { useTrack } from '../stores/track.ts';

/** The speeds there are. */
export const rates: readonly number[] = [0.5, 0.75, 1, 1.25, 1.5, 2];

/** Playback goes on by itself so long after the last key, in ms. */
const goesOnAfter = 900;

export const usePlayback = defineStore('playback', () => {
  const place = usePlace();
  const track = useTrack();
  const preferences = usePreferences();
  const element = shallowRef<HTMLMediaElement | null>(null);
  /** The playhead, in ms. */
  const time = ref(0);
  const length = ref(0);
  const playing = ref(false);
  const rate = ref(1);
  const trouble = ref<string | null>(null);
  let until = Infinity;
  /** A caption plays again and again: where it begins, in ms. */
  let again: number | null = null;
  /** Only a word or two is being heard. */
  let brief = false;
  let frame = 0;
  let holding: ReturnType<typeof setTimeout> | undefined;
  /** Playback was held for somebody to type, who has not begun yet. */
  let waiting = false;
  /** Somebody listens along and mends what was heard: the word being said stays in sight, wherever the cursor is. */
  const along = ref(false);

  function read(): void {
    const media = element.value;
    if (!media) return;
    time.value = Math.round(media.currentTime * 1000);
    if (time.value >= until) {
      if (again !== null) {
        seek(again);
        return;
      }
      until = Infinity;
      media.pause();
    }
    if (playing.value && place.follow) {
      const here = track.captions[captionAt(track.captions, time.value)];
      if (here && time.value < here.end + 500) place.goTo(here.id, 'followed');
    }
    cancelAnimationFrame(frame);
    if (!media.paused) frame = requestAnimationFrame(read);
  }

  /** How often the sound was played on or taken elsewhere: while that stays, the playhead rests where it was. */
  let moved = 0;
  const moves = (): number => moved;

  function attach(media: HTMLMediaElement): void {
    element.value = media;
    trouble.value = null;
    media.addEventListener('play', () => {
      playing.value = true;
      read();
    });
    media.addEventListener('pause', () => (playing.value = false));
    media.addEventListener('seeking', () => moved++);
    media.addEventListener('seeked', read);
    media.addEventListener(
      'durationchange',
      () => (length.value = Number.isFinite(media.duration) ? Math.round(media.duration * 1000) : 0),
    );
    media.addEventListener('error', () => {
      trouble.value =
        'This browser cannot play the recording. The captions can still be mended and handed over; to hear them, bring the recording in again as WebM or MP4.';
    });
  }

  /** Nothing is held for typing any more. */
  function endHold(): void {
    clearTimeout(holding);
    holding = undefined;
    waiting = false;
  }
  /** What plays is no stretch any more, and has no end of its own. */
  function endStretch(): void {
    until = Infinity;
    again = null;
    brief = false;
  }
  function start(): void {
    const media = element.value;
    if (!media) return;
    // Not with the event that tells of it: a key may come before that.
    moved++;
    endHold();
    void media.play().catch(() => undefined);
  }
  function play(): void {
    endStretch();
    place.follow = true;
    start();
  }
  function pause(): void {
    endHold();
    along.value = false;
    element.value?.pause();
  }
  /** Whether it plays right now; what the page shows of that comes a moment later, with the event. */
  const runs = (): boolean => element.value?.paused === false;
  function toggle(): void {
    if (runs() || holding !== undefined) pause();
    else play();
  }
  /** Goes to a time in ms. */
  function seek(ms: number): void {
    const media = element.value;
    const to = Math.max(0, Math.min(ms, length.value || ms));
    time.value = to;
    if (media) media.currentTime = to / 1000;
  }
  function step(direction: 1 | -1): void {
    endStretch();
    seek(time.value + direction * preferences.step);
  }
  function playStretch(from: number, to: number): void {
    endStretch();
    seek(from);
    until = to;
    start();
  }
  /** Lets a word or two be heard, from one time to another in ms; what is typed ends that for good. */
  function hear(from: number, to: number): void {
    playStretch(from, to);
    brief = true;
  }
  /** Plays the captions from one index to another, and stops after the last. */
  function replay(first: number, last: number): void {
    const from = track.captions[Math.max(0, first)];
    const to = track.captions[Math.min(track.captions.length - 1, last)];
    if (from && to) playStretch(from.start, to.end + 150);
  }
  /** Plays the cursor caption again and again, or no longer. */
  function loop(): void {
    const here = place.caption;
    if (again !== null || !here) {
      again = null;
      pause();
      return;
    }
    replay(place.index, place.index);
    again = here.start;
  }
  /** Holds until something is typed, and a moment after that goes on; held already, it stays so. */
  function holdForTyping(): void {
    if (!runs() && holding === undefined) return;
    pause();
    waiting = true;
    along.value = true;
  }
  /** A key was typed: playback holds, and goes on a moment after the last key. */
  function typed(): void {
    place.follow = false;
    if (!preferences.holdWhileTyping || (!runs() && holding === undefined && !waiting)) return;
    if (brief) {
      pause();
      return;
    }
    element.value?.pause();
    clearTimeout(holding);
    holding = setTimeout(() => {
      const began = wordBegan(track.captions, time.value);
      if (began !== null) seek(began);
      start();
    }, goesOnAfter);
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
    loop,
    holdForTyping,
    typed,
    setRate,
    faster,
  };
});
