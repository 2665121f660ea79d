/** Where the captions of an SRT file begin: its time lines, with the numbers above them. */
import { readTimeLine, strictTimeLine, type TimeLine } from './time-line.ts';

/** A time line and the place of the caption around it. */
export interface Stop {
  /** From 1. */
  readonly line: number;
  readonly at: TimeLine;
  /** The number above it; null where there is none. */
  readonly number: number | null;
  /** Where the caption begins, with its number. */
  readonly from: number;
  /** Where its text begins. */
  readonly body: number;
}

/** The number a line holds and nothing else; null where it holds anything else. */
export function numberOf(source: string, from: number, to: number): number | null {
  if (to - from > 16 || to === from) return null;
  const text = source.slice(from, to).trim();
  return /^\d{1,9}$/.test(text) ? Number(text) : null;
}

/** Whether a line holds nothing but white space; most lines are told by their first sign. */
function isBlank(source: string, from: number, to: number): boolean {
  const first = source.charCodeAt(from);
  if (to === from) return true;
  return (first <= 32 || first === 0xa0 || first === 0xfeff) && to - from < 200 && source.slice(from, to).trim() === '';
}

/** Whether a line is worth a closer look: it begins with a digit, a sign or a space, and is no longer than a time line. */
function promising(source: string, from: number, to: number): boolean {
  if (to - from < 8 || to - from > 200) return false;
  const first = source.charCodeAt(from);
  return (first >= 48 && first <= 57) || first <= 32 || first === 45 || first === 0xa0 || first === 0xfeff;
}

/** Finds every time line in one pass over the text. */
export function stopsOf(source: string): Stop[] {
  const stops: Stop[] = [];
  let line = 1;
  let beforeFrom = 0;
  let beforeTo = 0;
  let blankAbove = true;
  let expected = 1;
  for (let from = 0; from <= source.length; line++) {
    const nl = source.indexOf('\n', from);
    const to = nl < 0 ? source.length : nl;
    const at = promising(source, from, to)
      ? (strictTimeLine(source, from, to) ?? readTimeLine(source.slice(from, to)))
      : null;
    if (at) {
      const above = line > 1 ? numberOf(source, beforeFrom, beforeTo) : null;
      // Right under a text, a number is the caption's where it goes on with the count or begins it again, as
      // where two files were put together without a blank line; any other is the end of that text.
      const number = above !== null && (blankAbove || above === expected || above <= 1) ? above : null;
      const fits = at.sure || number !== null || (at.rest === '' && isBlank(source, beforeFrom, beforeTo));
      if (fits) {
        stops.push({
          line,
          at,
          number,
          from: number === null ? from : beforeFrom,
          body: Math.min(to + 1, source.length),
        });
        expected = (number ?? expected - 1) + 1 + (number === null ? 1 : 0);
      }
    }
    blankAbove = line === 1 || isBlank(source, beforeFrom, beforeTo);
    beforeFrom = from;
    beforeTo = to;
    if (nl < 0) break;
    from = nl + 1;
  }
  return stops;
}
