/** The cursor caption, shared by every stage. */
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import type { Caption } from '../../../core/model/caption.ts';
import { useTrack } from './track.ts';

export const useCursor = defineStore('cursor', () => {
  const track = useTrack();
  const id = ref<string | null>(null);
  /** While playing, the cursor caption goes along with the playhead. */
  const follow = ref(true);

  const index = computed(() => {
    const found = track.captions.findIndex((c) => c.id === id.value);
    return found >= 0 ? found : track.captions.length > 0 ? 0 : -1;
  });
  const caption = computed(() => track.captions[index.value] ?? null);

  /** How often the cursor was moved to a caption; to the one it is in already, but out of sight, counts as well. */
  const jumps = ref(0);

  /** The cursor is put into a caption where it is in sight. It is unlinked from the playhead until the next play. */
  function enter(target: string): void {
    follow.value = false;
    id.value = target;
  }

  /** Goes to a caption, wherever it is. Choosing one unlinks it from the playhead until the next play. */
  function goTo(target: string, because: 'chosen' | 'followed'): void {
    if (because === 'chosen') {
      jumps.value += 1;
      follow.value = false;
    }
    id.value = target;
  }

  /** Id of a caption whose text is to be open for writing, until it is. */
  const toWrite = ref<string | null>(null);
  /** Goes to a caption to write in it: its text opens in whatever stage is there. */
  function write(target: string): void {
    goTo(target, 'chosen');
    toWrite.value = target;
  }

  function move(by: number): void {
    const target = track.captions[Math.max(0, Math.min(track.captions.length - 1, index.value + by))];
    if (target) goTo(target.id, 'chosen');
  }
  /** Goes to the next caption of which something holds, going round. @returns false where there is none */
  function goToNext(direction: 1 | -1, holds: (caption: Caption) => boolean): boolean {
    const many = track.captions.length;
    for (let i = 1; i <= many; i++) {
      const next = track.captions[(index.value + direction * i + many * i) % many];
      if (next && holds(next)) {
        goTo(next.id, 'chosen');
        return true;
      }
    }
    return false;
  }
  return { id, index, caption, follow, jumps, toWrite, enter, goTo, goToNext, move, write };
});
