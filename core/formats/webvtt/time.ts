/** WebVTT timestamps and time lines, by the recommendation's "collect a WebVTT timestamp". */
import { digitsEnd } from '../../timing/clock/stamp.ts';

/** A time found in a text, and where the text goes on. */
interface Collected {
  readonly ms: number;
  readonly next: number;
}

/** The number digits make, from one offset to another. */
function number(text: string, from: number, to: number): number {
  let value = 0;
  for (let i = from; i < to; i++) value = value * 10 + text.charCodeAt(i) - 48;
  return value;
}

/** Two digits after a colon; -1 where anything else stands there. */
function pair(text: string, at: number): number {
  if (text.charCodeAt(at) !== 58 || digitsEnd(text, at + 1) !== at + 3) return -1;
  return number(text, at + 1, at + 3);
}

/** "Collect a WebVTT timestamp", from an offset; null where it fails. */
export function collectTimestamp(text: string, at: number): Collected | null {
  const first = digitsEnd(text, at);
  if (first === at) return null;
  const one = number(text, at, first);
  const two = pair(text, first);
  if (two < 0) return null;
  let next = first + 3;
  let [hours, minutes, seconds] = [0, one, two];
  // Hours are meant where the first number is not two digits up to 59, or where a third number follows.
  if (first - at !== 2 || one > 59 || text.charCodeAt(next) === 58) {
    const three = pair(text, next);
    if (three < 0) return null;
    [hours, minutes, seconds] = [one, two, three];
    next += 3;
  }
  if (text.charCodeAt(next) !== 46 || digitsEnd(text, next + 1) !== next + 4 || minutes > 59 || seconds > 59)
    return null;
  const ms = hours * 3_600_000 + minutes * 60_000 + seconds * 1000 + number(text, next + 1, next + 4);
  return Number.isSafeInteger(ms) ? { ms, next: next + 4 } : null;
}

/** Milliseconds of a text that is a timestamp and nothing else; null otherwise. */
export function webvttTime(text: string): number | null {
  const found = collectTimestamp(text, 0);
  return found?.next === text.length ? found.ms : null;
}

function skipWhitespace(text: string, at: number): number {
  let i = at;
  for (let code = text.charCodeAt(i); code === 32 || code === 9 || code === 12; code = text.charCodeAt(i)) i++;
  return i;
}

export interface Timings {
  readonly start: number;
  readonly end: number;
  /** What follows the second timestamp, space between or not. */
  readonly settings: string;
}

/** "Collect WebVTT cue timings and settings", up to the settings; null where it fails. */
export function collectTimings(line: string): Timings | null {
  const start = collectTimestamp(line, skipWhitespace(line, 0));
  if (!start) return null;
  const arrow = skipWhitespace(line, start.next);
  if (!line.startsWith('-->', arrow)) return null;
  const end = collectTimestamp(line, skipWhitespace(line, arrow + 3));
  return end ? { start: start.ms, end: end.ms, settings: line.slice(end.next).trim() } : null;
}
