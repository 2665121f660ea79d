/**
 * Fenwix's own track file: JSON with everything a track has. The schema stands in
 * `docs/track-file.schema.json`; `version` goes up when a reader of the old one could go wrong.
 */
import type { JsonObject } from '../../text/json.ts';
import type { Sheet } from '../sheet.ts';
import type { ParseWarning } from '../warning.ts';
import { decodeCaption, NotDecoded } from '../../model/decode.ts';
import { sorted, type Caption, type Foreign } from '../../model/caption.ts';
import { Unreadable, type Format, type ReadResult } from '../format.ts';

export const trackFileVersion = 1;

interface TrackFile {
  readonly fenwix: 'track';
  readonly version: typeof trackFileVersion;
  readonly title: string;
  readonly language: string | null;
  readonly foreign: Foreign | null;
  readonly captions: readonly Caption[];
}

/** The beginning of a track file, whatever the order of its keys and its white space. */
const shape = /^\s*\{[\s\S]{0,2000}"fenwix"\s*:\s*"track"/;

function parse(text: string): JsonObject {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    const why = error instanceof Error ? error.message.replace(/\s+/g, ' ') : '';
    throw new Unreadable(
      `This track file is incomplete: its JSON ends or breaks off somewhere (${why.slice(0, 120)}).`,
    );
  }
  if (typeof value === 'object' && value !== null && (value as JsonObject)['fenwix'] === 'track')
    return value as JsonObject;
  throw new Unreadable('This JSON file is not a track file of Fenwix: "fenwix": "track" was expected in it.');
}

function foreignOf(value: unknown): Foreign | null {
  if (value === null || value === undefined) return null;
  if (typeof value === 'object' && Object.values(value).every((v) => typeof v === 'string')) return value as Foreign;
  throw new Unreadable('foreign: expected texts by name.');
}

function read(text: string): ReadResult {
  const file = parse(text.startsWith('\ufeff') ? text.slice(1) : text);
  const version = file['version'];
  if (version !== trackFileVersion) {
    throw new Unreadable(
      typeof version === 'number' && version > trackFileVersion
        ? `This track file is of version ${String(version)}, which a later Fenwix wrote; this one reads version ${String(trackFileVersion)}.`
        : `version: expected ${String(trackFileVersion)}.`,
    );
  }
  const list = file['captions'];
  if (!Array.isArray(list)) throw new Unreadable('captions: expected a list.');
  const warnings: ParseWarning[] = [];
  const seen = new Set<string>();
  try {
    const captions = list.map((value, i): Caption => {
      const caption = decodeCaption(value, `captions[${String(i)}]`);
      if (seen.has(caption.id))
        warnings.push({ line: 1, message: `Two captions have the id “${caption.id}”; each was given a new one.` });
      seen.add(caption.id);
      return caption;
    });
    const language = file['language'];
    return {
      format: 'json',
      language: typeof language === 'string' && language !== '' ? language : null,
      captions: sorted(captions).map(({ id: _, ...rest }) => rest),
      warnings,
      foreign: foreignOf(file['foreign']),
    };
  } catch (error) {
    if (error instanceof NotDecoded) throw new Unreadable(error.message);
    throw error;
  }
}

/** A track as a file of Fenwix’s own. */
export function writeTrackFile({ captions, language, title, foreign }: Sheet): string {
  const { captions: _, ...head }: TrackFile = {
    fenwix: 'track',
    version: trackFileVersion,
    title,
    language,
    foreign,
    captions,
  };
  // A caption a line, so that the file can be looked at and compared.
  const lines = captions.map((c) => JSON.stringify(c)).join(',\n');
  return `${JSON.stringify(head).slice(0, -1)},"captions":[\n${lines}\n]}\n`;
}

export const trackFile: Format = {
  name: 'json',
  title: 'Fenwix track',
  extension: '.json',
  mediaType: 'application/json',
  detect: (text) => (shape.test(text.slice(0, 4000)) ? 1 : 0),
  read,
  writer: { write: writeTrackFile, losses: () => [] },
};
