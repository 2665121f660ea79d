/** What is written into a file. */
import type { Caption, Foreign } from '../model/caption.ts';

/** What is written: captions in order of time, and what belongs to them as a whole. */
export interface Sheet {
  readonly captions: readonly Caption[];
  readonly title: string;
  /** BCP 47; null where it is not known. */
  readonly language: string | null;
  readonly foreign: Foreign | null;
}

export interface WriteOptions {
  /** Writes placement in formats where it is a habit of some players and no part of the format. */
  readonly positions: boolean;
  /** Writes the times of single words where the format can hold them. */
  readonly wordTimes: boolean;
  /** Writes the time before each paragraph of a transcript. */
  readonly timeMarks: boolean;
}

export const plainly: WriteOptions = { positions: false, wordTimes: false, timeMarks: false };
