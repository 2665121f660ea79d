/** `fenwix repair` and `fenwix reflow`: captions brought under a house style, with what was and was not done. */
import { plural } from '../core/text/plural.ts';
import { withIds } from '../core/formats/cue.ts';
import { lossInWords } from '../core/formats/loss.ts';
import type { RuleContext } from '../core/rules/finding.ts';
import { findIn } from '../core/rules/finder.ts';
import { reflowCaptions } from '../core/operations/reflow-captions.ts';
import { repairAll, type Done } from '../core/rules/repairs/repairs.ts';
import { clockFor } from '../core/timing/clock/clock.ts';
import type { Caption } from '../core/model/caption.ts';
import { CannotDo, takeApart, type ParsedArguments } from './arguments.ts';
import type { CommandLine, Terminal, ExitStatus } from './terminal.ts';
import { contextOf, contextUsage, contextOptions, otherSources } from './context.ts';
import {
  json,
  keepSources,
  readCaptionFile,
  readingOptions,
  readingUsage,
  styleAsked,
  targetOf,
  titleOf,
  untimedFlag,
  writeCaptionFile,
} from './files.ts';

interface RepairPlan {
  readonly captions: readonly Caption[];
  readonly done: readonly Done[];
  readonly left: readonly Done[];
}

const teller =
  (clock: (ms: number) => string) =>
  ({ start, rule, says }: Done): string =>
    `  ${clock(start)}  ${rule}: ${says}\n`;

/** Reads, works, writes and reports; ends with 1 while must-findings remain. */
function bring(
  words: readonly string[],
  terminal: Terminal,
  name: string,
  flags: readonly string[],
  work: (captions: readonly Caption[], context: RuleContext, newId: () => string, given: ParsedArguments) => RepairPlan,
): ExitStatus {
  const given = takeApart(words, {
    values: [...readingOptions.values, ...contextOptions, 'to'],
    flags: [...readingOptions.flags, 'json', 'crlf', untimedFlag, ...flags],
  });
  const [from, out] = given.files;
  if (from === undefined || out === undefined || given.files.length > 2)
    throw new CannotDo(
      `Two files were expected: fenwix ${name} IN OUT ${readingUsage} ${contextUsage} [--to FORMAT] [--json]`,
    );
  const target = targetOf(given.values['to'], out);
  const style = styleAsked(terminal, given.values['style']);
  const file = readCaptionFile(terminal, from, given, style);
  keepSources(terminal, out, target, [{ path: from, format: file.format }, ...otherSources(given)]);
  const context = contextOf(terminal, given, style, file.language);
  let made = 0;
  const newId = (): string => String(++made);
  const before = withIds(file.captions, newId);
  const result = work(before, context, newId, given);
  const sheet = {
    captions: result.captions,
    title: titleOf(from),
    language: context.language ?? null,
    foreign: file.foreign,
  };
  const { losses } = writeCaptionFile(terminal, out, target, sheet, given);
  const must = findIn(result.captions, context).must;
  const lost = losses.length > 0 ? `${target.title} does not hold: ${lossInWords(losses)}.\n` : '';
  // What stands on standard output is the file where that was asked for.
  const say = out === '-' ? terminal.mutter : terminal.say;
  if (given.flags.has('json'))
    say(
      json({
        captions: { before: before.length, after: result.captions.length },
        must: { before: findIn(before, context).must, after: must },
        done: result.done.map(({ start, rule, says }) => ({ start, rule, message: says })),
        left: result.left.map(({ start, rule, says }) => ({ start, rule, message: says })),
      }),
    );
  else {
    const told = teller(clockFor(before.at(-1)?.end ?? 0));
    for (const d of result.done) say(told(d));
    if (result.left.length > 0) say(`Not repaired:\n${result.left.map(told).join('')}`);
    say(`${plural(result.captions.length, 'caption')}, ${plural(must, 'finding')} left against ${style.name}\n`);
  }
  if (lost !== '') terminal.mutter(lost);
  return must > 0 ? 1 : 0;
}

/** `fenwix repair`: everything that can be repaired without a person, by a style. */
export const repair: CommandLine = (words, terminal) =>
  bring(words, terminal, 'repair', [], (captions, context, newId) => repairAll(captions, context, newId));

/** `fenwix reflow`: captions divided into lines and captions anew, by a style. */
export const reflow: CommandLine = (words, terminal) =>
  bring(words, terminal, 'reflow', ['all'], (captions, context, newId, given) => ({
    captions: reflowCaptions(captions, context, newId, { what: 'captions', every: given.flags.has('all') }).captions,
    done: [],
    left: [],
  }));
