/**
 * What is typed between a caption being made, or asked to be written, and its text being open: it belongs to that text,
 * and never to the commands of whatever has the keyboard meanwhile.
 */
import { defineStore } from 'pinia';
import { computed, onBeforeUnmount, onMounted, shallowRef, watch } from 'vue';
import { isOneCharacter } from '../../ui/commands/keyboard.ts';
import { useCursor } from '../../data/tracks/cursor.ts';

export const useTypeAhead = defineStore('type-ahead', () => {
  const cursor = useCursor();
  const typed = shallowRef<readonly string[]>([]);
  const text = computed(() => typed.value.join(''));
  watch(
    () => cursor.toWrite,
    () => (typed.value = []),
    { flush: 'sync' },
  );
  /** What was typed, for whoever has the text open now. */
  function take(): string {
    const taken = text.value;
    cursor.toWrite = null;
    return taken;
  }
  /** @returns whether the key was one for the text */
  function type(event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey'>): boolean {
    if (cursor.toWrite === null || event.ctrlKey || event.metaKey || event.altKey) return false;
    if (event.key === 'Escape') cursor.toWrite = null;
    else if (event.key === 'Backspace') typed.value = typed.value.slice(0, -1);
    else if (isOneCharacter(event.key)) typed.value = [...typed.value, event.key];
    else return false;
    return true;
  }
  /** It begins with a key that was pressed already. */
  const beginWith = (key: string): void => void (typed.value = [key]);
  return { text, take, type, beginWith };
});

/** Keeps what is typed ahead, while the component lives; it has to be asked before the keys of commands are. */
export function useTypingAhead(): void {
  const cursor = useCursor();
  const ahead = useTypeAhead();
  function onKey(event: KeyboardEvent): void {
    if (event.isComposing || !ahead.type(event)) return;
    event.preventDefault();
    event.stopImmediatePropagation();
  }
  /** Somebody goes on elsewhere. */
  const leave = (): void => void (cursor.toWrite = null);
  onMounted(() => {
    addEventListener('keydown', onKey, true);
    addEventListener('pointerdown', leave, true);
  });
  onBeforeUnmount(() => {
    removeEventListener('keydown', onKey, true);
    removeEventListener('pointerdown', leave, true);
    leave();
  });
}
