/** The skyline's bars: reading speed over time, gathered by their worst where a pixel has several captions. */
import { mustGo } from '../../../core/rules/findings.ts';
import type { Finding } from '../../../core/rules/finding.ts';
import type { Counting } from '../../../core/text/measures.ts';
import type { Caption } from '../../../core/model/caption.ts';
import { measuresOf } from '../../ui/measured.ts';

export interface Bar {
  /** In pixels. */
  readonly x: number;
  readonly width: number;
  /** Characters per second, the highest of those gathered. */
  readonly speed: number;
  readonly alarm: boolean;
  /** None of them has times of its own yet. */
  readonly hollow: boolean;
  readonly proofed: boolean;
}

export interface Scene {
  readonly captions: readonly Caption[];
  readonly findings: ReadonlyMap<string, readonly Finding[]>;
  readonly counting: Counting;
  /** Length of the whole strip in ms. */
  readonly length: number;
  /** Width of the strip in pixels. */
  readonly width: number;
}

const least = 2;

export function barsOf({ captions, findings, counting, length, width }: Scene): Bar[] {
  const bars: Bar[] = [];
  for (const caption of captions) {
    const x = (caption.start / length) * width;
    const right = (caption.end / length) * width;
    const speed = measuresOf(caption, counting).speed;
    const hollow = caption.timing === 'provisional';
    const alarm = !hollow && mustGo(findings.get(caption.id));
    const last = bars.at(-1);
    if (last && x < last.x + least) {
      bars[bars.length - 1] = {
        x: last.x,
        width: Math.max(last.width, right - last.x - 1),
        speed: Math.max(last.speed, speed),
        alarm: last.alarm || alarm,
        hollow: last.hollow && hollow,
        proofed: last.proofed && caption.proofed,
      };
    } else bars.push({ x, width: Math.max(1, right - x - 1), speed, alarm, hollow, proofed: caption.proofed });
  }
  return bars;
}

/** Times at which to write the clock, so that the labels keep clear of one another. */
export function clockTicks(length: number, width: number): number[] {
  const steps = [5, 10, 15, 30, 60, 120, 300, 600, 900, 1800, 3600, 7200].map((s) => s * 1000);
  const step = steps.find((s) => (s / length) * width >= 130) ?? 14_400_000;
  const ticks: number[] = [];
  for (let at = 0; (at / length) * width <= width - 70; at += step) ticks.push(at);
  return ticks;
}
