/** Every command of the page that is open, with the keys it has now. */
import { defineStore } from 'pinia';
import { computed, shallowRef } from 'vue';
import { useMessages } from '../messages/messages.ts';
import { usePreferences } from '../preferences/preferences.ts';
import { withKeysOf, type Command } from '../../ui/commands/command.ts';
import { keyLabel } from '../../ui/commands/keyboard.ts';
import { withOwnKeys } from '../../ui/commands/keys.ts';
import { isMac } from '../../ui/commands/platform.ts';

export const useCommandList = defineStore('commands', () => {
  const preferences = usePreferences();
  const messages = useMessages();
  const gathered = shallowRef<readonly Command[]>([]);
  const all = computed(() => withOwnKeys(withKeysOf(gathered.value, isMac), preferences.keys));

  /** The key of a command as it is shown; null where it has none. */
  function keyOf(id: string): string | null {
    const [key] = all.value.find((command) => command.id === id)?.keys ?? [];
    return key === undefined ? null : keyLabel(key);
  }
  /** What a button does, and its key. */
  function hint(says: string, id: string): string {
    const key = keyOf(id);
    return key === null ? says : `${says} (${key})`;
  }
  /** Does what a command does, or says why that cannot be done now. */
  function runThis(command: Command): void {
    const why = command.whyNot?.() ?? null;
    if (why === null) command.run();
    else messages.remark = why;
  }
  /** Runs the command with this id, as its key would. */
  function run(id: string): void {
    const found = gathered.value.find((command) => command.id === id);
    if (found) runThis(found);
  }
  return { gathered, all, keyOf, hint, run, runThis };
});
