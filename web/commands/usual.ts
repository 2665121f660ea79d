/** Every command of a job's screens with its usual keys: one list for the keyboard, the command finder and the buttons. */

interface Usual {
  readonly id: string;
  readonly title: string;
  /** As the keyboard says it: `Ctrl+Shift+ArrowUp`, or a key alone for outside text. */
  readonly keys: readonly string[];
  /** The keys on a Mac, where they are others: those above are the system’s or the browser’s there. */
  readonly mac?: readonly string[];
}

const hearing = [
  { id: 'play', title: 'Play or hold', keys: ['Ctrl+Space', 'Space'], mac: ['Ctrl+p', 'Space'] },
  { id: 'back', title: 'Back one step', keys: ['Ctrl+,'] },
  { id: 'ahead', title: 'Ahead one step', keys: ['Ctrl+.'] },
  { id: 'replay', title: 'Replay this caption', keys: ["Ctrl+'"] },
  { id: 'replay-around', title: 'Replay with the one before and after', keys: ["Ctrl+Shift+'"] },
  { id: 'loop', title: 'Play this caption again and again', keys: ['Ctrl+;'] },
  { id: 'slower', title: 'Slower', keys: ['Ctrl+Shift+,'] },
  { id: 'faster', title: 'Faster', keys: ['Ctrl+Shift+.'] },
  { id: 'follow', title: 'Follow the sound, or stay here', keys: ['Ctrl+Shift+f'] },
] as const satisfies readonly Usual[];

const mending = [
  { id: 'heard', title: 'The word just heard, to mend it; again, the one before', keys: ['F3'], mac: ['Ctrl+s'] },
  { id: 'doubtful', title: 'Next doubtful word, with suggestions', keys: ['F4'], mac: ['Ctrl+w'] },
  {
    id: 'suggest',
    title: 'Suggestions for this word, or the selected words',
    keys: ['Shift+F4'],
    mac: ['Ctrl+Shift+w'],
  },
  { id: 'mend-same', title: 'Mend the same mistake everywhere', keys: ['Ctrl+m'] },
  { id: 'find', title: 'Find and replace', keys: ['Ctrl+f'], mac: ['Cmd+f'] },
  { id: 'capital', title: 'Capital for this word, or none', keys: ['F2'], mac: ['Ctrl+u'] },
  { id: 'italic', title: 'Italic', keys: ['Ctrl+i'], mac: ['Cmd+i'] },
  { id: 'bold', title: 'Bold', keys: ['Ctrl+b'], mac: ['Cmd+b'] },
  { id: 'underline', title: 'Underline', keys: ['Ctrl+u'], mac: ['Cmd+u'] },
  { id: 'turn', title: 'Line by line, or running text', keys: ['Ctrl+Shift+r'] },
] as const satisfies readonly Usual[];

const captions = [
  { id: 'proof', title: 'Proofed, and on to the next', keys: ['Ctrl+Enter'], mac: ['Cmd+Enter'] },
  { id: 'above', title: 'Caption above', keys: ['Ctrl+ArrowUp'], mac: ['Cmd+Alt+ArrowUp'] },
  { id: 'below', title: 'Caption below', keys: ['Ctrl+ArrowDown'], mac: ['Cmd+Alt+ArrowDown'] },
  { id: 'unproofed', title: 'Next caption not proofed', keys: ['F9'], mac: ['Ctrl+n'] },
  { id: 'unproofed-before', title: 'Caption not proofed before', keys: ['Shift+F9'], mac: ['Ctrl+Shift+n'] },
  { id: 'give-above', title: 'Give the first word to the caption above', keys: ['Alt+Shift+ArrowUp'] },
  { id: 'give-below', title: 'Give the last word to the caption below', keys: ['Alt+Shift+ArrowDown'] },
  { id: 'join-above', title: 'Join with the caption above', keys: [] },
  { id: 'join-below', title: 'Join with the caption below', keys: [] },
  { id: 'begin-here', title: 'Begin this caption at the playhead', keys: ['Ctrl+['] },
  { id: 'end-here', title: 'End this caption at the playhead', keys: ['Ctrl+]'] },
  { id: 'break-lines', title: 'Break lines again', keys: ['Ctrl+Shift+Enter'], mac: ['Cmd+Shift+Enter'] },
] as const satisfies readonly Usual[];

