/** `fenwix compare`: two caption files held against each other, the first taken for right. */
import { plural } from '../core/text/plural.ts';
import { compare } from '../core/compare/compare.ts';
import { withIds } from '../core/formats/cue.ts';
import { CannotDo, takeApart } from './arguments.ts';
import { json, readCaptionFile, readingOptions, readingUsage } from './files.ts';
import type { CommandLine } from './terminal.ts';

const share = (part: number | null): string => (part === null ? 'not told' : `${(part * 100).toFixed(1)} %`);

/** `fenwix compare`: how far one caption file is from a reference, in words and in times. */
export const compareTracks: CommandLine = (words, terminal) => {
  const given = takeApart(words, { values: [...readingOptions.values], flags: [...readingOptions.flags, 'json'] });
  const [first, second] = given.files;
  if (first === undefined || second === undefined || given.files.length > 2)
    throw new CannotDo(`Two files were expected: fenwix compare A B ${readingUsage} [--json]`);
  let made = 0;
  const [a, b] = [first, second].map((path) =>
    withIds(readCaptionFile(terminal, path, given).captions, () => String(++made)),
  );
  const found = compare(a ?? [], b ?? []);
  if (given.flags.has('json')) {
    terminal.say(json(found));
    return 0;
  }
  const { substitutions, deletions, insertions, offset } = found;
  terminal.say(
    `${plural(found.words, 'word')} in ${first}: ${share(found.wer)} wrong in ${second} (${String(substitutions)} others, ${String(deletions)} missing, ${String(insertions)} more), ${share(found.cer)} of the letters\n`,
  );
  terminal.say(
    offset
      ? `Captions of the same words begin ${String(Math.abs(offset.median))} ms ${offset.median < 0 ? 'earlier' : 'later'} in the middle, nine in ten within ${String(offset.p90)} ms, ${String(offset.max)} ms at most\n`
      : 'No caption begins with the same words in both.\n',
  );
  return 0;
};
