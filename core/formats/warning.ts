/** What a reader says of a file that was not as it should be. */

/** One thing in a file that was not as it should be, and what was made of it. */
export interface ParseWarning {
  /** Line of the file, from 1. */
  readonly line: number;
  readonly message: string;
  /** Something of the file is not in the captions. */
  readonly lost?: true;
}
