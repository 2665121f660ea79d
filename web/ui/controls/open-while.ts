/** A dialog about something, open for as long as there is that. */
import { computed, type Ref, type WritableComputedRef } from 'vue';

/** @param subject what the dialog is about; null while it is closed, and made so when it is closed by hand */
export const openWhile = <T>(subject: Ref<T | null>): WritableComputedRef<boolean> =>
  computed({
    get: () => subject.value !== null,
    set: (now) => {
      if (!now) subject.value = null;
    },
  });
