/** What is wrong in a form: said beside its fields once somebody has tried to send it, the first with the keyboard in it. */
import { computed, nextTick, ref } from 'vue';

/**
 * @param faults for each field what is wrong with it as a sentence, null where it may stand, in the order they are on the page
 * @param within where the fields are, as a selector
 */
export function useFaults<K extends string>(faults: () => Readonly<Record<K, string | null>>, within: string) {
  const tried = ref(false);
  const none = (): Record<K, string | null> =>
    Object.fromEntries(Object.keys(faults()).map((key) => [key, null])) as Record<K, string | null>;
  /** What is to be shown beside each field. */
  const shown = computed(() => (tried.value ? faults() : none()));

  /** Whether the form may be sent. Where it may not, the first field at fault gets the keyboard. */
  function isSound(): boolean {
    tried.value = true;
    if (Object.values(faults()).every((fault) => fault === null)) return true;
    void nextTick(() => {
      document.querySelector<HTMLElement>(`${within} [aria-invalid="true"]`)?.focus();
    });
    return false;
  }
  /** The form begins anew: nothing is said before it is sent again. */
  function reset(): void {
    tried.value = false;
  }
  return { shown, isSound, reset };
}
