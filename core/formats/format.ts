/** What every caption format gives and takes. */
import type { Caption } from '../track/caption.ts';

/** A caption as a file gives it; whoever takes it in gives it an id. */
export type ReadCaption = Omit<Caption, 'id'>;

/** One thing in a file that was not as it should be, and what was made of it. */
export interface Mended {
  /** Line of the file, from 1. */
  readonly line: number;
  readonly message: string;
}

export interface ReadResult {
  readonly format: FormatName;
  /** In order of start, end. */
  readonly captions: readonly ReadCaption[];
  readonly mended: readonly Mended[];
  /** What stands in the file besides captions and belongs back in it on writing. */
  readonly header: string;
}

export type FormatName = 'srt' | 'vtt' | 'ctm';

/** A file that could not be read, with a sentence that names the place and what was expected. */
export class Unreadable extends Error {
  override readonly name = 'Unreadable';
}

export interface Format {
  readonly name: FormatName;
  /** As people call it: SubRip, WebVTT. */
  readonly title: string;
  readonly extension: string;
  readonly mediaType: string;
  /** How surely a text is this format: 0 not at all, 1 without doubt. Looks at the beginning only. */
  readonly detect: (text: string) => number;
  /** @throws {Unreadable} */
  readonly read: (text: string) => ReadResult;
  /** Null for a format that is only read. */
  readonly write: ((captions: readonly Caption[], header: string) => string) | null;
}

/** Lines of a text whatever ends them: LF, CRLF or CR. */
export function linesOfText(text: string): string[] {
  const out: string[] = [];
  let start = 0;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    if (unit !== 10 && unit !== 13) continue;
    out.push(text.slice(start, i));
    if (unit === 13 && text.charCodeAt(i + 1) === 10) i++;
    start = i + 1;
  }
  out.push(text.slice(start));
  return out;
}
