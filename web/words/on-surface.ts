/** The text surface that is on the page, for commands and panels that act on it; null while no stage shows one. */
import { shallowRef } from 'vue';
import type { Surface } from './surface/surface.ts';

export const onSurface = shallowRef<Surface | null>(null);
