import { expect, it } from '@jest/globals';
import { linesWithin, rulerFor } from './ruler.ts';

const pal = { numerator: 25, denominator: 1 };

it.each([
  // 10 s on 600 px: a label each second, short lines each half... as far as seven px allow.
  [600 / 10_000, 1000, 200],
  [600 / 400, 100, 40],
  [600 / 60_000, 5000, 1000],
  [600 / 3_600_000, 300_000, 60_000],
  [600 / 21_600_000, 1_800_000, 300_000],
])('at %d px a ms labels are %d ms apart and short lines %d', (perMs, step, fine) => {
  expect(rulerFor(perMs, pal)).toEqual({ step, fine });
});

it('draws no line before the beginning', () => {
  expect(linesWithin(-1500, 2100, 1000)).toEqual([0, 1000, 2000]);
});
