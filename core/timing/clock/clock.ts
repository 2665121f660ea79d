/** Times as people and files write them. Every time inside Fenwix is a whole number of milliseconds. */

export interface ClockShape {
  /** The sign between seconds and their fraction: a comma in SRT, a full stop elsewhere. */
  readonly fraction: ',' | '.';
  /** Whether hours are written when they are zero. */
  readonly hours: 'always' | 'when needed';
  /** How many digits of the fraction are written; the rest is cut off, never rounded up to a time not yet reached. */
  readonly digits: 0 | 1 | 2 | 3;
}

/** Numbers with leading zeros, made once: a long file prints tens of thousands of times. */
const padded = (count: number, digits: number): readonly string[] =>
  Array.from({ length: count }, (_, n) => String(n).padStart(digits, '0'));
const twos = padded(100, 2);
const threes = padded(1000, 3);
const two = (n: number): string => twos[n] ?? String(n);

/**
 * Prints a time. Hours run on past 99; a negative or broken time is printed as zero, since no
 * caption format can hold one.
 * @param ms a time in milliseconds
 */
export function formatClock(ms: number, shape: ClockShape): string {
  const time = Number.isFinite(ms) && ms > 0 ? Math.floor(ms) : 0;
  const total = Math.floor(time / 1000);
  const hours = Math.floor(total / 3600);
  const minutes = Math.floor(total / 60) % 60;
  const clock = `${two(minutes)}:${two(total % 60)}`;
  const whole = hours > 0 || shape.hours === 'always' ? `${two(hours)}:${clock}` : clock;
  if (shape.digits === 0) return whole;
  const fraction = threes[time % 1000] ?? '';
  return whole + shape.fraction + (shape.digits === 3 ? fraction : fraction.slice(0, shape.digits));
}

/** `00:00:26.904`, as files of most formats have it. */
export const exactClock = (ms: number): string => formatClock(ms, { fraction: '.', hours: 'always', digits: 3 });

/** `00:00:26`, as transcripts mark a time. */
export const wholeClock = (ms: number): string => formatClock(ms, { fraction: '.', hours: 'always', digits: 0 });

const shortClock = (ms: number): string => formatClock(ms, { fraction: '.', hours: 'when needed', digits: 2 });
const longClock = (ms: number): string => formatClock(ms, { fraction: '.', hours: 'always', digits: 2 });

/**
 * How times are shown beside a recording: `00:26.90`, and `00:00:26.90` where it is an hour or longer, so that all of
 * them have one form and stand under each other.
 * @param length of the recording, or the last time of the track where that is later, in ms
 */
export const clockFor = (length: number): ((ms: number) => string) => (length < 3_600_000 ? shortClock : longClock);

/** `2.40 s`: a duration with its unit, cut to hundredths so that it never claims time that is not there. */
export const seconds = (ms: number): string => `${inHundredths(ms)} s`;

/** `3.14`: a time in seconds, cut to hundredths as everywhere. */
export function inHundredths(ms: number): string {
  const hundredths = Math.abs(Math.trunc(ms / 10));
  const rest = hundredths % 100;
  return `${ms <= -10 ? '-' : ''}${String((hundredths - rest) / 100)}.${rest < 10 ? '0' : ''}${String(rest)}`;
}

/** `0.083 s`: a gap with its unit. Below a second to the millisecond, since a frame more or less counts there. */
export const gapText = (ms: number): string => (Math.abs(ms) < 1000 ? `${(ms / 1000).toFixed(3)} s` : seconds(ms));

/** `2 min 31 s`: how long a recording is. */
export function lengthInWords(ms: number): string {
  const total = Math.round(ms / 1000);
  const hours = Math.floor(total / 3600);
  const minutes = Math.floor(total / 60) % 60;
  const rest = total % 60;
  if (hours > 0) return `${String(hours)} h ${String(minutes)} min`;
  return minutes > 0 ? `${String(minutes)} min ${String(rest)} s` : `${String(rest)} s`;
}
