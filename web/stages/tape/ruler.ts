/** The lines of the ruler: round times, so far apart that their labels keep clear of one another. */
import { bisectLeft } from 'd3-array';
import type { FrameRate } from '../../../core/timing/clock/frames.ts';
import { frameLength } from '../../../core/timing/clock/timecode.ts';

export interface Ruler {
  /** Between two labels, in ms. */
  readonly step: number;
  /** Between two short lines, in ms; a picture each where there is room for them. */
  readonly fine: number;
}

const seconds = [0.1, 0.2, 0.5, 1, 2, 5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600];
const steps = seconds.map((s) => s * 1000);
/** Px that a label, and a short line, need at the least. */
const [labelRoom, lineRoom] = [46, 7];

/** @param perMs px for a ms */
export function rulerFor(perMs: number, rate: FrameRate): Ruler {
  const step = steps[Math.min(steps.length - 1, bisectLeft(steps, labelRoom / perMs))] ?? 3_600_000;
  const frame = frameLength(rate);
  if (frame * perMs >= lineRoom) return { step, fine: frame };
  const fine = steps.find((s) => s * perMs >= lineRoom && step % s < 1) ?? step;
  return { step, fine };
}

/** The times of lines within a stretch. */
export function linesWithin(from: number, until: number, step: number): number[] {
  const lines: number[] = [];
  for (let n = Math.max(0, Math.ceil(from / step)); n * step <= until; n++) lines.push(n * step);
  return lines;
}
