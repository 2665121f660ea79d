/** Which dialog of a job's screens is open; there is never more than one. */
import { defineStore } from 'pinia';
import { computed, ref, type WritableComputedRef } from 'vue';

export type DialogName = 'finder' | 'style' | 'reflow' | 'keys' | 'label' | 'keep-only' | 'recording';

export const useDialogs = defineStore('dialogs', () => {
  const open = ref<DialogName | null>(null);
  /** Whether one of them is open, to be bound to it. */
  const bound = (name: DialogName): WritableComputedRef<boolean> =>
    computed({
      get: () => open.value === name,
      set: (now) => (open.value = now ? name : null),
    });
  return { open, bound };
});
