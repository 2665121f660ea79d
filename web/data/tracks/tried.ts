/** The captions as they are to be seen everywhere: those of the track, or with the times that a tool tries out. */
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { onScreenAt, type Caption } from '../../../core/model/caption.ts';
import type { Moved } from '../../../core/timing/drag/move.ts';
import { useTrack } from './track.ts';

export const useTried = defineStore('tried', () => {
  const track = useTrack();
  /** What a tool shows while nothing is done yet; null while none is open. */
  const trial = shallowRef<(() => readonly Caption[]) | null>(null);
  /** The times of what is being dragged, before it is let go. */
  const dragged = shallowRef<Moved['changes']>([]);

  const captions = computed(() => trial.value?.() ?? track.captions);
  /** The captions on screen at a moment, in ms. */
  const onScreen = (at: number): readonly Caption[] => onScreenAt(captions.value, at);
  return { trial, dragged, captions, onScreen };
});
