/** What the moves of `fenwix retime` take, as it is written on the command line. */
import { parseRate, type FrameRate } from '../core/timing/clock/frames.ts';
import { readTime } from '../core/timing/clock/read-time.ts';
import { CannotDo } from './arguments.ts';

/** A clock time is the same at any rate; only timecodes, which are not written here, would need one. */
const anyRate: FrameRate = { numerator: 25, denominator: 1 };

/** Whole ms, or H:MM:SS.mmm. @throws {CannotDo} where it is no time */
export function timeOf(text: string, what: string): number {
  const written = text.trim();
  if (/^\d{1,9}$/.test(written)) return Number(written);
  const time = /^[\d:.,]+$/.test(written) && written.includes(':') ? readTime(written, 0, anyRate) : null;
  if (!time || 'fault' in time) throw new CannotDo(`--${what}: “${text}” is no time. Write ms, or H:MM:SS.mmm.`);
  return time.ms;
}
/** Two parts around a sign. @throws {CannotDo} where there are not two */
export function parts(text: string, sign: string, what: string): readonly [string, string] {
  const [a, b, more] = text.split(sign);
  if (!a || !b || more !== undefined) throw new CannotDo(`--${what} takes two, as A${sign}B; “${text}” is not.`);
  return [a, b];
}
/** @throws {CannotDo} where it is none */
export function rateOf(text: string, what: string): FrameRate {
  const rate = parseRate(text);
  if (!rate) throw new CannotDo(`--${what}: “${text}” is no frame rate. Write 25, 29.97 or 30000/1001.`);
  return rate;
}
/** @throws {CannotDo} where it is no length over 0 */
export function lengthOption(text: string): number {
  const value = Number(text);
  if (!Number.isFinite(value) || value <= 0) throw new CannotDo(`--scale: “${text}” is no length over 0.`);
  return value;
}
