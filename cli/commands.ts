/** The commands of `fenwix`: read, convert, check, styles. The same core as the web's. */
import { withIds } from '../core/formats/cue.ts';
import { Unreadable, type Format, type ReadResult } from '../core/formats/format.ts';
import { decodeText, formatNamed, formats, readCaptions } from '../core/formats/registry.ts';
import type { Finding } from '../core/rules/finding.ts';
import { finder, mustCount, rules } from '../core/rules/findings.ts';
import { shippedStyle, shippedStyles, type HouseStyle } from '../core/rules/style.ts';
import { monitorClock } from '../core/time/clock.ts';
import { CannotDo, takeApart } from './arguments.ts';
import type { Desk, Ending } from './desk.ts';

export type Command = (words: readonly string[], desk: Desk) => Ending;

/** @throws {CannotDo} with the reason and the file's name */
function readFile(desk: Desk, path: string, style: HouseStyle): ReadResult {
  try {
    return readCaptions(decodeText(desk.read(path)), style);
  } catch (error) {
    if (error instanceof Unreadable) throw new CannotDo(`${path}: ${error.message}`);
    throw error;
  }
}

/** @throws {CannotDo} naming the styles there are */
function styleNamed(name: string | undefined): HouseStyle {
  const style = shippedStyle(name ?? 'lecture-38') ?? shippedStyles.find((s) => s.name === name);
  if (!style)
    throw new CannotDo(
      `There is no house style “${String(name)}”. There are: ${shippedStyles.map((s) => s.id).join(', ')}.`,
    );
  return style;
}

function oneFile(files: readonly string[], usage: string): string {
  const [file] = files;
  if (file === undefined || files.length > 1) throw new CannotDo(`One file was expected: ${usage}`);
  return file;
}

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;
const times = (c: { readonly start: number; readonly end: number }): string =>
  `${monitorClock(c.start)} – ${monitorClock(c.end)}`;

export const read: Command = (words, desk) => {
  const { files, flags } = takeApart(words, { values: [], flags: ['json'] });
  const file = oneFile(files, 'fenwix read FILE [--json]');
  const result = readFile(desk, file, styleNamed(undefined));
  const captions = result.captions.map((c) => ({
    start: c.start,
    end: c.end,
    text: c.text,
    ...(c.foreign?.['vttSettings'] ? { settings: c.foreign['vttSettings'] } : {}),
    ...(c.speakers[0] ? { speaker: c.speakers[0].speaker } : {}),
  }));
  if (flags.has('json')) desk.say(json({ format: result.format, captions, mended: result.mended }));
  else {
    desk.say(`${file}: ${result.format}, ${String(captions.length)} captions\n`);
    for (const m of result.mended) desk.say(`  line ${String(m.line)}: ${m.message}\n`);
    for (const c of captions) desk.say(`${times(c)}  ${c.text.replace(/\n/g, ' / ')}\n`);
  }
  return 0;
};

/** @throws {CannotDo} when neither option nor file name tells the format */
function targetFormat(to: string | undefined, out: string): Format {
  const wanted = to ?? formats.find((f) => out.endsWith(f.extension))?.name ?? '';
  const format = formatNamed(wanted);
  if (!format?.write)
    throw new CannotDo(
      `It is not clear what to write. Name the format: --to ${formats.map((f) => f.name).join(' or --to ')}.`,
    );
  return format;
}

export const convert: Command = (words, desk) => {
  const { files, values, flags } = takeApart(words, { values: ['to', 'style'], flags: ['crlf', 'strict'] });
  const [from, out] = files;
  if (from === undefined || out === undefined || files.length > 2)
    throw new CannotDo(
      'Two files were expected: fenwix convert IN OUT [--to srt|vtt] [--style NAME] [--crlf] [--strict]',
    );
  const format = targetFormat(values['to'], out);
  const result = readFile(desk, from, styleNamed(values['style']));
  let made = 0;
  const text =
    format.write?.(
      withIds(result.captions, () => String(made++)),
      result.format === format.name ? result.header : '',
    ) ?? '';
  desk.write(out, flags.has('crlf') ? text.replace(/\n/g, '\r\n') : text);
  for (const m of result.mended) desk.mutter(`line ${String(m.line)}: ${m.message}\n`);
  return flags.has('strict') && result.mended.length > 0 ? 1 : 0;
};

export const check: Command = (words, desk) => {
  const { files, values, flags } = takeApart(words, { values: ['style'], flags: ['json'] });
  const file = oneFile(files, 'fenwix check FILE [--style NAME] [--json]');
  const style = styleNamed(values['style']);
  let made = 0;
  const captions = withIds(readFile(desk, file, style).captions, () => String(made++));
  const place = new Map(captions.map((c, i) => [c.id, i]));
  const found = finder()(captions, { style, rate: { numerator: 25, denominator: 1 }, length: null });
  const findings: readonly Finding[] = captions.flatMap((c) => found.get(c.id) ?? []);
  const indexes = (f: Finding): number[] => f.captions.map((id) => place.get(id) ?? 0);
  if (flags.has('json')) {
    const report = findings.map((f) => ({
      rule: f.rule,
      severity: f.severity,
      captions: indexes(f),
      message: f.message,
      figures: f.figures,
    }));
    desk.say(json({ findings: report, captions: captions.length, rules: rules.map((r) => r.id) }));
  } else {
    for (const f of findings)
      desk.say(
        `caption ${String((indexes(f)[0] ?? 0) + 1)}, ${f.rule}${f.severity === 'should' ? ' (advice)' : ''}: ${f.message}\n`,
      );
    desk.say(
      `${String(mustCount(found))} findings and ${String(findings.length - mustCount(found))} pieces of advice in ${String(captions.length)} captions, against ${style.name}\n`,
    );
  }
  return mustCount(found) > 0 ? 1 : 0;
};

export const styles: Command = (words, desk) => {
  const { files } = takeApart(words, { values: [], flags: [] });
  const [name] = files;
  if (name !== undefined) desk.say(json(styleNamed(name)));
  else
    for (const s of shippedStyles)
      desk.say(
        `${s.id}  ${s.name}: ${String(s.text.lineLength.limit)} characters a line, ${String(s.text.lines.limit)} lines, ${String(s.reading.speed.limit)} cps\n`,
      );
  return 0;
};

const help = `fenwix read FILE [--json]                         what a caption file holds, and what was mended in it
fenwix convert IN OUT [--to srt|vtt] [--style NAME] [--crlf] [--strict]
fenwix check FILE [--style NAME] [--json]         what departs from a house style
fenwix styles [NAME]                              the house styles, or one as a file

“-” stands for standard input and output. Ends with 0 when all is fine, 1 for findings (or, with
--strict, for things mended), 2 when something could not be done.
`;

const commands: Readonly<Record<string, Command>> = { read, convert, check, styles };

/** Runs a command line. Whatever cannot be done ends as a sentence and 2. */
export function run(words: readonly string[], desk: Desk): Ending {
  const [name = 'help', ...rest] = words;
  const command = Object.hasOwn(commands, name) ? commands[name] : undefined;
  if (!command) {
    const asked = name === 'help' || name === '--help';
    (asked ? desk.say : desk.mutter)(asked ? help : `“${name}” is not a command.\n${help}`);
    return asked ? 0 : 2;
  }
  try {
    return command(rest, desk);
  } catch (error) {
    if (!(error instanceof CannotDo)) throw error;
    desk.mutter(`${error.message}\n`);
    return 2;
  }
}
