/** Long lists of which only the rows in sight are in the page. */
import { useVirtualizer } from '@tanstack/vue-virtual';
import { computed, type Ref } from 'vue';

/**
 * @param list what scrolls
 * @param count of all rows
 * @param height of a usual row, in px
 */
export function useVirtualRows(list: Readonly<Ref<HTMLElement | null>>, count: () => number, height: number) {
  const virtual = useVirtualizer(
    computed(() => ({ count: count(), getScrollElement: () => list.value, estimateSize: () => height, overscan: 6 })),
  );
  /** Places of the rows in sight. */
  const places = computed(() => virtual.value.getVirtualItems().map(({ index }) => index));
  /** The room of what is out of sight, above and below. */
  const room = computed(() => {
    const shown = virtual.value.getVirtualItems();
    const below = virtual.value.getTotalSize() - (shown.at(-1)?.end ?? 0);
    return { paddingTop: `${String(shown[0]?.start ?? 0)}px`, paddingBottom: `${String(below)}px` };
  });
  const measure = (row: unknown): void => {
    if (row instanceof HTMLElement) virtual.value.measureElement(row);
  };
  return { places, room, measure, goTo: (place: number): void => virtual.value.scrollToIndex(place) };
}
