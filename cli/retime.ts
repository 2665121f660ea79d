/** `fenwix retime`: the times of captions moved, one thing after another, in the order it was asked for. */
import { plural } from '../core/text/plural.ts';
import { pushAll } from '../core/text/push-all.ts';
import { median } from 'd3-array';
import { disagreement, pairCaptions, piecesOf, tiesOf, tiesThatGoTogether } from '../core/timing/borrow/borrow.ts';
import { certain } from '../core/timing/borrow/pair.ts';
import { lineInWords, straightLine, type StraightLine } from '../core/timing/borrow/straight.ts';
import { withIds } from '../core/formats/cue.ts';
import { lossInWords } from '../core/formats/loss.ts';
import { offFromOthers, orderedTies, rateChange, residuals, scaleBy, shiftBy } from '../core/timing/whole/line.ts';
import { fingerprinter, type Fingerprint } from '../core/timing/recut/fingerprint.ts';
import { segmentsOf } from '../core/timing/recut/segments.ts';
import { cutChangesOf, cutSaid } from '../core/timing/whole/cut-changes.ts';
import { followed } from '../core/timing/whole/follow.ts';
import type { Segment } from '../core/timing/whole/segment.ts';
import { retimed, snapped } from '../core/timing/whole/retimed.ts';
import { segmentsWithout } from '../core/timing/whole/cuts.ts';
import { clockFor } from '../core/timing/clock/clock.ts';
import type { Caption } from '../core/model/caption.ts';
import type { Piece } from '../core/model/pieces.ts';
import { CannotDo, takeApart, type ParsedArguments } from './arguments.ts';
import { otherSources } from './context.ts';
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
import { lengthOption, parts, rateOf, timeOf } from './retime-values.ts';
import { withSound } from './sound.ts';
import type { CommandLine, Terminal } from './terminal.ts';

/** A caption that is not in what is written. */
interface Left {
  readonly start: number;
  readonly end: number;
  readonly why: string;
}
interface Moved {
  readonly captions: readonly Caption[];
  readonly left: readonly Left[];
}
/** What a move may look at besides the captions. */
interface Surroundings {
  readonly terminal: Terminal;
  readonly given: ParsedArguments;
  /** Whether the answer is for people. */
  readonly inWords: boolean;
}
type Move = (captions: readonly Caption[], values: readonly string[], around: Surroundings) => Moved;

const leftOut = (captions: readonly Caption[], why: string): readonly Left[] =>
  captions.map(({ start, end }) => ({ start, end, why }));

function movedAlong(captions: readonly Caption[], pieces: readonly Piece[]): Moved {
  const { captions: kept, before } = retimed(captions, pieces);
  return { captions: kept, left: leftOut(before, 'it would lie before the recording begins') };
}
function followedAs(captions: readonly Caption[], segments: readonly Segment[], why: string): Moved {
  const { captions: kept, gone } = followed(captions, segments, () => crypto.randomUUID());
  return { captions: kept, left: leftOut(gone, why) };
}
function fingerprintOf(terminal: Terminal, path: string): { readonly prints: Fingerprint; readonly length: number } {
  return withSound(terminal, path, ({ form, length, eachPiece }) => {
    const prints = fingerprinter();
    eachPiece((samples, at) => prints.push(samples, at, form.rate));
    return { prints: prints.finish(), length };
  });
}
/** Each tie with how far it is from the others, where somebody reads it. */
function tell(ties: readonly Piece[], off: readonly number[], from: string, { terminal, inWords }: Surroundings): void {
  if (!inWords) return;
  const clock = clockFor(ties.at(-1)?.[0] ?? 0);
  ties.forEach(([at, to], i) =>
    terminal.mutter(`tie ${clock(at)} = ${clock(to)}: ${String(off[i] ?? 0)} ms from ${from}\n`),
  );
}

/** The line that captions move along, and the ties that are not on it. */
function tellLine(line: StraightLine, ties: readonly Piece[], { terminal, inWords }: Surroundings): void {
  if (!inWords) return;
  terminal.mutter(
    `Along one line: ${lineInWords(line)}; ties are ${String(Math.round(line.middle))} ms from it in the middle.\n`,
  );
  const clock = clockFor(ties.at(-1)?.[0] ?? 0);
  ties.forEach(([at, to], i) => {
    if (line.leftOut[i] === true)
      terminal.mutter(`tie ${clock(at)} = ${clock(to)} is left out: ${String(line.off[i] ?? 0)} ms from the line\n`);
  });
}

