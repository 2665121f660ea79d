/** Two tracks that are compared, and which of them the picture shows at the moment. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { Caption } from '../../../core/model/caption.ts';

interface Pair {
  readonly reference: readonly Caption[];
  readonly other: readonly Caption[];
}
export type Shown = keyof Pair | 'open';

/** A version of a track that is looked at. */
export interface LookedAt {
  readonly track: string;
  /** The number of its last edit. */
  readonly edit: number;
  readonly title: string;
}

export const useCompared = defineStore('compared', () => {
  const pair = shallowRef<Pair | null>(null);
  /** A version that is compared with its track as it stands. */
  const version = shallowRef<LookedAt | null>(null);
  /** Comparing was asked for, and is not in sight yet. */
  const wanted = ref(false);
  /** The one on the picture; the track that is worked on where it is neither. */
  const shown = shallowRef<Shown>('open');
  /** The captions for the picture; null where it shows what is worked on. */
  const captions = computed(() => (pair.value && shown.value !== 'open' ? pair.value[shown.value] : null));
  /** The other of the two, at the same moment. */
  function swap(): void {
    if (pair.value) shown.value = shown.value === 'other' ? 'reference' : 'other';
  }
  function clear(): void {
    [pair.value, shown.value, version.value] = [null, 'open', null];
  }
  return { pair, wanted, shown, version, captions, swap, clear };
});
