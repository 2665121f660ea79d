/** What the commands share: reading caption files and house styles, printing. */
import { Unreadable, type FormatName } from '../core/formats/format.ts';
import type { Loss } from '../core/formats/loss.ts';
import { plainly, type Sheet, type WriteOptions } from '../core/formats/sheet.ts';
import { formatNamed, formats, importCaptions, writable, type ImportResult } from '../core/formats/registry.ts';
import { captionsFor, nothingLeftOut, timesMadeUp } from '../core/handover/leave-out.ts';
import { decodeStyle } from '../core/style/decode-style.ts';
import { shippedStyle, shippedStyles } from '../core/style/shipped.ts';
import type { HouseStyle } from '../core/style/style.ts';
import { plural } from '../core/text/plural.ts';
import { CannotDo, type ParsedArguments } from './arguments.ts';
import type { Terminal } from './terminal.ts';

/** Options every command takes that reads a caption file. */
export const readingOptions = { values: ['from', 'encoding', 'style'], flags: ['rescue', 'unroll'] } as const;

export const readingUsage = '[--from FORMAT] [--encoding NAME] [--rescue] [--unroll] [--style NAME|FILE]';

/** @throws {CannotDo} naming the formats there are */
function formatAsked(name: string | undefined): FormatName | undefined {
  if (name === undefined) return undefined;
  const format = formatNamed(name);
  if (!format) throw new CannotDo(`“${name}” is not a format. There are: ${formats.map((f) => f.name).join(', ')}.`);
  return format.name;
}

/**
 * Reads a caption file as the options ask.
 * @throws {CannotDo} with the reason and the file's name
 */
export function readCaptionFile(
  terminal: Terminal,
  path: string,
  { values, flags }: ParsedArguments,
  style = styleAsked(terminal, values['style']),
): ImportResult {
  const asked = {
    style,
    from: formatAsked(values['from']),
    encoding: values['encoding'],
    rescue: flags.has('rescue'),
    unroll: flags.has('unroll'),
  };
  try {
    return importCaptions(terminal.read(path), asked);
  } catch (error) {
    if (error instanceof Unreadable) throw new CannotDo(`${path}: ${error.message}`);
    throw error;
  }
}

/**
 * A shipped house style by its name, or one from a file.
 * @throws {CannotDo} naming the styles there are, or every fault of the file
 */
export function styleAsked(terminal: Terminal, name = 'lecture-38'): HouseStyle {
  const shipped = shippedStyle(name) ?? shippedStyles.find((s) => s.name === name);
  if (shipped) return shipped;
  if (!/[./\\]/.test(name))
    throw new CannotDo(
      `There is no house style “${name}”. There are: ${shippedStyles.map((s) => s.id).join(', ')}; or name a file.`,
    );
  let json: unknown;
  try {
    json = JSON.parse(new TextDecoder().decode(terminal.read(name)));
  } catch (error) {
    if (error instanceof CannotDo) throw error;
    throw new CannotDo(`${name}: this is not JSON, which a house style is written in.`);
  }
  const { style, faults } = decodeStyle(json);
  if (style) return style;
  throw new CannotDo(`${name} is not a house style:\n${faults.map((f) => `  ${f}`).join('\n')}`);
}

/** @throws {CannotDo} unless there is exactly one */
export function oneFile(files: readonly string[], usage: string): string {
  const [file] = files;
  if (file === undefined || files.length > 1) throw new CannotDo(`One file was expected: ${usage}`);
  return file;
}

export type Target = (typeof writable)[number];

/** Formats that can be written, by name. */
export const targetNames = writable.map((f) => f.name).join('|');

/** @throws {CannotDo} when neither option nor file name tells the format */
export function targetOf(to: string | undefined, out: string): Target {
  const found =
    to === undefined ? writable.find((f) => out.endsWith(f.extension)) : writable.find((f) => f.name === to);
  if (found) return found;
  const read = to === undefined ? null : formatNamed(to);
  throw new CannotDo(
    read
      ? `${read.title} is read and not written. Name another format: --to ${targetNames}.`
      : `It is not clear what to write. Name the format: --to ${targetNames}.`,
  );
}

/** A file that a command reads; its format where captions were read from it. */
export interface Source {
  readonly path: string;
  readonly format: FormatName | null;
}

/**
 * Sees to it that what is written takes the place of no file that is read, but for captions in their own format.
 * @throws {CannotDo} naming the file
 */
export function keepSources(terminal: Terminal, out: string, target: Target, sources: readonly Source[]): void {
  for (const { path, format } of sources) {
    if (format === target.name || !terminal.same(path, out)) continue;
    const held = formats.find((f) => f.name === format)?.title;
    const why = held === undefined ? 'is read by this command' : `holds ${held}`;
    throw new CannotDo(
      `${out} ${why}, and ${target.title} is not written in its place. Nothing was written; name another file.`,
    );
  }
}

/** What was written, and what was not. */
export interface Written {
  /** How many captions the file has. */
  readonly captions: number;
  /** What the format does not hold. */
  readonly losses: readonly Loss[];
}

/** The flag with which captions that are not timed are written all the same. */
export const untimedFlag = 'keep-untimed';

/**
 * Writes captions as a file; those whose times would be made up are left out, which is said.
 * @throws {CannotDo} where none would be left
 */
export function writeCaptionFile(
  terminal: Terminal,
  out: string,
  target: Target,
  whole: Sheet,
  { flags }: ParsedArguments,
  options: WriteOptions = plainly,
): Written {
  const untimed = timesMadeUp(whole.captions, target.name);
  const keeps = flags.has(untimedFlag);
  const captions = captionsFor(whole.captions, target.name, { ...nothingLeftOut, untimed: !keeps });
  const many = plural(untimed.length, 'caption is not timed', 'captions are not timed');
  if (untimed.length > 0 && captions.length === 0)
    throw new CannotDo(
      `${many}, and no other is there: the ${target.title} file would be empty. Time them with fenwix place, or write made-up times with --${untimedFlag}. Nothing was written.`,
    );
  if (untimed.length > 0)
    terminal.mutter(
      keeps ? `${many}; their times are made up.\n` : `${many} and left out; --${untimedFlag} writes made-up times.\n`,
    );
  const sheet = { ...whole, captions };
  const text = target.writer.write(sheet, options);
  terminal.write(out, flags.has('crlf') ? text.replace(/\n/g, '\r\n') : text);
  return { captions: captions.length, losses: target.writer.losses(sheet, options) };
}

/** A title from a path: the name of the file without its folders and its extension. */
export const titleOf = (path: string): string =>
  path === '-' ? '' : path.replace(/^.*[\\/]/, '').replace(/\.[^.]+$/, '');

/** A value as the JSON that the command line prints: indented, with a line break at its end. */
export const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;
