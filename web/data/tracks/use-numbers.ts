/** The number of each caption in its track, where numbers are shown. */
import { computed } from 'vue';
import { usePreferences } from '../preferences/preferences.ts';
import { useTrack } from './track.ts';

/** @returns the number of a caption by its id, from 1; null where it is not shown */
export function useNumbers(): (id: string) => number | null {
  const track = useTrack();
  const preferences = usePreferences();
  const numbers = computed(() =>
    preferences.showsNumbers ? new Map(track.captions.map(({ id }, i) => [id, i + 1])) : null,
  );
  return (id) => numbers.value?.get(id) ?? null;
}
