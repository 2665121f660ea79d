/** Runs commands by their keys, while the component lives. */
import { onBeforeUnmount, onMounted } from 'vue';
import { useDialogs } from '../../data/messages/dialogs.ts';
import { usePreferences } from '../../data/preferences/preferences.ts';
import { useCommandList } from '../../data/commands/command-list.ts';
import { commandFor } from '../../ui/commands/keyboard.ts';
import { isMac } from '../../ui/commands/platform.ts';

/** @param first hears a key before the commands do, and says whether it was one for it */
export function useCommandKeys(first: (event: KeyboardEvent) => boolean): void {
  const list = useCommandList();
  const dialogs = useDialogs();
  const preferences = usePreferences();
  /** What the keys that are held do as they are let go. */
  const held = new Map<string, () => void>();

  /** The finder is still on its way. */
  function keepForFinder(event: KeyboardEvent, ahead: readonly string[]): void {
    event.preventDefault();
    event.stopPropagation();
    if (event.key === 'Escape') dialogs.open = null;
    else if (!event.ctrlKey && !event.metaKey) dialogs.ahead = [...ahead, event.key];
  }
  function onKey(event: KeyboardEvent): void {
    if (dialogs.ahead) {
      keepForFinder(event, dialogs.ahead);
      return;
    }
    if (event.defaultPrevented || event.isComposing || dialogs.open !== null || first(event)) return;
    const target = event.target as HTMLElement;
    const inText = target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);
    const onControl = /^(BUTTON|A|SUMMARY|VIDEO)$/.test(target.tagName);
    const onTape = preferences.singleKeys && !inText && target.closest('[data-single-keys]') !== null;
    const command = commandFor(list.all, event, { inText, onControl, onTape, mac: isMac });
    if (!command) return;
    event.preventDefault();
    event.stopPropagation();
    if (!command.release || (command.whyNot?.() ?? null) !== null) list.runThis(command);
    else if (!event.repeat) {
      held.set(event.code, command.release);
      command.run();
    }
  }
  function onUp(event: KeyboardEvent): void {
    held.get(event.code)?.();
    held.delete(event.code);
  }
  /** A key that is let go elsewhere is told to nobody here. */
  function onLeave(): void {
    for (const release of held.values()) release();
    held.clear();
  }
  onMounted(() => {
    addEventListener('keydown', onKey, true);
    addEventListener('keyup', onUp, true);
    addEventListener('blur', onLeave);
  });
  onBeforeUnmount(() => {
    removeEventListener('keydown', onKey, true);
    removeEventListener('keyup', onUp, true);
    removeEventListener('blur', onLeave);
  });
}