const several = [
  {
    id: 'select-above',
    title: 'Select the caption above too',
    keys: ['Ctrl+Shift+ArrowUp'],
    mac: ['Cmd+Alt+Shift+ArrowUp'],
  },
  {
    id: 'select-below',
    title: 'Select the caption below too',
    keys: ['Ctrl+Shift+ArrowDown'],
    mac: ['Cmd+Alt+Shift+ArrowDown'],
  },
  { id: 'proof-selected', title: 'Selected captions proofed, or no longer', keys: [] },
  { id: 'label', title: 'Label the speaker…', keys: ['Ctrl+l'] },
  { id: 'join-selected', title: 'Join the selected captions', keys: ['Ctrl+j'] },
  { id: 'shift', title: 'Shift in time…', keys: [] },
  { id: 'relay', title: 'Lay out anew…', keys: [] },
  { id: 'delete', title: 'Delete the selected captions', keys: ['Ctrl+Shift+Delete'], mac: ['Ctrl+Shift+Backspace'] },
  { id: 'keep-only', title: 'Keep only the selected captions', keys: [] },
] as const satisfies readonly Usual[];

const findings = [
  { id: 'finding', title: 'Next finding', keys: ['F8'], mac: ['Ctrl+g'] },
  { id: 'finding-before', title: 'Finding before', keys: ['Shift+F8'], mac: ['Ctrl+Shift+g'] },
  { id: 'repair', title: 'Repair what the monitor shows', keys: ['Ctrl+e'], mac: ['Ctrl+r'] },
  { id: 'repair-all', title: 'Repair everything that can be repaired', keys: [] },
  { id: 'job-style', title: 'Change the house style for this job…', keys: [] },
] as const satisfies readonly Usual[];

const anywhere = [
  { id: 'undo', title: 'Undo', keys: ['Ctrl+z'], mac: ['Cmd+z'] },
  { id: 'redo', title: 'Redo', keys: ['Ctrl+Shift+z'], mac: ['Cmd+Shift+z'] },
  { id: 'find-command', title: 'Find a command', keys: ['Ctrl+k'], mac: ['Cmd+k'] },
  { id: 'keys', title: 'All keys, and ways of working', keys: ['?'] },
  { id: 'go-words', title: 'Go to Words', keys: [] },
  { id: 'go-checks', title: 'Go to Checks', keys: [] },
  { id: 'go-tracks', title: 'Go to Tracks', keys: [] },
  { id: 'go-handover', title: 'Go to Handover', keys: [] },
  { id: 'go-styles', title: 'Go to house styles', keys: [] },
  { id: 'go-jobs', title: 'Go to all jobs', keys: [] },
] as const satisfies readonly Usual[];

export type CommandId = (typeof sections)[number]['commands'][number]['id'];
type Listed = Usual & { readonly id: CommandId };

/** The commands in sections, as a person looks for them. */
export const sections = [
  { title: 'Hearing', commands: hearing },
  { title: 'Mending words', commands: mending },
  { title: 'One caption', commands: captions },
  { title: 'Several captions', commands: several },
  { title: 'Findings', commands: findings },
  { title: 'Anywhere', commands: anywhere },
] as const;

export const usual = sections.flatMap((section): readonly Listed[] => section.commands);

/** The usual keys of every command, by id. */
export const usualKeys = (mac: boolean): Readonly<Record<CommandId, readonly string[]>> =>
  Object.fromEntries(
    usual.map((command: Usual) => [command.id, (mac ? command.mac : undefined) ?? command.keys]),
  ) as unknown as Record<CommandId, readonly string[]>;
