/** Which dialog of a job's screens is open; there is never more than one. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch, type WritableComputedRef } from 'vue';

export type DialogName =
  'finder' | 'style' | 'reflow' | 'keys' | 'label' | 'keep-only' | 'recording' | 'go-to' | 'about-job' | 'new-language';

export const useDialogs = defineStore('dialogs', () => {
  const open = ref<DialogName | null>(null);
  /** Whether one of them is open, to be bound to it. */
  const bound = (name: DialogName): WritableComputedRef<boolean> =>
    computed({
      get: () => open.value === name,
      set: (now) => (open.value = now ? name : null),
    });
  /**
   * Keys that were pressed after the finder was asked for and before it was there: they belong to it, and never to the
   * caption behind it. Null once it has the keyboard, or is not open.
   */
  const ahead = shallowRef<readonly string[] | null>(null);
  watch(open, (now) => (ahead.value = now === 'finder' ? [] : null), { flush: 'sync' });
  return { open, bound, ahead };
});
