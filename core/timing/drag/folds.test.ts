import fc from 'fast-check';
import { foldedScale, silencesIn } from './folds.ts';

it('finds silence of six seconds and more, and leaves a second of it on either side', () => {
  const busy = [
    { start: 20_000, end: 24_000 },
    { start: 7000, end: 9000 },
    { start: 8000, end: 14_001 },
  ];
  expect(silencesIn(busy, 30_000)).toEqual([
    { start: 1000, end: 6000 },
    { start: 25_000, end: 29_000 },
  ]);
  expect(silencesIn([], 5999)).toEqual([]);
});

it('draws a fold as short as is asked, and all after it so much earlier', () => {
  const { place, time } = foldedScale([{ start: 10_000, end: 40_000 }], 500);
  expect([0, 10_000, 25_000, 40_000, 41_000].map(place)).toEqual([0, 10_000, 10_250, 10_500, 11_500]);
  expect(time(10_250)).toBe(25_000);
  expect([place(-700), time(-700)]).toEqual([-700, -700]);
});

it('leaves one as it is that is shorter than a fold', () =>
  expect(foldedScale([{ start: 100, end: 400 }], 500).place(300)).toBe(300));

it('comes back to the same time, and never turns two times round', () => {
  const gaps = fc.array(fc.tuple(fc.integer({ min: 1, max: 90_000 }), fc.integer({ min: 1, max: 90_000 })), {
    maxLength: 20,
  });
  fc.assert(
    fc.property(
      gaps,
      fc.integer({ min: 1, max: 5000 }),
      fc.double({ min: -1e4, max: 4e6, noNaN: true }),
      (all, each, ms) => {
        let at = 0;
        const folds = all.map(([pause, long]) => {
          const start = at + pause;
          at = start + long;
          return { start, end: at };
        });
        const { place, time } = foldedScale(folds, each);
        expect(time(place(ms))).toBeCloseTo(ms, 3);
        expect(place(ms + 10)).toBeGreaterThan(place(ms));
        expect(place(ms)).toBeLessThanOrEqual(Math.max(ms, ms + 1e-6));
      },
    ),
  );
});
