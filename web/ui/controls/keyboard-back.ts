/**
 * The keyboard goes back to where it was when a dialog goes, whatever was quicker: the dialog, which would
 * look where the keyboard is when it has come, or whoever put it into the dialog by then.
 */
import { defineStore } from 'pinia';
import { nextTick, onBeforeUnmount, watch, type Ref } from 'vue';

/** Marks the element that gets the keyboard where what had it is gone. */
export const keyboardHome = 'data-keyboard-home';

/** What had the keyboard before the first of the open dialogs; one may open another. */
const useOpenDialogs = defineStore('open-dialogs', () => {
  let many = 0;
  let before: Element | null = null;

  function giveBack(): void {
    if (many > 0) return;
    const to = before?.isConnected && before !== document.body ? before : document.querySelector(`[${keyboardHome}]`);
    before = null;
    if (to instanceof HTMLElement) to.focus({ preventScroll: true });
  }
  function opened(): void {
    if (many === 0) before = document.activeElement;
    many++;
  }
  function closed(): void {
    many--;
    void nextTick(giveBack);
  }
  return { opened, closed };
});

/** @param open whether the dialog of this component is */
export function useKeyboardBack(open: Readonly<Ref<boolean>>): void {
  const dialogs = useOpenDialogs();
  let isCounted = false;
  function count(now: boolean): void {
    if (now === isCounted) return;
    isCounted = now;
    if (now) dialogs.opened();
    else dialogs.closed();
  }
  watch(open, count, { immediate: true, flush: 'sync' });
  onBeforeUnmount(() => {
    count(false);
  });
}
