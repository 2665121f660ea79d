/** The text surface that is on the page, for commands and panels that act on it. */
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { Surface } from './surface.ts';

export const useShownSurface = defineStore('shown-surface', () => {
  /** Null while no stage shows one. */
  const surface = shallowRef<Surface | null>(null);
  return { surface };
});
