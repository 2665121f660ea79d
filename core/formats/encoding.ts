/** The text of a file, whatever bytes it came as. */
import chardet from 'chardet';
import { Unreadable } from './format.ts';

/** How an encoding was found: its mark, valid UTF-8, the pattern of its zero bytes, a guess from the letters, or told. */
export type FoundBy = 'mark' | 'utf-8' | 'zeros' | 'guess' | 'told';

export interface Decoded {
  readonly text: string;
  /** By the name the Encoding Standard gives it, as `utf-8` or `windows-1252`. */
  readonly encoding: string;
  readonly by: FoundBy;
  /** How many places could not be read in it and became U+FFFD. */
  readonly broken: number;
}

/** Encodings to choose from where the guess is wrong. */
export const encodings: readonly { readonly name: string; readonly title: string }[] = [
  { name: 'utf-8', title: 'Unicode (UTF-8)' },
  { name: 'utf-16le', title: 'Unicode (UTF-16)' },
  { name: 'utf-16be', title: 'Unicode (UTF-16, big end first)' },
  { name: 'windows-1252', title: 'Western European (Windows-1252)' },
  { name: 'iso-8859-15', title: 'Western European with € (ISO 8859-15)' },
  { name: 'macintosh', title: 'Western European (old Macintosh)' },
  { name: 'windows-1250', title: 'Central European (Windows-1250)' },
  { name: 'iso-8859-2', title: 'Central European (ISO 8859-2)' },
  { name: 'windows-1257', title: 'Baltic (Windows-1257)' },
  { name: 'windows-1251', title: 'Cyrillic (Windows-1251)' },
  { name: 'koi8-r', title: 'Cyrillic (KOI8-R)' },
  { name: 'windows-1253', title: 'Greek (Windows-1253)' },
  { name: 'windows-1254', title: 'Turkish (Windows-1254)' },
  { name: 'windows-1255', title: 'Hebrew (Windows-1255)' },
  { name: 'windows-1256', title: 'Arabic (Windows-1256)' },
  { name: 'windows-1258', title: 'Vietnamese (Windows-1258)' },
  { name: 'windows-874', title: 'Thai (Windows-874)' },
  { name: 'shift_jis', title: 'Japanese (Shift JIS)' },
  { name: 'euc-jp', title: 'Japanese (EUC-JP)' },
  { name: 'gb18030', title: 'Chinese, simplified (GB 18030)' },
  { name: 'big5', title: 'Chinese, traditional (Big5)' },
  { name: 'euc-kr', title: 'Korean (EUC-KR)' },
];

/** The most bytes of a caption file that are read: an hour of captions is about 60 kB. */
export const largestCaptionFile = 50 * 1024 * 1024;

/** First bytes by which files that hold no text are known. */
const signatures: readonly { readonly bytes: readonly number[]; readonly at?: number; readonly what: string }[] = [
  { bytes: [0x89, 0x50, 0x4e, 0x47], what: 'a PNG picture' },
  { bytes: [0xff, 0xd8, 0xff], what: 'a JPEG picture' },
  { bytes: [0x47, 0x49, 0x46, 0x38], what: 'a GIF picture' },
  { bytes: [0x52, 0x49, 0x46, 0x46], what: 'a recording or a picture' },
  { bytes: [0x50, 0x4b, 0x03, 0x04], what: 'a zip archive or an office document' },
  { bytes: [0x1f, 0x8b], what: 'a gzip archive' },
  { bytes: [0x37, 0x7a, 0xbc, 0xaf], what: 'a 7z archive' },
  { bytes: [0x52, 0x61, 0x72, 0x21], what: 'a rar archive' },
  { bytes: [0xd0, 0xcf, 0x11, 0xe0], what: 'an office document of the old kind' },
  { bytes: [0x7b, 0x5c, 0x72, 0x74, 0x66], what: 'an RTF document' },
  { bytes: [0x25, 0x50, 0x44, 0x46], what: 'a PDF document' },
  { bytes: [0x1a, 0x45, 0xdf, 0xa3], what: 'a recording' },
  { bytes: [0x66, 0x74, 0x79, 0x70], at: 4, what: 'a recording' },
  { bytes: [0x4f, 0x67, 0x67, 0x53], what: 'a recording' },
  { bytes: [0x66, 0x4c, 0x61, 0x43], what: 'a recording' },
  { bytes: [0x49, 0x44, 0x33], what: 'a recording' },
];

function decoderFor(label: string): TextDecoder | null {
  try {
    const decoder = new TextDecoder(label);
    return decoder.encoding === 'replacement' ? null : decoder;
  } catch {
    return null;
  }
}

/** What Windows-1252 has where other encodings have control characters (Encoding Standard, index windows-1252); U+FFFD where it has nothing. */
const windows1252 = '€\ufffd‚ƒ„…†‡ˆ‰Š‹Œ\ufffdŽ\ufffd\ufffd‘’“”•–—˜™š›œ\ufffdžŸ';

