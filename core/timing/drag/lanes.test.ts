import { expect, it } from '@jest/globals';
import { lanesOf } from './lanes.ts';

const lanes = (...times: readonly (readonly [number, number])[]): string =>
  lanesOf(times.map(([start, end], i) => ({ id: String(i), start, end })))
    .map(({ lane, of }) => `${String(lane)}/${String(of)}`)
    .join(' ');

it.each([
  [
    'one after the other',
    [
      [0, 10],
      [10, 20],
    ],
    '0/1 0/1',
  ],
  [
    'two at once',
    [
      [0, 10],
      [5, 20],
      [20, 30],
    ],
    '0/2 1/2 0/1',
  ],
  [
    'a lane that is free again',
    [
      [0, 30],
      [5, 10],
      [12, 20],
    ],
    '0/2 1/2 1/2',
  ],
  [
    'three at once, the first two lanes through another',
    [
      [0, 10],
      [5, 20],
      [8, 9],
      [15, 25],
    ],
    '0/3 1/3 2/3 0/3',
  ],
  ['none', [], ''],
] as const)('%s', (_, times, expected) => {
  expect(lanes(...times)).toBe(expected);
});
