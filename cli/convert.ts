/** `fenwix convert`: from any format that is read to any that is written. */
import type { Sheet } from '../core/formats/sheet.ts';
import { withIds } from '../core/formats/cue.ts';
import { lossInWords } from '../core/formats/loss.ts';
import { leaveOut } from '../core/handover/leave-out.ts';
import { CannotDo, takeApart } from './arguments.ts';
import { otherSources } from './context.ts';
import type { CommandLine } from './terminal.ts';
import {
  json,
  keepSources,
  readCaptionFile,
  readingOptions,
  readingUsage,
  targetNames,
  targetOf,
  titleOf,
  untimedFlag,
  writeCaptionFile,
} from './files.ts';

const usage = `fenwix convert IN OUT [--to ${targetNames}] ${readingUsage} [--language TAG] [--leave-out notes,labels] [--positions] [--word-times] [--time-marks] [--keep-untimed] [--crlf] [--strict] [--json]`;

/** @throws {CannotDo} naming what can be left out */
function toLeaveOut(value: string | undefined): { readonly soundNotes: boolean; readonly labels: boolean } {
  const parts = (value ?? '').split(',').filter((part) => part !== '');
  const wrong = parts.find((part) => part !== 'notes' && part !== 'labels');
  if (wrong !== undefined)
    throw new CannotDo(`“${wrong}” cannot be left out. --leave-out takes notes, labels, or notes,labels.`);
  return { soundNotes: parts.includes('notes'), labels: parts.includes('labels') };
}

/** `fenwix convert`: a caption file in another format, with what that format cannot carry said. */
export const convert: CommandLine = (words, terminal) => {
  const given = takeApart(words, {
    values: [...readingOptions.values, 'to', 'language', 'leave-out'],
    flags: [...readingOptions.flags, 'crlf', untimedFlag, 'strict', 'positions', 'word-times', 'time-marks', 'json'],
  });
  const { files, values, flags } = given;
  const [from, out] = files;
  if (from === undefined || out === undefined || files.length > 2)
    throw new CannotDo(`Two files were expected: ${usage}`);
  const target = targetOf(values['to'], out);
  const left = toLeaveOut(values['leave-out']);
  const file = readCaptionFile(terminal, from, given);
  keepSources(terminal, out, target, [{ path: from, format: file.format }, ...otherSources(given)]);
  let made = 0;
  const sheet: Sheet = {
    captions: leaveOut(
      withIds(file.captions, () => String(++made)),
      left,
    ),
    title: titleOf(from),
    language: values['language'] ?? file.language,
    foreign: file.foreign,
  };
  const options = {
    positions: flags.has('positions'),
    wordTimes: flags.has('word-times'),
    timeMarks: flags.has('time-marks'),
  };
  const inWords = !flags.has('json');
  for (const m of inWords ? file.warnings : []) terminal.mutter(`line ${String(m.line)}: ${m.message}\n`);
  if (flags.has('unroll') && !file.rolling)
    terminal.mutter('These captions neither roll nor come word by word; they were left as they are.\n');
  const { losses, captions: many } = writeCaptionFile(terminal, out, target, sheet, given, options);
  if (losses.length > 0 && inWords) terminal.mutter(`${target.title} does not hold: ${lossInWords(losses)}.\n`);
  if (!inWords)
    // What stands on standard output is the file where that was asked for.
    (out === '-' ? terminal.mutter : terminal.say)(
      json({ format: target.name, captions: many, warnings: file.warnings, losses }),
    );
  const lost = losses.length > 0 || file.warnings.some((m) => m.lost === true);
  return flags.has('strict') && lost ? 1 : 0;
};
