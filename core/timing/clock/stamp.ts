/** Times as they are found in files: with or without hours, with commas, dots or frames. Read by hand, in one pass. */

export interface Stamp {
  readonly negative: boolean;
  readonly hours: number;
  readonly minutes: number;
  readonly seconds: number;
  /** Digits after the seconds, as written. */
  readonly fraction: string;
  /** A colon stood before the fraction, as before a number of frames. */
  readonly colon: boolean;
  /** Where the text goes on. */
  readonly next: number;
}

const isDigit = (code: number): boolean => code >= 48 && code <= 57;
const isSpace = (code: number): boolean => code === 32 || code === 9 || code === 0xa0;

/** Where the first character at or after `at` stands that is no space. */
export function skipSpaces(text: string, at: number): number {
  let i = at;
  while (isSpace(text.charCodeAt(i))) i++;
  return i;
}

/** Where the digits that begin at `at` end. */
export function digitsEnd(text: string, at: number): number {
  let i = at;
  while (isDigit(text.charCodeAt(i))) i++;
  return i;
}

/** More digits than this are no part of a time. */
const longestGroup = 9;

/**
 * The time that begins at an offset: two or three groups of digits with colons between, then a
 * fraction or frames after a comma, dot, semicolon or colon.
 * @param spaced whether spaces may stand around the signs, as careless writers leave them
 * @returns null where no time begins
 */
export function readStamp(text: string, at: number, spaced = false): Stamp | null {
  const skip = (i: number): number => (spaced ? skipSpaces(text, i) : i);
  let i = at;
  const negative = text.charAt(i) === '-';
  if (negative) i++;
  const groups: number[] = [];
  let end = digitsEnd(text, i);
  for (;;) {
    if (end === i || end - i > longestGroup) return null;
    groups.push(Number(text.slice(i, end)));
    const sign = skip(end);
    if (groups.length === 3 || text.charAt(sign) !== ':') break;
    const next = skip(sign + 1);
    const nextEnd = digitsEnd(text, next);
    if (nextEnd === next) break;
    i = next;
    end = nextEnd;
  }
  if (groups.length < 2) return null;
  const [seconds = 0, minutes = 0, hours = 0] = groups.reverse();
  const sign = skip(end);
  const from = skip(sign + 1);
  const to = digitsEnd(text, from);
  const mark = text.charAt(sign);
  // Digits with a colon after them are the next time, not the fraction of this one.
  const fractioned = mark !== '' && ',.;:'.includes(mark) && to > from && text.charAt(skip(to)) !== ':';
  return {
    negative,
    hours,
    minutes,
    seconds,
    fraction: fractioned ? text.slice(from, to) : '',
    colon: fractioned && mark === ':',
    next: fractioned ? to : end,
  };
}

/** Milliseconds of a stamp whose fraction is one of seconds; digits past the third are cut off. */
export function stampMs(stamp: Stamp): number {
  const { hours, minutes, seconds, fraction } = stamp;
  const ms =
    hours * 3_600_000 + minutes * 60_000 + seconds * 1000 + Number((fraction.slice(0, 3) || '0').padEnd(3, '0'));
  return stamp.negative ? -ms : ms;
}
