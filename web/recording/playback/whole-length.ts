/** How long the recording is that strips and tapes show: as it was measured, as it plays, or as far as captions go. */
import { computed, type ComputedRef } from 'vue';
import { useTimes } from '../../data/tracks/times.ts';
import { usePlayback } from './playback.ts';

/** In ms, and a second at the least, so that it can be divided by. */
export function useWholeLength(): ComputedRef<number> {
  const times = useTimes();
  const playback = usePlayback();
  return computed(() => Math.max(1000, times.length, playback.length));
}
