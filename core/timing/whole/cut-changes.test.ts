import { cutChangesOf } from './cut-changes.ts';
import type { Segment } from './segment.ts';

describe('what became of a recording', () => {
  const segment = (now: number, was: number, length: number): Segment => ({ now, was, length });
  it.each([
    ['nothing', [segment(0, 0, 60_000)], 60_000, 60_000, []],
    [
      'a cut in the middle and at the end',
      [segment(0, 0, 20_000), segment(20_000, 32_000, 10_000)],
      50_000,
      30_000,
      [
        { what: 'cut', from: 20_000, to: 32_000, at: 20_000 },
        { what: 'cut', from: 42_000, to: 50_000, at: 30_000 },
      ],
    ],
    [
      'something put in',
      [segment(5000, 0, 20_000), segment(34_000, 20_000, 10_000)],
      30_000,
      44_000,
      [
        { what: 'put in', from: 0, to: 5000 },
        { what: 'put in', from: 25_000, to: 34_000 },
      ],
    ],
    [
      'a stretch moved',
      [segment(0, 50_000, 40_000), segment(40_000, 0, 50_000), segment(90_000, 90_000, 10_000)],
      100_000,
      100_000,
      [{ what: 'moved', from: 50_000, to: 90_000, at: 0 }],
    ],
    [
      'a jingle that is there once more, before its own place',
      [segment(0, 0, 5000), segment(5000, 21_000, 3000), segment(8000, 5000, 25_000)],
      30_000,
      33_000,
      [{ what: 'put in', from: 5000, to: 8000 }],
    ],
    [
      'the same with something new around it',
      [segment(0, 0, 5000), segment(6000, 21_000, 3000), segment(10_000, 5000, 25_000)],
      30_000,
      35_000,
      [{ what: 'put in', from: 5000, to: 10_000 }],
    ],
  ] as const)('%s', (_, segments, was, now, changes) => expect(cutChangesOf(segments, was, now)).toEqual(changes));
});
