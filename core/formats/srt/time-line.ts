/** Time lines as SRT has them, and as it is found with them. */
import { readStamp, skipSpaces, stampMs, type Stamp } from '../../timing/clock/stamp.ts';

export interface TimeLine {
  /** In ms; below zero where the file has it so. */
  readonly start: number;
  /** In ms. */
  readonly end: number;
  /** What stands on the line after the times. */
  readonly rest: string;
  /** Why the line is not as common practice has it; null where it is. */
  readonly fault: string | null;
  /** The arrow is one by which any time line is known; a mere dash may be part of a text. */
  readonly sure: boolean;
}

/** Long lines cannot be time lines. */
const longest = 200;

const arrowSigns = '-–—=~>→⟶➔ \t\u00a0';

/** Where an arrow ends and whether it has a head; null where there is none. */
function arrow(line: string, at: number): { readonly next: number; readonly sure: boolean } | null {
  let i = at;
  let dashes = 0;
  let sure = false;
  for (; i < line.length && arrowSigns.includes(line.charAt(i)); i++) {
    const sign = line.charAt(i);
    if (sign === '>' || sign === '→' || sign === '⟶' || sign === '➔') sure = true;
    else if (sign !== ' ' && sign !== '\t' && sign !== '\u00a0') {
      // A dash right before a digit after a space is the sign of a time below zero.
      if (sure && /[0-9]/.test(line.charAt(i + 1))) break;
      dashes++;
    }
  }
  return sure || dashes >= 2 ? { next: i, sure } : null;
}

const outOfClock = (s: Stamp): boolean => s.minutes > 59 || s.seconds > 59;

/** The time a line begins with. */
const firstStamp = (line: string): Stamp | null =>
  readStamp(line, skipSpaces(line, line.startsWith('\ufeff') ? 1 : 0), true);

/** The times of a line, leniently; null where it is no time line. */
export function readTimeLine(line: string): TimeLine | null {
  if (line.length > longest) return null;
  const start = firstStamp(line);
  if (!start) return null;
  const between = arrow(line, start.next);
  if (!between) return null;
  const end = readStamp(line, between.next, true);
  if (!end) return null;
  const rest = line.slice(end.next).trim();
  const usual = /^\d{2,}:\d{2}:\d{2},\d{3} --> \d{2,}:\d{2}:\d{2},\d{3}$/.test(line.slice(0, end.next));
  return {
    start: stampMs(start),
    end: stampMs(end),
    rest,
    fault:
      outOfClock(start) || outOfClock(end)
        ? `The time line “${line.trim()}” has more than 59 minutes or seconds; they were counted on.`
        : usual
          ? null
          : `The time line was written “${line.trim()}”; it was read all the same.`,
    sure: between.sure,
  };
}

/** Joins what stands on both sides of it, has no width, and is no part of any time line. */
const joiner = '\u2060';

/**
 * A line of a text so that no reader takes it for a time line, this one or a stricter one that looks for `-->` anywhere:
 * it looks the same, with a sign inside that is not seen.
 */
export function notTimeLine(line: string): string {
  const apart = line.replace(/(\d[ \t]{0,9}-)(?=->[ \t]{0,9}\d)/g, `$1${joiner}`);
  const start = readTimeLine(apart) && firstStamp(apart);
  return start ? apart.slice(0, start.next) + joiner + apart.slice(start.next) : apart;
}

const digit = (source: string, at: number): number => {
  const n = source.charCodeAt(at) - 48;
  return n >= 0 && n <= 9 ? n : NaN;
};
const two = (source: string, at: number): number => digit(source, at) * 10 + digit(source, at + 1);

/** `HH:MM:SS,mmm` at an offset, in ms; NaN where anything else stands there. */
function strictStamp(source: string, at: number): number {
  if (source.charCodeAt(at + 2) !== 58 || source.charCodeAt(at + 5) !== 58 || source.charCodeAt(at + 8) !== 44)
    return NaN;
  const minutes = two(source, at + 3);
  const seconds = two(source, at + 6);
  if (!(minutes < 60) || !(seconds < 60)) return NaN;
  return (
    two(source, at) * 3_600_000 + minutes * 60_000 + seconds * 1000 + two(source, at + 9) * 10 + digit(source, at + 11)
  );
}

/** The times of a line that is exactly `HH:MM:SS,mmm --> HH:MM:SS,mmm`, the usual case; null where it is not. */
export function strictTimeLine(source: string, from: number, to: number): TimeLine | null {
  if (to - from !== 29 || !source.startsWith(' --> ', from + 12)) return null;
  const start = strictStamp(source, from);
  const end = strictStamp(source, from + 17);
  return start >= 0 && end >= 0 ? { start, end, rest: '', fault: null, sure: true } : null;
}
