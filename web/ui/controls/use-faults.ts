/** What is wrong in a form: said beside its fields once somebody has tried to send it, the first with the keyboard in it. */
import { nextTick, ref } from 'vue';

/**
 * @param faults for each field what is wrong with it as a sentence, null where it may stand, in the order they are on the page
 * @param within where the fields are, as a selector
 */
export function useFaults<K extends string>(faults: () => Readonly<Record<K, string | null>>, within: string) {
  const tried = ref(false);
  /** What is to be said beside a field; null where nothing is. */
  const beside = (field: K): string | null => (tried.value ? faults()[field] : null);

  /** Whether the form may be sent. Where it may not, the first field at fault gets the keyboard. */
  function isSound(): boolean {
    tried.value = true;
    if (Object.values(faults()).every((fault) => fault === null)) return true;
    void nextTick(() => {
      document.querySelector<HTMLElement>(`${within} [aria-invalid="true"]`)?.focus();
    });
    return false;
  }
  /** The form begins again: nothing is said before it is sent again. */
  function reset(): void {
    tried.value = false;
  }
  return { beside, isSound, reset };
}
