/** What the commands need of the outside, so that they can be tried without it. */

export interface Terminal {
  /** Bytes of a file, or of standard input for `-`. @throws {CannotDo} */
  readonly read: (path: string) => Uint8Array;
  /** Writes a file, or to standard output for `-`. @throws {CannotDo} */
  readonly write: (path: string, text: string) => void;
  readonly say: (text: string) => void;
  /** For what is not the result itself: warnings, reports beside a file on standard output. */
  readonly mutter: (text: string) => void;
}

/** How a command ended: 0 fine, 1 findings or loss, 2 could not. */
export type Ending = 0 | 1 | 2;

/** @throws {CannotDo} with a sentence */
export type CommandLine = (words: readonly string[], terminal: Terminal) => Ending;
