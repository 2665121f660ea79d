/** The captions that are selected, shared by every stage. */
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { placesOfEnds, type Ends } from './ends.ts';
import { useTrack } from './track.ts';

export const useSelection = defineStore('selection', () => {
  const track = useTrack();
  /** Null while fewer than two are. */
  const ends = ref<Ends | null>(null);
  /** Their places in the track, the last one counted in. */
  const places = computed(() => placesOfEnds(track.captions, ends.value));
  return { ends, places };
});