const moves = {
  shift(captions, [by = '']) {
    if (!/^[-+]?\d{1,9}$/.test(by)) throw new CannotDo(`--shift takes ms; “${by}” is none.`);
    return movedAlong(captions, shiftBy(Number(by)));
  },
  scale(captions, [by = '']) {
    const [a, b] = parts(by, ':', 'scale');
    return movedAlong(captions, scaleBy(lengthOption(a), lengthOption(b)));
  },
  rate(captions, [by = '']) {
    const [a, b] = parts(by, ':', 'rate');
    return movedAlong(captions, rateChange(rateOf(a, 'rate'), rateOf(b, 'rate')));
  },
  /** Of all ties in a row. */
  tie(captions, values, around) {
    const ties = values.map((value): Piece => {
      const [at, to] = parts(value, '=', 'tie');
      return [timeOf(at, 'tie'), timeOf(to, 'tie')];
    });
    const ordered = orderedTies(ties);
    if ('fault' in ordered) throw new CannotDo(`${ordered.fault} Nothing was written.`);
    if (ordered.length > 2) tell(ordered, residuals(ordered), 'one line', around);
    return movedAlong(captions, ordered);
  },
  borrow(captions, [file = ''], around) {
    const way = around.given.values['through'] ?? 'line';
    if (way !== 'line' && way !== 'ties') throw new CannotDo(`--through takes line or ties; “${way}” is neither.`);
    const giving = withIds(readCaptionFile(around.terminal, file, around.given).captions, () => crypto.randomUUID());
    const { pairs } = pairCaptions(captions, giving);
    const ties = tiesOf(captions, giving, pairs);
    const fault = disagreement(ties, Math.min(captions.length, giving.length));
    if (fault !== null) throw new CannotDo(`--borrow ${file}: ${fault} Nothing was written.`);
    const sure = ties.filter((t) => t.certainty >= certain);
    const line = way === 'line' ? straightLine(piecesOf(sure)) : null;
    if (line) {
      tellLine(line, piecesOf(sure), around);
      return movedAlong(captions, line.pieces);
    }
    const pieces = piecesOf(tiesThatGoTogether(sure));
    tell(pieces, offFromOthers(pieces), 'the others', around);
    return movedAlong(captions, pieces);
  },
  cut(captions, [stretch = '']) {
    const [from, to] = parts(stretch, '-', 'cut').map((t) => timeOf(t, 'cut'));
    if (from === undefined || to === undefined || to <= from)
      throw new CannotDo(`--cut: ${stretch} ends before it begins.`);
    return followedAs(captions, segmentsWithout([{ start: from, end: to }]), 'it was in what was cut');
  },
  recut(captions, [old = '', later = ''], { terminal, inWords }) {
    const [was, now] = [fingerprintOf(terminal, old), fingerprintOf(terminal, later)];
    const segments = segmentsOf(was.prints, now.prints);
    if (segments.length === 0)
      throw new CannotDo(`--recut: nothing of ${old} was found in ${later}. Nothing was written.`);
    if (inWords)
      for (const change of cutChangesOf(segments, was.length, now.length)) terminal.mutter(`${cutSaid(change)}\n`);
    return followedAs(captions, segments, 'it was in what is gone from the recording');
  },
  snap: (captions, [rate = '']) => ({ captions: snapped(captions, rateOf(rate, 'snap')), left: [] }),
} satisfies Record<string, Move>;
type MoveName = keyof typeof moves;
const names = Object.keys(moves) as readonly MoveName[];
const usage = `fenwix retime IN OUT ${names.map((m) => `[--${m} …]`).join(' ')} [--through line|ties] ${readingUsage} [--to ${targetNames}] [--json]`;

/** What is asked for, in order; ties in a row are one line. */
function askedFor(inOrder: ParsedArguments['inOrder']): readonly (readonly [MoveName, readonly string[]])[] {
  const asked: [MoveName, string[]][] = [];
  for (const [name, ...values] of inOrder) {
    const move = names.find((m) => m === name);
    if (!move) continue;
    const last = asked.at(-1);
    const given = values.filter((value) => value !== undefined);
    if (move === 'tie' && last?.[0] === 'tie') pushAll(last[1], given);
    else asked.push([move, given]);
  }
  return asked;
}

/** `fenwix retime`: the times of a whole file moved, stretched, or borrowed from another file. */
export const retime: CommandLine = (words, terminal) => {
  const given = takeApart(words, {
    values: [...readingOptions.values, ...names, 'to', 'through'],
    flags: [...readingOptions.flags, 'json', 'crlf', untimedFlag],
    twos: ['recut'],
  });
  const [from, out] = given.files;
  if (from === undefined || out === undefined || given.files.length > 2)
    throw new CannotDo(`Two files were expected: ${usage}`);
  const asked = askedFor(given.inOrder);
  if (asked.length === 0) throw new CannotDo(`Nothing was asked for: ${usage}`);
  const target = targetOf(given.values['to'], out);
  const file = readCaptionFile(terminal, from, given);
  // Of what gives times, and of both recordings, nothing is written over.
  const giving = asked.flatMap(([name, values]) => (name === 'borrow' || name === 'recut' ? values : []));
  keepSources(terminal, out, target, [
    { path: from, format: file.format },
    ...otherSources(given),
    ...giving.map((path) => ({ path, format: null })),
  ]);
  const inWords = !given.flags.has('json');
  const say = out === '-' ? terminal.mutter : terminal.say;

  let made = 0;
  const captions = withIds(file.captions, () => String(++made));
  let now: Moved = { captions, left: [] };
  for (const [name, values] of asked) {
    const next = moves[name](now.captions, values, { terminal, given, inWords });
    now = { captions: next.captions, left: [...now.left, ...next.left] };
  }

  const before = new Map(captions.map((c) => [c.id, c]));
  const by = now.captions.map((c) => c.start - (before.get(c.id)?.start ?? 0));
  const sheet = { captions: now.captions, title: titleOf(from), language: file.language, foreign: file.foreign };
  const { losses } = writeCaptionFile(terminal, out, target, sheet, given);

  const moved = by.filter((ms) => ms !== 0).length;
  const middle = median(by);
  if (!inWords) say(json({ moved, left: now.left, median: middle === undefined ? null : Math.round(middle) }));
  else {
    const clock = clockFor(file.captions.at(-1)?.end ?? 0);
    for (const { start, why } of now.left) say(`  ${clock(start)}  left out: ${why}\n`);
    say(`${plural(moved, 'caption')} moved, by ${String(Math.round(middle ?? 0))} ms in the middle\n`);
    if (losses.length > 0) terminal.mutter(`${target.title} does not hold: ${lossInWords(losses)}.\n`);
  }
  return 0;
};
