/**
 * Changes that are in this browser and on no screen of a track: made on one that the server has no more, or set aside
 * because it would not have them.
 */
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import type { LeftChanges } from '../sync/left-edits.ts';

export const useLeftChanges = defineStore('left-changes', () => {
  const items = shallowRef<readonly LeftChanges[]>([]);

  let looking: Promise<void> | null = null;
  async function lookNow(): Promise<void> {
    // What keeps tracks comes with the first that is opened, and not before the list of jobs.
    const { useSyncs } = await import('./syncs.ts');
    items.value = await useSyncs().leftChanges();
  }
  /** Delivers what can be, and finds what cannot. */
  const look = (): Promise<void> => (looking ??= lookNow().finally(() => (looking = null)));
  async function drop(item: LeftChanges): Promise<void> {
    await item.drop();
    items.value = items.value.filter((each) => each !== item);
  }
  return { items, look, drop };
});
