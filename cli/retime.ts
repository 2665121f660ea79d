/** `fenwix retime`: the times of captions moved, one thing after another, in the order it was asked for. */
import { median } from 'd3-array';
import { withIds } from '../core/formats/cue.ts';
import { lossInWords } from '../core/formats/loss.ts';
import { plainly } from '../core/formats/sheet.ts';
import { orderedTies, rateChange, residuals, scaleBy, shiftBy } from '../core/retime/line.ts';
import { cutOut, retimed, snapped } from '../core/retime/retimed.ts';
import { clockFor } from '../core/time/clock.ts';
import { parseRate, type FrameRate } from '../core/time/frames.ts';
import type { Caption } from '../core/track/caption.ts';
import type { Piece } from '../core/track/pieces.ts';
import { CannotDo, takeApart } from './arguments.ts';
import { counted, json, readCaptionFile, reading, readingUsage, targetNames, targetOf, titleOf } from './files.ts';
import type { CommandLine } from './terminal.ts';

const moves = ['shift', 'scale', 'rate', 'tie', 'cut', 'snap'] as const;
const usage = `fenwix retime IN OUT ${moves.map((m) => `[--${m} …]`).join(' ')} ${readingUsage} [--to ${targetNames}] [--json]`;

/** @throws {CannotDo} where it is no time */
function timeOf(text: string, what: string): number {
  const clock = /^(?:(\d{1,3}):)?(\d{1,2}):(\d{2})(?:[.,](\d{1,3}))?$/.exec(text.trim());
  if (clock) {
    const [, hours = '0', minutes = '0', seconds = '0', fraction = ''] = clock;
    return (Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds)) * 1000 + Number(fraction.padEnd(3, '0'));
  }
  if (!/^\d{1,9}$/.test(text.trim())) throw new CannotDo(`--${what}: “${text}” is no time. Write ms, or H:MM:SS.mmm.`);
  return Number(text);
}
/** Two parts around a sign. @throws {CannotDo} where there are not two */
function parts(text: string, sign: string, what: string): readonly [string, string] {
  const [a, b, more] = text.split(sign);
  if (!a || !b || more !== undefined) throw new CannotDo(`--${what} takes two, as A${sign}B; “${text}” is not.`);
  return [a, b];
}
/** @throws {CannotDo} where it is none */
function rateOf(text: string, what: string): FrameRate {
  const rate = parseRate(text);
  if (!rate) throw new CannotDo(`--${what}: “${text}” is no frame rate. Write 25, 29.97 or 30000/1001.`);
  return rate;
}
function factor(text: string): number {
  const value = Number(text);
  if (!Number.isFinite(value) || value <= 0) throw new CannotDo(`--scale: “${text}” is no length over 0.`);
  return value;
}

interface Left {
  readonly start: number;
  readonly end: number;
  readonly why: string;
}
interface Retimed {
  readonly captions: readonly Caption[];
  readonly left: readonly Left[];
}

export const retime: CommandLine = (words, terminal) => {
  const given = takeApart(words, {
    values: [...reading.values, ...moves, 'to'],
    flags: [...reading.flags, 'json', 'crlf'],
  });
  const [from, out] = given.files;
  if (from === undefined || out === undefined || given.files.length > 2)
    throw new CannotDo(`Two files were expected: ${usage}`);
  const asked = given.inOrder.filter(([name]) => (moves as readonly string[]).includes(name));
  if (asked.length === 0) throw new CannotDo(`Nothing was asked for: ${usage}`);
  const target = targetOf(given.values['to'], out);
  const file = readCaptionFile(terminal, from, given);
  const inWords = !given.flags.has('json');
  const say = out === '-' ? terminal.mutter : terminal.say;
  const clock = clockFor(file.captions.at(-1)?.end ?? 0);

  let made = 0;
  let now: Retimed = { captions: withIds(file.captions, () => String(++made)), left: [] };
  const before = new Map(now.captions.map((c) => [c.id, c]));
  const moveAlong = (pieces: readonly Piece[]): void => {
    const { captions, before: lost } = retimed(now.captions, pieces);
    const why = 'it would lie before the recording begins';
    now = { captions, left: [...now.left, ...lost.map(({ start, end }) => ({ start, end, why }))] };
  };
  let ties: readonly Piece[] = [];
  asked.forEach(([name, value], i) => {
    if (name === 'tie') {
      const [at, to] = parts(value, '=', 'tie');
      ties = [...ties, [timeOf(at, 'tie'), timeOf(to, 'tie')]];
      // Ties in a row are one line.
      if (asked[i + 1]?.[0] === 'tie') return;
      const ordered = orderedTies(ties);
      if ('fault' in ordered) throw new CannotDo(`${ordered.fault} Nothing was written.`);
      const off = residuals(ordered);
      if (inWords && ordered.length > 2)
        ordered.forEach(([at, to], n) =>
          terminal.mutter(`tie ${clock(at)} = ${clock(to)}: ${String(off[n] ?? 0)} ms from one line\n`),
        );
      moveAlong(ordered);
      ties = [];
    } else if (name === 'shift') {
      if (!/^[-+]?\d{1,9}$/.test(value)) throw new CannotDo(`--shift takes ms; “${value}” is none.`);
      moveAlong(shiftBy(Number(value)));
    } else if (name === 'scale') {
      const [a, b] = parts(value, ':', 'scale');
      moveAlong(scaleBy(factor(a), factor(b)));
    } else if (name === 'rate') {
      const [a, b] = parts(value, ':', 'rate');
      moveAlong(rateChange(rateOf(a, 'rate'), rateOf(b, 'rate')));
    } else if (name === 'cut') {
      const [a, b] = parts(value, '-', 'cut').map((t) => timeOf(t, 'cut')) as [number, number];
      if (b <= a) throw new CannotDo(`--cut: ${value} ends before it begins.`);
      const captions = cutOut(now.captions, a, b);
      const kept = new Set(captions.map((c) => c.id));
      const gone = now.captions.filter((c) => !kept.has(c.id));
      now = {
        captions,
        left: [...now.left, ...gone.map(({ start, end }) => ({ start, end, why: 'it was in what was cut' }))],
      };
    } else now = { ...now, captions: snapped(now.captions, rateOf(value, 'snap')) };
  });

  const by = now.captions.map((c) => c.start - (before.get(c.id)?.start ?? 0));
  const sheet = { captions: now.captions, title: titleOf(from), language: file.language, foreign: file.foreign };
  const losses = target.writer.losses(sheet, plainly);
  const text = target.writer.write(sheet, plainly);
  terminal.write(out, given.flags.has('crlf') ? text.replace(/\n/g, '\r\n') : text);
  const moved = by.filter((ms) => ms !== 0).length;
  const middle = median(by);
  if (!inWords) say(json({ moved, left: now.left, median: middle === undefined ? null : Math.round(middle) }));
  else {
    for (const { start, why } of now.left) say(`  ${clock(start)}  left out: ${why}\n`);
    say(`${counted(moved, 'caption')} moved, by ${String(Math.round(middle ?? 0))} ms in the middle\n`);
    if (losses.length > 0) terminal.mutter(`${target.title} does not hold: ${lossInWords(losses)}.\n`);
  }
  return 0;
};
