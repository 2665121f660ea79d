/** Every format Fenwix knows, found by what a file contains and never by its name. */
import { rollingOf, unroll, type Rolling } from '../layout/unroll.ts';
import type { HouseStyle } from '../style/style.ts';
import { ctm } from './ctm/ctm.ts';
import { decodeText, type Decoded, type FoundBy } from './encoding.ts';
import { Unreadable, type Format, type FormatName, type ReadResult } from './format.ts';
import { safeWriter } from './safe-sheet.ts';
import { srt } from './srt/srt.ts';
import { timedText } from './timed-text/timed-text.ts';
import { trackFile } from './track-file/track-file.ts';
import { transcriptHtml } from './transcript/html.ts';
import { transcriptText } from './transcript/text.ts';
import { ttml } from './ttml/ttml.ts';
import { webvtt } from './webvtt/webvtt.ts';

export const formats: readonly Format[] = [
  srt,
  webvtt,
  ttml,
  transcriptText,
  transcriptHtml,
  ctm,
  trackFile,
  timedText,
];

/** The formats that are written too, in the order in which they are offered; only Fenwix’s own holds whatever a track does. */
export const writable = formats.flatMap((f) =>
  f.writer ? [{ ...f, writer: f === trackFile ? f.writer : safeWriter(f.writer) }] : [],
);

/** The format of this name; null where there is none. */
export const formatNamed = (name: string): Format | null => formats.find((f) => f.name === name) ?? null;

/** What a reader may be told; all of it can be left out but the style. */
export interface ImportOptions {
  /** Lays out the words of formats that have words and no captions. */
  readonly style: HouseStyle;
  /** Reads as this format, whatever the file looks like. */
  readonly from?: FormatName | undefined;
  /** A label of the Encoding Standard. */
  readonly encoding?: string | undefined;
  /** Takes in what the rules of a format would drop. */
  readonly rescue?: boolean | undefined;
  /** Undoes rolling and word-by-word captions. */
  readonly unroll?: boolean | undefined;
}

/** A file as it was understood. */
export interface ImportResult extends ReadResult {
  readonly encoding: string;
  readonly encodingBy: FoundBy;
  /** Whether the captions roll, as the file has them. */
  readonly rolling: Rolling | null;
}

/** The format a text is in. @throws {Unreadable} where it is none of them */
export function detectFormat(text: string): Format {
  const best = formats
    .map((format) => ({ format, surety: format.detect(text) }))
    .reduce((a, b) => (b.surety > a.surety ? b : a));
  if (best.surety > 0) return best.format;
  throw new Unreadable(
    'No caption format was recognised. SRT, WebVTT, TTML, CTM, timed text, transcripts and Fenwix tracks are read: a first line of WEBVTT, a number above a time line, or lines that begin with times were expected.',
  );
}

/** WebVTT is UTF-8 and nothing else: what another encoding holds is read as a player would, unless told otherwise. */
function asPlayersRead(bytes: Uint8Array, decoded: Decoded): Decoded {
  if (decoded.encoding.startsWith('utf-16'))
    throw new Unreadable(
      `This WebVTT file is in ${decoded.encoding.toUpperCase()}, and players read UTF-8 only: they would show nothing of it. Recover it (--rescue), or name its encoding.`,
    );
  return decodeText(bytes, 'utf-8');
}

/**
 * Reads a file of captions, words or a transcript, in any known format.
 * @throws {Unreadable} with one sentence; nothing else is thrown whatever the bytes are
 */
export function importCaptions(bytes: Uint8Array, asked: ImportOptions): ImportResult {
  const { style, rescue = false } = asked;
  let decoded = decodeText(bytes, asked.encoding);
  const named = asked.from === undefined ? null : formatNamed(asked.from);
  const format = named ?? detectFormat(decoded.text);
  if (format.name === 'vtt' && !rescue && asked.encoding === undefined && decoded.encoding !== 'utf-8')
    decoded = { ...asPlayersRead(bytes, decoded), by: 'utf-8' };
  const result = format.read(decoded.text, { style, rescue });
  if (result.captions.length === 0) throw new Unreadable(`The file is ${format.title}, and there is no caption in it.`);
  const rolling = rollingOf(result.captions);
  const broken =
    decoded.broken > 0
      ? [
          {
            line: 1,
            message: `${String(decoded.broken)} places could not be read as ${decoded.encoding.toUpperCase()} and show as \ufffd; another encoding may be meant.`,
          },
        ]
      : [];
  return {
    ...result,
    captions: asked.unroll === true && rolling ? unroll(result.captions, rolling, style) : result.captions,
    warnings: [...broken, ...result.warnings],
    encoding: decoded.encoding,
    encodingBy: decoded.by,
    rolling,
  };
}
