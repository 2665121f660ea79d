/** Captions that were not heard, sent along with a neighbour that was. */
import { computed, shallowRef, type Ref } from 'vue';
import { sentWith, type NeighbourSide } from '../../../core/audio/align/send-with.ts';
import type { PlacedRow, Placing } from './listen.ts';

/** @param found what was heard; null where nothing was listened for */
export function sentAlong(found: Readonly<Ref<Placing | null>>) {
  /** Their ids, and with which neighbour each goes. */
  const sent = shallowRef<ReadonlyMap<string, NeighbourSide>>(new Map());
  /** What was found, with those that were sent along. */
  const rows = computed((): readonly PlacedRow[] => {
    const all = found.value?.rows ?? [];
    return all.map((row, i) => {
      const side = sent.value.get(row.before.id);
      const after = side ? sentWith(all, i, side) : null;
      return after ? { ...row, after, moves: true } : row;
    });
  });
  /** Sends a caption along with a neighbour; asked again with the same, leaves it where it is. */
  function send(id: string, side: NeighbourSide): void {
    const next = new Map(sent.value);
    if (next.get(id) === side) next.delete(id);
    else next.set(id, side);
    sent.value = next;
  }
  return { sent, rows, send, forget: (): void => void (sent.value = new Map()) };
}
