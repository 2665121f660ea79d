/** `fenwix read`: what a caption file holds, and what was fixed while reading. */
import { plural } from '../core/text/plural.ts';
import { formatNamed, type ImportResult } from '../core/formats/registry.ts';
import { clockFor } from '../core/timing/clock/clock.ts';
import { takeApart } from './arguments.ts';
import type { CommandLine } from './terminal.ts';
import { json, oneFile, readCaptionFile, readingOptions, readingUsage } from './files.ts';

/** How a file is given to programs: times in ms, text without markup. */
function report(file: ImportResult) {
  return {
    format: file.format,
    encoding: file.encoding,
    language: file.language,
    captions: file.captions.map((c) => {
      const settings = c.foreign?.['vttSettings'] ?? c.foreign?.['srtCoordinates'];
      return {
        start: c.start,
        end: c.end,
        text: c.text,
        ...(settings ? { settings } : {}),
        ...(c.speakers[0] ? { speaker: c.speakers[0].speaker } : {}),
      };
    }),
    warnings: file.warnings.map(({ line, message }) => ({ line, message })),
    ...(file.rolling ? { rolling: file.rolling } : {}),
  };
}

const habits = {
  rolling: 'each repeats the last line of the one before',
  growing: 'each repeats the one before and adds to it',
  'word by word': 'each holds a word or two',
} as const;

/** `fenwix read`: what is in a caption file, and what was unclear in it. */
export const read: CommandLine = (words, terminal) => {
  const given = takeApart(words, { values: readingOptions.values, flags: [...readingOptions.flags, 'json'] });
  const path = oneFile(given.files, `fenwix read FILE [--json] ${readingUsage}`);
  const file = readCaptionFile(terminal, path, given);
  if (given.flags.has('json')) {
    terminal.say(json(report(file)));
    return 0;
  }
  const title = formatNamed(file.format)?.title ?? file.format;
  const guessed = file.encodingBy === 'guess' ? ' (a guess; --encoding changes it)' : '';
  const language = file.language === null ? '' : `, ${file.language}`;
  terminal.say(
    `${path}: ${title}, ${file.encoding.toUpperCase()}${guessed}${language}, ${plural(file.captions.length, 'caption')}\n`,
  );
  if (file.rolling)
    terminal.say(
      `  ${String(file.rolling.shown)} of ${plural(file.rolling.captions, 'caption')} are ${file.rolling.habit}: ${habits[file.rolling.habit]}${given.flags.has('unroll') ? '; they were unrolled' : '; --unroll makes captions of them'}\n`,
    );
  for (const m of file.warnings) terminal.say(`  line ${String(m.line)}: ${m.message}\n`);
  const clock = clockFor(file.captions.at(-1)?.end ?? 0);
  for (const c of file.captions) terminal.say(`${clock(c.start)} – ${clock(c.end)}  ${c.text.replace(/\n/g, ' / ')}\n`);
  return 0;
};
