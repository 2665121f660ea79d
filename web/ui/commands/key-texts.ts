/** How the keys of commands are told to what shows them. */
import type { InjectionKey } from 'vue';

/** The key of a command as it is shown; null where it has none. */
export type KeyTextOf = (command: string) => string | null;

/** Given by the page that knows the commands. */
export const keyTexts: InjectionKey<KeyTextOf> = Symbol('key texts');
