/** Every format Fenwix knows, found by what a file contains and never by its name. */
import { groupWords } from '../layout/group.ts';
import type { HouseStyle } from '../rules/style.ts';
import { detectCtm, readCtm } from './ctm/ctm.ts';
import { Unreadable, type Format, type ReadResult } from './format.ts';
import { srt } from './srt/srt.ts';
import { webvtt } from './webvtt/webvtt.ts';

/** The formats that can be read and written. */
export const formats: readonly Format[] = [srt, webvtt];

export function formatNamed(name: string): Format | null {
  return formats.find((f) => f.name === name) ?? null;
}

/** The most bytes of a caption file that are read: an hour of captions is about 60 kB. */
export const largestCaptionFile = 50 * 1024 * 1024;

/** First bytes by which files that hold no text are known. */
const signatures: readonly { readonly bytes: readonly number[]; readonly what: string }[] = [
  { bytes: [0x89, 0x50, 0x4e, 0x47], what: 'a PNG picture' },
  { bytes: [0xff, 0xd8, 0xff], what: 'a JPEG picture' },
  { bytes: [0x50, 0x4b, 0x03, 0x04], what: 'a zip archive' },
  { bytes: [0x25, 0x50, 0x44, 0x46], what: 'a PDF document' },
  { bytes: [0x1a, 0x45, 0xdf, 0xa3], what: 'a recording' },
  { bytes: [0x4f, 0x67, 0x67, 0x53], what: 'a recording' },
];

/** The text of a caption file: by its mark, as UTF-8 where it is valid UTF-8, else as Windows-1252. @throws {Unreadable} */
export function decodeText(bytes: Uint8Array): string {
  if (bytes.length === 0) throw new Unreadable('The file is empty.');
  if (bytes.length > largestCaptionFile)
    throw new Unreadable('The file is over 50 MB, which no caption file is. Was the recording meant?');
  const known = signatures.find((s) => s.bytes.every((b, i) => bytes[i] === b));
  if (known) throw new Unreadable(`The file is ${known.what}, whatever its name says. A caption file was expected.`);
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  if (bytes.subarray(0, 4096).includes(0))
    throw new Unreadable('The file does not hold text: there is a zero byte near its beginning.');
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/**
 * Reads a caption file or a machine draft of any known format.
 * @param style lays out the words of formats that have words and no captions
 * @throws {Unreadable} with one sentence; nothing else is thrown whatever the bytes are
 */
export function readCaptions(text: string, style: HouseStyle): ReadResult {
  const best = formats
    .map((format) => ({ format, surety: format.detect(text) }))
    .reduce((a, b) => (b.surety > a.surety ? b : a));
  if (detectCtm(text) > best.surety)
    return { format: 'ctm', captions: groupWords(readCtm(text), style), mended: [], header: '' };
  if (best.surety === 0) {
    throw new Unreadable(
      'No caption format was recognised. SRT, WebVTT and CTM are read; the first line should be WEBVTT, a number above a time line, or a word with its times.',
    );
  }
  const result = best.format.read(text);
  if (result.captions.length === 0)
    throw new Unreadable(`The file is ${best.format.title}, and there is no caption in it.`);
  return result;
}
