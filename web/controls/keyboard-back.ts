/**
 * The keyboard goes back to where it was when a dialog goes, whatever was quicker: the dialog, which would
 * look where the keyboard is when it has come, or whoever put it into the dialog by then.
 */
import { nextTick, onBeforeUnmount, watch, type Ref } from 'vue';

/** Dialogs that are open: one may open another. */
let many = 0;
/** What had the keyboard before the first of them. */
let before: Element | null = null;

/** Marks the element that gets the keyboard where what had it is gone. */
export const keyboardHome = 'data-keyboard-home';

function giveBack(): void {
  if (many > 0) return;
  const to = before?.isConnected && before !== document.body ? before : document.querySelector(`[${keyboardHome}]`);
  before = null;
  if (to instanceof HTMLElement) to.focus({ preventScroll: true });
}

/** @param open whether the dialog of this component is */
export function useKeyboardBack(open: Readonly<Ref<boolean>>): void {
  let isCounted = false;
  function count(now: boolean): void {
    if (now === isCounted) return;
    isCounted = now;
    if (now && many === 0) before = document.activeElement;
    many += now ? 1 : -1;
    if (!now) void nextTick(giveBack);
  }
  watch(open, count, { immediate: true, flush: 'sync' });
  onBeforeUnmount(() => {
    count(false);
  });
}
