/**
 * Frames and timecodes. A timecode names every picture of a recording by hours, minutes, seconds and its number in the
 * second. At 29.97 and 59.94 pictures a second those names would fall behind the clock, so drop-frame timecode leaves
 * out the first two (four) numbers of every minute that is no tenth one: SMPTE ST 12-1, "drop frame".
 */
import type { FrameRate } from './frames.ts';

/** The whole number of pictures that a second is counted as. */
const nominal = ({ numerator, denominator }: FrameRate): number => Math.round(numerator / denominator);

/** Whether a rate is counted with numbers left out. */
export const dropsFrames = (rate: FrameRate): boolean => rate.denominator === 1001 && nominal(rate) % 30 === 0;

/** How long one picture is shown, in ms; not a whole number at most rates. */
export const frameLength = ({ numerator, denominator }: FrameRate): number => (1000 * denominator) / numerator;

/** When a picture comes on, in whole ms. @param frame counted from 0 */
export const timeOfFrame = (frame: number, rate: FrameRate): number => Math.round(frame * frameLength(rate));

/** Which picture is shown at a time, from 0. Times are whole ms, so one comes on up to half a millisecond early. */
export const frameAt = (ms: number, rate: FrameRate): number => Math.floor((ms + 0.5) / frameLength(rate));

/** The time of the picture nearest to a time, in ms. */
export const nearestFrame = (ms: number, rate: FrameRate): number =>
  timeOfFrame(Math.round(ms / frameLength(rate)), rate);

/** How many numbers a minute, and ten minutes, have. */
function counted(rate: FrameRate) {
  const second = nominal(rate);
  const left = dropsFrames(rate) ? second / 15 : 0;
  return { second, left, minute: second * 60 - left, ten: second * 600 - left * 9 };
}

/** The number by which a picture is called, from the pictures before it: those left out are jumped over. */
function numberOf(frame: number, rate: FrameRate): number {
  const { second, left, minute, ten } = counted(rate);
  if (left === 0) return frame;
  const tens = Math.floor(frame / ten);
  const rest = frame % ten;
  // The first minute of ten is whole.
  const minutes = rest < second * 60 ? 0 : 1 + Math.floor((rest - second * 60) / minute);
  return frame + left * (9 * tens + minutes);
}

const two = (n: number): string => String(n).padStart(2, '0');

/** `00:01:02:12`, or `00:01:02;12` where numbers are left out. @param ms a time, from 0 */
export function timecode(ms: number, rate: FrameRate): string {
  const { second } = counted(rate);
  const number = numberOf(frameAt(Math.max(0, ms), rate), rate);
  const seconds = Math.floor(number / second);
  const clock = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60].map(two).join(':');
  return `${clock}${dropsFrames(rate) ? ';' : ':'}${two(number % second)}`;
}

/**
 * The picture a timecode names, from 0; null where there is no such number: more pictures than a second has, or one
 * that is left out.
 */
export function frameOfTimecode(
  [hours, minutes, seconds, frames]: readonly [number, number, number, number],
  rate: FrameRate,
): number | null {
  const { second, left } = counted(rate);
  if (minutes > 59 || seconds > 59 || frames >= second) return null;
  const all = hours * 60 + minutes;
  if (left > 0 && seconds === 0 && frames < left && all % 10 !== 0) return null;
  return (all * 60 + seconds) * second + frames - left * (all - Math.floor(all / 10));
}
