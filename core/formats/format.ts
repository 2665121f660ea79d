/** What every caption format gives and takes. */
import type { HouseStyle } from '../style/style.ts';
import type { Foreign, ReadCaption } from '../model/caption.ts';
import type { Loss } from './loss.ts';
import type { ParseWarning } from './warning.ts';
import type { Sheet, WriteOptions } from './sheet.ts';

export interface ReadResult {
  readonly format: FormatName;
  /** BCP 47, where the file says it. */
  readonly language: string | null;
  /** In order of start, end. */
  readonly captions: readonly ReadCaption[];
  readonly warnings: readonly ParseWarning[];
  /** What stands in the file besides captions and belongs back in it on writing. */
  readonly foreign: Foreign | null;
}

export type FormatName = 'srt' | 'vtt' | 'ttml' | 'timed' | 'ctm' | 'txt' | 'html' | 'json';

/** A file that could not be read, with a sentence that names the place and what was expected. */
export class Unreadable extends Error {
  override readonly name = 'Unreadable';
}

export interface ReadOptions {
  /** Lays out the words of formats that have words and no captions. */
  readonly style: HouseStyle;
  /** Takes in what the format's own rules would drop. */
  readonly rescue: boolean;
}

export interface Writer {
  /** The text of a file, lines ended by LF. */
  readonly write: (sheet: Sheet, options: WriteOptions) => string;
  /** What the file would not hold, counted, before it is written. */
  readonly losses: (sheet: Sheet, options: WriteOptions) => readonly Loss[];
}

export interface Format {
  readonly name: FormatName;
  /** As people call it: SRT, WebVTT. */
  readonly title: string;
  readonly extension: string;
  readonly mediaType: string;
  /** How surely a text is this format: 0 not at all, 1 without doubt. Looks at the beginning only. */
  readonly detect: (text: string) => number;
  /** @throws {Unreadable} */
  readonly read: (text: string, options: ReadOptions) => ReadResult;
  /** Null for a format that is only read. */
  readonly writer: Writer | null;
}
