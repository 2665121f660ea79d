/** Every command of a job's screens, with its keys: one list for the keyboard and the command finder. */
import type { RouteLocationRaw } from 'vue-router';
import type { DialogName } from '../stores/dialogs.ts';

export interface Command {
  readonly id: string;
  readonly title: string;
  /** As the keyboard says it: `Ctrl+Shift+ArrowUp`, or a key alone for outside text. */
  readonly keys: readonly string[];
  readonly run: () => void;
}

export interface Deeds {
  readonly toggle: () => void;
  readonly step: (direction: 1 | -1) => void;
  readonly replay: (around: 0 | 1) => void;
  readonly proof: () => void;
  readonly move: (by: 1 | -1) => void;
  readonly finding: (direction: 1 | -1) => void;
  readonly repair: () => void;
  readonly repairAll: () => Promise<void>;
  readonly timeHere: (edge: 'start' | 'end') => void;
  readonly join: (direction: 'above' | 'below') => void;
  readonly give: (to: 'above' | 'below') => void;
  readonly mark: (kind: 'italic' | 'bold' | 'underline') => void;
  readonly extend: (by: 1 | -1) => void;
  readonly loop: () => void;
  readonly speed: (direction: 1 | -1) => void;
  readonly follow: () => void;
  readonly doubtful: () => void;
  readonly unproofed: (direction: 1 | -1) => void;
  readonly find: () => void;
  readonly mendSame: () => void;
  readonly turn: () => void;
  readonly several: (deed: 'proof' | 'join' | 'remove' | 'keepOnly') => void;
  readonly undo: () => void;
  readonly redo: () => void;
  readonly go: (to: RouteLocationRaw) => void;
  readonly breakLines: () => Promise<void>;
  readonly dialog: (name: DialogName) => void;
}

