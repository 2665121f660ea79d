/** A stretch that was drawn in the sound: something can be done with it, and until then nothing is changed. */
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import type { Stretch } from '../../../core/audio/regions.ts';
import { useNewCaptions } from '../../desk/captions/use-new-captions.ts';
import { usePlayback } from '../../recording/playback/playback.ts';
import { useStretch } from '../../recording/about/stretch.ts';

export const useDrawn = defineStore('drawn-stretch', () => {
  const made = useNewCaptions();
  const playback = usePlayback();
  const part = useStretch();
  /** Where it was begun and where it has been drawn to, in ms, in either order. */
  const ends = shallowRef<readonly [anchor: number, to: number] | null>(null);
  const stretch = computed<Stretch | null>(() => {
    if (!ends.value) return null;
    const [a, b] = ends.value;
    return a === b ? null : { start: Math.round(Math.min(a, b)), end: Math.round(Math.max(a, b)) };
  });
  const begin = (at: number): void => void (ends.value = [at, at]);
  function drawTo(at: number): void {
    if (ends.value) ends.value = [ends.value[0], at];
  }
  function clear(): void {
    ends.value = null;
  }
  /** From the playhead on, or up to it: the same without a pointer. */
  function edge(which: 'start' | 'end'): void {
    const now = stretch.value;
    const { time } = playback;
    ends.value =
      which === 'start' ? [time, now && now.end > time ? now.end : time] : [now?.start ?? ends.value?.[0] ?? 0, time];
  }
  /** What is drawn, which is then done with. */
  function taken(): Stretch | null {
    const now = stretch.value;
    clear();
    return now;
  }
  /** A new caption in it; at the playhead where nothing is drawn. */
  function insert(): void {
    const now = taken();
    if (now) made.insertIn(now);
    else made.insertHere();
  }
  function captionOnly(): void {
    const now = taken();
    if (now) void part.set(now);
  }
  function hear(): void {
    const now = stretch.value;
    if (now) playback.hear(now.start, now.end);
  }
  return { stretch, begin, drawTo, edge, clear, taken, insert, captionOnly, hear };
});
