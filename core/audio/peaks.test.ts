import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { levelsOf, peakReader, peaksPerSecond, peakWithin } from './peaks.ts';

/** The highest sample of each hundredth, by going over all samples one by one. */
function plainly(samples: Float32Array, rate: number): number[] {
  const cells: number[] = [];
  samples.forEach((sample, i) => {
    const cell = Math.floor((i * peaksPerSecond) / rate);
    cells[cell] = Math.max(cells[cell] ?? 0, Math.min(255, Math.round(Math.abs(sample) * 255)));
  });
  return cells;
}

const noise = fc
  .array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 1, maxLength: 4000 })
  .map((values) => Float32Array.from(values));

describe('peaks', () => {
  it('are the highest sample of each hundredth, however the samples come in pieces', () => {
    fc.assert(
      fc.property(
        noise,
        fc.constantFrom(8000, 16_000, 44_100, 48_000, 22_050),
        fc.integer({ min: 1, max: 999 }),
        (samples, rate, size) => {
          const reader = peakReader(10);
          for (let at = 0; at < samples.length; at += size)
            reader.push(samples.subarray(at, at + size), at / rate, rate);
          expect([...reader.peaks()]).toEqual(plainly(samples, rate));
        },
      ),
    );
  });

  it('stand where the sound is: late, with a hole, and not before the beginning', () => {
    const reader = peakReader(100);
    const loud = new Float32Array(80).fill(0.5);
    reader.push(loud, 0.05, 8000);
    reader.push(loud, -0.005, 8000);
    expect([...reader.peaks()]).toEqual([128, 0, 0, 0, 0, 128]);
  });

  it('of a stretch are the loudest in it, at every scale', () => {
    fc.assert(
      fc.property(
        fc.uint8Array({ minLength: 1, maxLength: 5000 }),
        fc.nat(60_000),
        fc.integer({ min: 1, max: 60_000 }),
        (cells, from, length) => {
          const levels = levelsOf(cells);
          const found = peakWithin(levels, from, from + length);
          const exact = Math.max(
            0,
            ...cells.subarray(
              Math.floor(from / 10),
              Math.max(Math.floor(from / 10) + 1, Math.ceil((from + length) / 10)),
            ),
          );
          // A coarser level may reach a little beyond the stretch, and never misses what is in it.
          expect(found).toBeGreaterThanOrEqual(exact);
          const wide = Math.max(
            0,
            ...cells.subarray(Math.max(0, Math.floor((from - length) / 10)), Math.ceil((from + 2 * length) / 10) + 1),
          );
          expect(found).toBeLessThanOrEqual(wide);
        },
      ),
    );
  });
});

it('goes on behind what was read another time, and gathers as finely as is asked', () => {
  const before = peakReader(30);
  before.push(new Float32Array(160).fill(0.5), 0, 16_000);
  const after = peakReader(30, before.peaks());
  after.push(new Float32Array(160).fill(1), 0.01, 16_000);
  expect([...after.peaks()]).toEqual([128, 255]);
  const fine = peakReader(10, undefined, 1000);
  fine.push(new Float32Array(32).fill(1), 0.001, 16_000);
  expect([...fine.peaks()]).toEqual([0, 255, 255]);
  expect(peakWithin([fine.peaks()], 0, 1, 1000)).toBe(0);
  expect(peakWithin([fine.peaks()], 1, 2, 1000)).toBe(255);
});