export function commandsOf(deeds: Deeds): readonly Command[] {
  const stage =
    (name: string): (() => void) =>
    () =>
      deeds.go({ name });
  return [
    { id: 'play', title: 'Play or hold', keys: ['Ctrl+Space', 'Space'], run: deeds.toggle },
    { id: 'back', title: 'Back one step', keys: ['Ctrl+,'], run: () => deeds.step(-1) },
    { id: 'ahead', title: 'Ahead one step', keys: ['Ctrl+.'], run: () => deeds.step(1) },
    { id: 'replay', title: 'Replay this caption', keys: ["Ctrl+'"], run: () => deeds.replay(0) },
    {
      id: 'replay-around',
      title: 'Replay with the one before and after',
      keys: ["Ctrl+Shift+'"],
      run: () => deeds.replay(1),
    },
    { id: 'loop', title: 'Play this caption again and again', keys: ['Ctrl+;'], run: deeds.loop },
    { id: 'slower', title: 'Slower', keys: ['Ctrl+Shift+,'], run: () => deeds.speed(-1) },
    { id: 'faster', title: 'Faster', keys: ['Ctrl+Shift+.'], run: () => deeds.speed(1) },
    { id: 'follow', title: 'Follow the sound, or stay here', keys: ['Ctrl+Shift+f'], run: deeds.follow },
    { id: 'proof', title: 'Proofed, and on to the next', keys: ['Ctrl+Enter'], run: deeds.proof },
    { id: 'above', title: 'Caption above', keys: ['Ctrl+ArrowUp'], run: () => deeds.move(-1) },
    { id: 'below', title: 'Caption below', keys: ['Ctrl+ArrowDown'], run: () => deeds.move(1) },
    { id: 'unproofed', title: 'Next caption not proofed', keys: ['F9'], run: () => deeds.unproofed(1) },
    { id: 'unproofed-before', title: 'Caption not proofed before', keys: ['Shift+F9'], run: () => deeds.unproofed(-1) },
    { id: 'doubtful', title: 'Next doubtful word, with suggestions', keys: ['F4'], run: deeds.doubtful },
    { id: 'mend-same', title: 'Mend the same mistake everywhere', keys: ['Ctrl+m'], run: deeds.mendSame },
    { id: 'find', title: 'Find and replace', keys: ['Ctrl+f'], run: deeds.find },
    { id: 'turn', title: 'Line by line, or running text', keys: ['Ctrl+Shift+r'], run: deeds.turn },
    { id: 'finding', title: 'Next finding', keys: ['F8'], run: () => deeds.finding(1) },
    { id: 'finding-before', title: 'Finding before', keys: ['Shift+F8'], run: () => deeds.finding(-1) },
    { id: 'repair', title: 'Repair what the monitor shows', keys: ['Ctrl+e'], run: deeds.repair },
    { id: 'repair-all', title: 'Repair everything that can be repaired', keys: [], run: () => void deeds.repairAll() },
    { id: 'break-lines', title: 'Break lines again', keys: ['Ctrl+Shift+Enter'], run: () => void deeds.breakLines() },
    { id: 'relay', title: 'Lay out anew…', keys: [], run: () => deeds.dialog('relay') },
    { id: 'job-style', title: 'Change the house style for this job…', keys: [], run: () => deeds.dialog('style') },
    {
      id: 'begin-here',
      title: 'Begin this caption at the playhead',
      keys: ['Ctrl+['],
      run: () => deeds.timeHere('start'),
    },
    { id: 'end-here', title: 'End this caption at the playhead', keys: ['Ctrl+]'], run: () => deeds.timeHere('end') },
    {
      id: 'give-above',
      title: 'Give the first word to the caption above',
      keys: ['Alt+Shift+ArrowUp'],
      run: () => deeds.give('above'),
    },
    {
      id: 'give-below',
      title: 'Give the last word to the caption below',
      keys: ['Alt+Shift+ArrowDown'],
      run: () => deeds.give('below'),
    },
    { id: 'italic', title: 'Italic', keys: ['Ctrl+i'], run: () => deeds.mark('italic') },
    { id: 'bold', title: 'Bold', keys: ['Ctrl+b'], run: () => deeds.mark('bold') },
    { id: 'underline', title: 'Underline', keys: ['Ctrl+u'], run: () => deeds.mark('underline') },
    {
      id: 'select-above',
      title: 'Select the caption above too',
      keys: ['Ctrl+Shift+ArrowUp'],
      run: () => deeds.extend(-1),
    },
    {
      id: 'select-below',
      title: 'Select the caption below too',
      keys: ['Ctrl+Shift+ArrowDown'],
      run: () => deeds.extend(1),
    },
    {
      id: 'proof-selected',
      title: 'Selected captions proofed, or no longer',
      keys: [],
      run: () => deeds.several('proof'),
    },
    { id: 'label', title: 'Label the speaker…', keys: ['Ctrl+l'], run: () => deeds.dialog('label') },
    { id: 'shift', title: 'Shift in time…', keys: [], run: () => deeds.dialog('shift') },
    { id: 'join-selected', title: 'Join the selected captions', keys: ['Ctrl+j'], run: () => deeds.several('join') },
    {
      id: 'delete',
      title: 'Delete the selected captions',
      keys: ['Ctrl+Shift+Delete'],
      run: () => deeds.several('remove'),
    },
    { id: 'keep-only', title: 'Keep only the selected captions', keys: [], run: () => deeds.several('keepOnly') },
    { id: 'join-above', title: 'Join with the caption above', keys: [], run: () => deeds.join('above') },
    { id: 'join-below', title: 'Join with the caption below', keys: [], run: () => deeds.join('below') },
    { id: 'undo', title: 'Undo', keys: ['Ctrl+z'], run: deeds.undo },
    { id: 'redo', title: 'Redo', keys: ['Ctrl+Shift+z'], run: deeds.redo },
    { id: 'find-command', title: 'Find a command', keys: ['Ctrl+k'], run: () => deeds.dialog('finder') },
    { id: 'keys', title: 'All keys, and ways of working', keys: ['?'], run: () => deeds.dialog('keys') },
    { id: 'go-words', title: 'Go to Words', keys: [], run: stage('words') },
    { id: 'go-checks', title: 'Go to Checks', keys: [], run: stage('checks') },
    { id: 'go-handover', title: 'Go to Handover', keys: [], run: stage('handover') },
    { id: 'go-styles', title: 'Go to house styles', keys: [], run: stage('styles') },
    { id: 'go-jobs', title: 'Go to all jobs', keys: [], run: stage('jobs') },
  ];
}

type Pressed = Pick<KeyboardEvent, 'key' | 'code' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>;

/** Keys that change their character with Shift are named by the key itself. */
const unshifted: Readonly<Record<string, string>> = {
  Quote: "'",
  Comma: ',',
  Period: '.',
  BracketLeft: '[',
  BracketRight: ']',
  Semicolon: ';',
};

/** A key press in the words of the command list; null for a modifier alone. */
export function pressedKey(event: Pressed): string | null {
  if (['Control', 'Shift', 'Alt', 'Meta', 'AltGraph', 'Dead', 'Process'].includes(event.key)) return null;
  const plain = event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const control = event.ctrlKey || event.metaKey;
  const key = control ? (unshifted[event.code] ?? plain) : plain;
  const shift = event.shiftKey && (control || key.length > 1);
  return [control ? 'Ctrl' : '', event.altKey ? 'Alt' : '', shift ? 'Shift' : '', key].filter(Boolean).join('+');
}

/** The command a key press asks for. Keys without Ctrl that write text do nothing while text is being written. */
export function commandFor(
  commands: readonly Command[],
  event: Pressed,
  inText: boolean,
  onControl: boolean,
): Command | null {
  const key = pressedKey(event);
  if (key === null) return null;
  const bare = key === 'Space' || key.length === 1;
  if (bare && (inText || (onControl && key === 'Space'))) return null;
  return commands.find((c) => c.keys.includes(key)) ?? null;
}

/** A key as it is shown. */
export function keyLabel(key: string): string {
  return key
    .split('+')
    .map(
      (part) => ({ ArrowUp: '↑', ArrowDown: '↓', Enter: '↵' })[part] ?? (part.length === 1 ? part.toUpperCase() : part),
    )
    .join(' ');
}
