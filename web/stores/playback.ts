/** The player: one media element, its clock read on animation frames. */
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';
import { captionAt } from '../../core/track/caption.ts';
import { usePlace } from './place.ts';
import { usePreferences } from './preferences.ts';
import { useTrack } from './track.ts';

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
  let frame = 0;
  let holding: ReturnType<typeof setTimeout> | undefined;

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

  function attach(media: HTMLMediaElement): void {
    element.value = media;
    trouble.value = null;
    media.addEventListener('play', () => {
      playing.value = true;
      read();
    });
    media.addEventListener('pause', () => (playing.value = false));
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

  function start(): void {
    const media = element.value;
    if (!media) return;
    void media.play().catch(() => undefined);
  }
  function play(): void {
    until = Infinity;
    again = null;
    place.follow = true;
    start();
  }
  function pause(): void {
    clearTimeout(holding);
    holding = undefined;
    element.value?.pause();
  }
  function toggle(): void {
    if (playing.value || holding !== undefined) pause();
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
    until = Infinity;
    again = null;
    seek(time.value + direction * preferences.step);
  }
  /** Plays the captions from one index to another, and stops after the last. */
  function replay(first: number, last: number): void {
    const from = track.captions[Math.max(0, first)];
    const to = track.captions[Math.min(track.captions.length - 1, last)];
    if (!from || !to) return;
    again = null;
    seek(from.start);
    until = to.end + 150;
    start();
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
  /** A key was typed: playback holds, and goes on a moment after the last key. */
  function typed(): void {
    place.follow = false;
    if (!preferences.holdWhileTyping || (!playing.value && holding === undefined)) return;
    element.value?.pause();
    clearTimeout(holding);
    holding = setTimeout(() => {
      holding = undefined;
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
    rate,
    trouble,
    attach,
    play,
    pause,
    toggle,
    seek,
    step,
    replay,
    loop,
    typed,
    setRate,
    faster,
  };
});
