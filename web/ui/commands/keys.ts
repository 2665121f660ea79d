/** Keys that people choose for themselves. */
import type { Command } from './command.ts';

/** Keys of commands that are not the usual ones, by id. */
export type OwnKeys = Readonly<Record<string, readonly string[]>>;

/** Commands with the keys somebody chose. */
export const withOwnKeys = (commands: readonly Command[], own: OwnKeys): readonly Command[] =>
  commands.map((command) => {
    const keys = own[command.id];
    return keys ? { ...command, keys } : command;
  });

/** Keys the surface and the page need for writing. */
const writing: ReadonlySet<string> = new Set([
  'Enter',
  'Shift+Enter',
  'Backspace',
  'Delete',
  'Tab',
  'Shift+Tab',
  'Escape',
  'ArrowUp',
  'ArrowDown',
  'ArrowLeft',
  'ArrowRight',
  'Home',
  'End',
  'PageUp',
  'PageDown',
  'Ctrl+a',
  'Ctrl+c',
  'Ctrl+v',
  'Ctrl+x',
]);
/** Keys browsers keep for themselves whatever a page says (common practice). */
const taken: ReadonlySet<string> = new Set([
  'Ctrl+n',
  'Ctrl+t',
  'Ctrl+w',
  'Ctrl+Shift+n',
  'Ctrl+Shift+t',
  'Ctrl+Shift+w',
]);
/** The same on a Mac, with what the system does there (Apple, “Mac keyboard shortcuts”; from memory). */
const takenOnMac: ReadonlySet<string> = new Set([
  ...['n', 't', 'w', 'q', 'm', 'h', ',', 'Space', 'Tab', 'Shift+n', 'Shift+t', 'Shift+w', 'Shift+q'].map(
    (key) => `Cmd+${key}`,
  ),
  ...['Shift+3', 'Shift+4', 'Shift+5', 'Alt+Escape', 'Alt+d'].map((key) => `Cmd+${key}`),
  ...['Space', 'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Tab', 'Cmd+q', 'Cmd+f', 'Cmd+Space'].map(
    (key) => `Ctrl+${key}`,
  ),
]);

/** Why a key cannot be a command’s; null where it can. @param mac on a Mac */
export function unfit(key: string, mac: boolean): string | null {
  const forWriting = mac ? key.replace(/^Cmd\+(?=[acvx]$)/, 'Ctrl+') : key;
  if (writing.has(forWriting) && !(mac && /^Ctrl\+[acvx]$/.test(key)))
    return 'This key is needed for writing. Choose one with Ctrl or Alt, or a function key.';
  if ((mac ? takenOnMac : taken).has(key))
    return `${mac ? 'The system or the browser keeps' : 'Browsers keep'} this key. Choose another.`;
  if (!mac && key.includes('Ctrl+Alt')) return 'Ctrl and Alt together type letters on many keyboards. Choose another.';
  if (key.replace(/^Shift\+/, '').length === 1 || key === 'Space')
    return 'This key types text. Choose one with Ctrl or Alt, or a function key.';
  return null;
}

/** The other command that has a key. */
export const clash = (commands: readonly Command[], id: string, key: string): Command | null =>
  commands.find((c) => c.id !== id && c.keys.includes(key)) ?? null;

/** The keys after one was given to a command, and taken from whoever had it. */
export function given(commands: readonly Command[], own: OwnKeys, id: string, key: string): OwnKeys {
  const other = clash(commands, id, key);
  return {
    ...own,
    ...(other ? { [other.id]: other.keys.filter((k) => k !== key) } : {}),
    [id]: [key],
  };
}
