/** The keys of commands as they are now, for buttons and their hints. */
import { usePreferences } from '../stores/preferences.ts';
import { keyLabel } from './keyboard.ts';
import { isMac } from './platform.ts';
import { usualKeys, type CommandId } from './usual.ts';

export function useKeyOf() {
  const preferences = usePreferences();
  const usual = usualKeys(isMac);

  /** The key of a command as it is shown; null where it has none. */
  function keyOf(command: CommandId): string | null {
    const [key] = preferences.keys[command] ?? usual[command];
    return key === undefined ? null : keyLabel(key);
  }
  /** What a button does, and its key. */
  function hint(says: string, command: CommandId): string {
    const key = keyOf(command);
    return key === null ? says : `${says} (${key})`;
  }
  return { keyOf, hint };
}
