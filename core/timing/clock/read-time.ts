/** Times as people type them: on the clock, in seconds, as a timecode, or as a step from where a time is now. */
import type { FrameRate } from './frames.ts';
import { frameAt, frameOfTimecode, timeOfFrame } from './timecode.ts';

export interface TypedTime {
  /** In whole ms. */
  readonly ms: number;
}
export interface NoTime {
  /** What is wrong with it, as a sentence. */
  readonly fault: string;
}

const forms = 'Write a time as 1:02.5, as 62.5 seconds, as a timecode 00:01:02:12, or as a step: +0.3 or -2f.';

/** Hours, minutes and seconds with a fraction, the first two left out where they are not needed; ms, s or f after a figure. */
const clock = /^(?:(?:(\d{1,3}):)?(\d{1,3}):)?(\d{1,6}(?:[.,]\d{1,6})?)$/;
const figure = /^(\d{1,9}(?:[.,]\d{1,6})?)\s*(ms|s|f)$/i;
const code = /^(\d{1,2}):(\d{2}):(\d{2})[:;](\d{2})$/;

const numberOf = (text: string): number => Number(text.replace(',', '.'));

/** A time from 0, or the length of a step, in ms; null where it is neither. */
function lengthOf(text: string, from: number, rate: FrameRate, sign: number): number | null {
  const [, hours = '0', minutes = '0', seconds] = clock.exec(text) ?? [];
  if (seconds !== undefined) return (Number(hours) * 3600 + Number(minutes) * 60 + numberOf(seconds)) * 1000;
  const [, many, unit] = figure.exec(text) ?? [];
  if (many === undefined || unit === undefined) return null;
  if (unit.toLowerCase() === 'ms') return numberOf(many);
  if (unit.toLowerCase() === 's') return numberOf(many) * 1000;
  // So many pictures from the one that is shown.
  return Math.abs(timeOfFrame(frameAt(from, rate) + sign * Math.round(numberOf(many)), rate) - from);
}

/**
 * Reads what was typed.
 * @param from the time as it is now, in ms, from which steps count
 */
export function readTime(typed: string, from: number, rate: FrameRate): TypedTime | NoTime {
  const text = typed.trim().replace('−', '-');
  const parts = code.exec(text);
  if (parts) {
    const [, ...numbers] = parts.map(Number);
    const frame = frameOfTimecode(numbers as [number, number, number, number], rate);
    return frame === null
      ? { fault: `There is no picture ${text} at this frame rate.` }
      : { ms: timeOfFrame(frame, rate) };
  }
  const sign = text.startsWith('-') ? -1 : text.startsWith('+') ? 1 : 0;
  const length = lengthOf(sign === 0 ? text : text.slice(1).trim(), sign === 0 ? 0 : from, rate, sign === 0 ? 1 : sign);
  if (length === null) return { fault: forms };
  const ms = Math.round(sign === 0 ? length : from + sign * length);
  return ms < 0 ? { fault: 'That is before the recording begins.' } : { ms };
}
