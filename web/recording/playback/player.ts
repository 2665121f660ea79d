/** The media element: where it is, whether it runs, how fast, and what went wrong with it. */
import { ref, shallowRef } from 'vue';
import { readClock } from './clock.ts';

/** The speeds there are. */
export const rates: readonly number[] = [0.5, 0.75, 1, 1.25, 1.5, 2];

/** The picture is waited for so long at most before sound is heard without it, in ms. */
const longestSeek = 500;

export type Player = ReturnType<typeof mediaPlayer>;

/** @param moved told where the playhead is now, in ms, as it plays */
export function mediaPlayer(moved: (ms: number) => void) {
  const element = shallowRef<HTMLMediaElement | null>(null);
  /** The playhead, in ms. */
  const time = ref(0);
  const length = ref(0);
  const playing = ref(false);
  const rate = ref(1);
  const trouble = ref<string | null>(null);
  /** How often the sound was played on or taken elsewhere: while that stays, the playhead rests where it was. */
  let turns = 0;

  function attach(media: HTMLMediaElement): void {
    element.value = media;
    trouble.value = null;
    readClock(media, {
      moved(to) {
        time.value = to;
        moved(to);
      },
      playing: (now) => (playing.value = now),
      seeking: () => turns++,
      length: (ms) => (length.value = ms),
      broken() {
        trouble.value =
          'This browser cannot play the recording. The captions can still be edited and handed over; to play it, import the recording as WebM or MP4.';
      },
    });
  }

  /** @param to from 0 to 1 */
  function setVolume(to: number): void {
    if (element.value) element.value.volume = to;
  }
  function start(): void {
    const media = element.value;
    if (!media) return;
    // Not with the event that tells of it: a key may come before that.
    turns++;
    void media.play().catch(() => undefined);
  }

  /** Goes to a time in ms. */
  function seek(ms: number): void {
    const to = Math.max(0, Math.min(ms, length.value || ms));
    time.value = to;
    if (element.value) element.value.currentTime = to / 1000;
  }

  /** Has the picture at a time in ms, at rest and without its sound, before it ends. */
  async function ready(ms: number): Promise<void> {
    const media = element.value;
    if (!media) return;
    media.muted = true;
    media.pause();
    const there = new Promise<void>((go) => {
      media.addEventListener('seeked', () => go(), { once: true });
      // A picture that does not come holds nothing up.
      setTimeout(go, longestSeek);
    });
    seek(ms);
    await there;
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
    ...{ element, time, length, playing, rate, trouble, attach, start, seek, ready, setRate, faster, setVolume },
    moves: (): number => turns,
    /** Where it is going, in ms; what the page shows of that comes with the picture. */
    heading: (): number => Math.round((element.value?.currentTime ?? 0) * 1000),
    /** Whether it plays right now; what the page shows of that comes a moment later, with the event. */
    runs: (): boolean => element.value?.paused === false,
    pause: (): void => element.value?.pause(),
    unmute: (): void => {
      if (element.value) element.value.muted = false;
    },
  };
}
