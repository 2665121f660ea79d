/** What a field with a list that opens needs so that keyboard and ears can use it: both kinds of Ant's stand on it. */
import { computed, nextTick, onBeforeUnmount, onMounted, ref, useId, type ShallowRef } from 'vue';
import { nameList, nameOptions } from './listbox.ts';

export interface ListOf {
  /** The name of the field. */
  readonly label: () => string;
  /** Called when the list closes. */
  readonly closed?: () => void;
  /** Whether there is anything to show: a list of nothing is not drawn, and keeps no key to itself. */
  readonly hasEntries?: () => boolean;
}

/**
 * @param root what is drawn, around Ant's component
 */
export function useList(
  root: Readonly<ShallowRef<HTMLElement | null>>,
  { label, closed, hasEntries = () => true }: ListOf,
) {
  const wanted = ref(false);
  const open = computed(() => wanted.value && hasEntries());
  const id = useId();
  /** The class that the sheet of the list has to be given, by which it is found. */
  const popupClass = `list-of-${id}`;
  const popup = (): HTMLElement | null => document.querySelector(`.${CSS.escape(popupClass)}`);

  function name(): void {
    const input = root.value?.querySelector('input');
    if (!input) return;
    const list = open.value ? popup() : null;
    nameList(input, list, { id: `${id}-list`, label: label() });
    if (list) nameOptions(list, `${id}-option`);
  }
  const watcher = new MutationObserver(name);
  function watchDrawn(): void {
    watcher.disconnect();
    const seen: MutationObserverInit = { subtree: true, childList: true, attributes: true };
    if (root.value) watcher.observe(root.value, seen);
    const list = popup();
    if (list) watcher.observe(list, seen);
    name();
  }
  onMounted(watchDrawn);
  onBeforeUnmount(() => {
    watcher.disconnect();
  });

  function setOpen(now: boolean): void {
    wanted.value = now;
    if (!now) closed?.();
    // The list is put into the page a moment after it is asked for.
    void nextTick(() => requestAnimationFrame(watchDrawn));
  }
  /** Escape closes the list and not the dialog around it; a chord is none of the field's. */
  function onKey(event: KeyboardEvent): void {
    const isChord = event.ctrlKey || event.metaKey || event.altKey;
    if (event.key === 'Escape' && open.value) {
      setOpen(false);
      event.preventDefault();
    } else if (!isChord) return;
    event.stopPropagation();
  }
  return { open, popupClass, setOpen, onKey };
}
