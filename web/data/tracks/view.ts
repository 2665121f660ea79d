/** The captions that are in sight. */
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { placesOfEnds, type Ends } from './ends.ts';
import { useTrack } from './track.ts';

export const useView = defineStore('view', () => {
  const track = useTrack();
  /** Null where a stage shows none. */
  const ends = ref<Ends | null>(null);
  const places = computed(() => placesOfEnds(track.captions, ends.value));
  return { ends, places };
});