/**
 * Text as people write it: U+0080 to U+009F are never meant, and come of dashes and quotation marks in
 * Windows-1252 read as Latin-1; U+0000 becomes U+FFFD, as WebVTT has it.
 */
const readable = (text: string): string =>
  text.replace(/[\u0080-\u009f]/g, (sign) => windows1252.charAt(sign.charCodeAt(0) - 0x80)).replaceAll('\0', '\ufffd');

const count = (text: string, sign: string): number => {
  let n = 0;
  for (let i = text.indexOf(sign); i >= 0; i = text.indexOf(sign, i + 1)) n++;
  return n;
};

function decode(bytes: Uint8Array, label: string, by: FoundBy): Decoded {
  const decoder = decoderFor(label);
  if (!decoder) throw new Unreadable(`“${label}” is not an encoding that can be read. Try utf-8 or windows-1252.`);
  const text = readable(decoder.decode(bytes));
  return { text, encoding: decoder.encoding, by, broken: count(text, '\ufffd') };
}

/** UTF-16 without a mark shows by the zero bytes of its digits and spaces, all on one side. */
function utf16ByZeros(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  const end = Math.min(bytes.length, 8192);
  const zeros = [0, 0];
  for (let i = 0; i < end; i++) if (bytes[i] === 0) zeros[i % 2] = (zeros[i % 2] ?? 0) + 1;
  const [even = 0, odd = 0] = zeros;
  if (even + odd < end / 12) return null;
  if (odd > even * 10) return 'utf-16le';
  return even > odd * 10 ? 'utf-16be' : null;
}

/** Whether a file is no text for its zero bytes; a few in otherwise good text are slips of whatever wrote it. */
function isFullOfZeros(bytes: Uint8Array): boolean {
  const sample = bytes.subarray(0, 4096);
  let zeros = 0;
  for (const byte of sample) if (byte === 0) zeros++;
  return zeros * 20 > sample.length;
}

/** How many bytes the guess looks at. */
const sampleSize = 64 * 1024;

/** The lines that hold letters outside ASCII: times and plain English say nothing about an encoding. */
function tellingBytes(bytes: Uint8Array): Uint8Array {
  const sample = new Uint8Array(Math.min(bytes.length, sampleSize));
  let filled = 0;
  for (let from = 0; from < bytes.length && filled < sample.length;) {
    let to = from;
    let telling = false;
    for (; to < bytes.length && bytes[to] !== 10 && bytes[to] !== 13; to++) telling ||= (bytes[to] ?? 0) > 127;
    if (telling) {
      const line = bytes.subarray(from, Math.min(to + 1, from + sample.length - filled));
      sample.set(line, filled);
      filled += line.length;
    }
    from = to + 1;
  }
  return sample.subarray(0, filled);
}

function guess(bytes: Uint8Array): string {
  const found = chardet
    .analyse(tellingBytes(bytes))
    .find((match) => match.confidence >= 10 && match.name !== 'UTF-8' && decoderFor(match.name) !== null);
  return found?.name ?? 'windows-1252';
}

/**
 * The text of a caption file: in the encoding told, else by its mark, else as UTF-8 where that is
 * what it is, else by a guess from its letters.
 * @param told a label of the Encoding Standard
 * @throws {Unreadable} for a file that holds no text, that is too large, or an encoding not known
 */
export function decodeText(bytes: Uint8Array, told?: string): Decoded {
  if (bytes.length === 0) throw new Unreadable('The file is empty.');
  const known = signatures.find((s) => s.bytes.every((b, i) => bytes[(s.at ?? 0) + i] === b));
  if (known) throw new Unreadable(`The file is ${known.what}, whatever its name says. A caption file was expected.`);
  if (bytes.length > largestCaptionFile)
    throw new Unreadable('The file is over 50 MB, which no caption file is. Was the recording meant?');
  if (told !== undefined) return decode(bytes, told, 'told');
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return decode(bytes, 'utf-16le', 'mark');
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return decode(bytes, 'utf-16be', 'mark');
  const zeros = utf16ByZeros(bytes);
  if (zeros) return decode(bytes, zeros, 'zeros');
  if (isFullOfZeros(bytes)) throw new Unreadable('The file does not hold text: it is full of zero bytes.');
  const marked = bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf;
  const utf8 = decode(bytes, 'utf-8', marked ? 'mark' : 'utf-8');
  if (utf8.broken === 0 || marked) return utf8;
  // A file in UTF-8 that was cut or patched has a few broken places among many good letters.
  let good = 0;
  for (let i = 0; i < utf8.text.length && good < utf8.broken * 20; i++) if (utf8.text.charCodeAt(i) > 127) good++;
  return good >= utf8.broken * 20 ? utf8 : decode(bytes, guess(bytes), 'guess');
}
