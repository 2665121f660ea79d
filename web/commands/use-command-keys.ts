/** Runs commands by their keys, while the component lives. */
import { onBeforeUnmount, onMounted } from 'vue';
import { useDialogs } from '../stores/dialogs.ts';
import { useCommandList } from './command-list.ts';
import { commandFor } from './keyboard.ts';
import { isMac } from './platform.ts';

export function useCommandKeys(): void {
  const list = useCommandList();
  const dialogs = useDialogs();

  function onKey(event: KeyboardEvent): void {
    if (event.defaultPrevented || event.isComposing || dialogs.open !== null) return;
    const target = event.target as HTMLElement;
    const inText = target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);
    const onControl = /^(BUTTON|A|SUMMARY|VIDEO)$/.test(target.tagName);
    const command = commandFor(list.all, event, { inText, onControl, mac: isMac });
    if (!command) return;
    event.preventDefault();
    event.stopPropagation();
    command.run();
  }
  onMounted(() => addEventListener('keydown', onKey, true));
  onBeforeUnmount(() => removeEventListener('keydown', onKey, true));
}
