/** Key presses in the words of the command list. */
import type { Command } from './command.ts';

type KeyPress = Pick<KeyboardEvent, 'key' | 'code' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>;

/** Keys that change their character with Shift are named by the key itself. */
const unshifted: Readonly<Record<string, string>> = {
  Quote: "'",
  Comma: ',',
  Period: '.',
  ...Object.fromEntries(['1', '2', '3', '4', '5', '6', '7', '8', '9', '0'].map((digit) => [`Digit${digit}`, digit])),
  BracketLeft: '[',
  BracketRight: ']',
  Semicolon: ';',
};

/** Whether a key writes a character, whatever that is made of. */
export const isOneCharacter = (key: string): boolean => /^.$/u.test(key);

/** A key press in the words of the command list; null for a modifier alone. @param mac the key with ⌘ on it is Cmd */
export function keyOf(event: KeyPress, mac: boolean): string | null {
  if (['Control', 'Shift', 'Alt', 'Meta', 'AltGraph', 'Dead', 'Process'].includes(event.key)) return null;
  const plain = event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const control = event.ctrlKey || event.metaKey || event.altKey;
  const key = control ? (unshifted[event.code] ?? plain) : plain;
  const shift = event.shiftKey && (control || key.length > 1);
  return [
    event.ctrlKey ? 'Ctrl' : '',
    event.metaKey ? (mac ? 'Cmd' : 'Meta') : '',
    event.altKey ? 'Alt' : '',
    shift ? 'Shift' : '',
    key,
  ]
    .filter(Boolean)
    .join('+');
}

/** Where a key was pressed. */
export interface KeyPlace {
  readonly inText: boolean;
  readonly onControl: boolean;
  readonly mac: boolean;
  /** The tape itself has the keyboard: letters alone are commands there. */
  readonly onTape: boolean;
}

/** The command a key press asks for. Keys without Ctrl that write text do nothing while text is being written. */
export function commandFor(
  commands: readonly Command[],
  event: KeyPress,
  { inText, onControl, mac, onTape }: KeyPlace,
): Command | null {
  const key = keyOf(event, mac);
  if (key === null) return null;
  const bare = key === 'Space' || key.length === 1;
  if (bare && (inText || (onControl && key === 'Space'))) return null;
  if (/^[a-z]$/.test(key) && !onTape) return null;
  return commands.find((c) => c.keys.includes(key)) ?? null;
}

/** A key as it is shown. */
export function keyLabel(key: string): string {
  return key
    .split('+')
    .map(
      (part) =>
        ({ ArrowUp: '↑', ArrowDown: '↓', Enter: '↵', Backspace: '⌫' })[part] ??
        (part.length === 1 ? part.toUpperCase() : part),
    )
    .join(' ');
}
