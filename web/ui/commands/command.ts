/**
 * Commands as values. Each is written beside what it does, in the `commands.ts` of its room, and the frame
 * gathers them: for the keyboard, the command finder, the sheet of keys and the hints on buttons.
 */

/** In the order in which the sheet of keys shows them. */
export const sections = [
  'Hearing',
  'Correcting words',
  'Timing',
  'One caption',
  'Several captions',
  'Findings',
  'Anywhere',
] as const;

export interface Command {
  /** Keys people chose are kept under it, so it stays what it is. */
  readonly id: string;
  readonly section: (typeof sections)[number];
  readonly title: string;
  /** As the keyboard says it: `Ctrl+Shift+ArrowUp`, or a key alone for outside text; a letter alone is for the tape. */
  readonly keys: readonly string[];
  /** The keys on a Mac, where they are others: those above are the system’s or the browser’s there. */
  readonly mac?: readonly string[];
  readonly run: () => void;
  /** Why it cannot be done now, as a sentence that says what to do; null, or nothing, where it can. */
  readonly whyNot?: () => string | null;
  /** What the key does as it is let go; held, it runs once however long. */
  readonly release?: () => void;
}

/** A command with what its section and its keys would be on their own. */
type Entry = Omit<Command, 'section'>;

/** The commands of one section. @param whyNot why none of them can be done now, for those that do not say so themselves */
export const inSection = (
  section: Command['section'],
  entries: readonly Entry[],
  whyNot?: Command['whyNot'],
): readonly Command[] => entries.map((entry) => ({ ...(whyNot ? { whyNot } : {}), ...entry, section }));

/** Commands with the keys of a Mac, or those of other machines. */
export const withKeysOf = (commands: readonly Command[], mac: boolean): readonly Command[] =>
  mac ? commands.map((command) => ({ ...command, keys: command.mac ?? command.keys })) : commands;
