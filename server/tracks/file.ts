/** A track as a file. */
import type { WriteOptions } from '../../core/formats/sheet.ts';
import type { Knex } from 'knex';
import type { FormatName } from '../../core/formats/format.ts';
import { hasNoWords } from '../../core/formats/cue.ts';
import { writable } from '../../core/formats/registry.ts';
import { captionsFor, type LeftOut } from '../../core/handover/leave-out.ts';
import { fileName, usualPattern } from '../../core/handover/naming.ts';
import { missing } from '../http/errors.ts';
import type { EditLog } from './log.ts';
import { jobTitle, trackRow } from './store.ts';

/** How a file is wanted: its format, what is left out, what is written besides. */
export interface FileOptions extends LeftOut, WriteOptions {
  readonly format: FormatName;
}

export interface WrittenFile {
  readonly name: string;
  readonly text: string;
  readonly mediaType: string;
  /** The edit it was written at. */
  readonly edit: number;
  readonly job: string;
  /** There is no caption in it that has words and a length. */
  readonly isEmpty: boolean;
}

/**
 * The file of a track in a format, under the name it goes by.
 * @param at as it stood after this edit
 * @throws {ApiError} when there is no such track, or no such edit
 */
export async function fileOf(
  db: Knex,
  log: EditLog,
  id: string,
  wanted: FileOptions,
  at?: number,
): Promise<WrittenFile> {
  const row = await trackRow(db, id);
  const title = await jobTitle(db, row.job);
  const track = await log.load(id, at);
  const format = writable.find((f) => f.name === wanted.format);
  if (!format) throw missing('This format');
  const sheet = {
    captions: captionsFor(track.captions, wanted.format, wanted),
    title,
    language: track.language,
    foreign: track.foreign,
  };
  return {
    name: fileName(usualPattern(format), title, track.language),
    text: format.writer.write(sheet, wanted),
    mediaType: format.mediaType,
    edit: track.edit,
    job: row.job,
    isEmpty: sheet.captions.every((c) => hasNoWords(c.text) || c.end === c.start),
  };
}
