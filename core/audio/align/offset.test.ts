import { offsetsOf } from './offset.ts';
import type { CaptionPlace } from './caption-place.ts';

const many = 30;
const captions = Array.from({ length: many }, (_, i) => ({
  start: i * 4000,
  end: i * 4000 + 3000,
  timing: 'set' as const,
}));
const placesBy = (off: (at: number, i: number) => number | null): CaptionPlace[] =>
  captions.map(({ start, end }, i) => {
    const by = off(start, i);
    return by === null
      ? { start, end, how: 'left', words: [] }
      : { start: Math.round(start - by), end: Math.round(end - by), how: 'certain', words: [] };
  });

it('a constant offset has no drift and no jump', () =>
  expect(
    offsetsOf(
      captions,
      placesBy(() => 1500),
    ),
  ).toMatchObject({
    first: 1500,
    jumps: [],
    mismatches: [],
    drift: { by: 0, over: 116_000 },
  }));
it('a drift is told with how long it runs', () => {
  const { drift, jumps } = offsetsOf(
    captions,
    placesBy((at) => at * 0.0427),
  );
  expect(jumps).toEqual([]);
  expect(drift?.by).toBeCloseTo(116_000 * 0.0427, -2);
});
it('a missing scene is a jump, told where it is and how long', () => {
  const { jumps } = offsetsOf(
    captions,
    placesBy((at) => (at < 60_000 ? -11_200 : 8600)),
  );
  expect(jumps).toEqual([{ at: 60_000, by: 19_800 }]);
});
it('one caption that was heard wrong is no jump', () =>
  expect(
    offsetsOf(
      captions,
      placesBy((_, i) => (i === 12 ? 9000 : 100)),
    ).jumps,
  ).toEqual([]));
it('what does not match is told from where to where', () =>
  expect(
    offsetsOf(
      captions,
      placesBy((_, i) => (i >= 10 && i < 13 ? null : 0)),
    ).mismatches,
  ).toEqual([{ from: 40_000, to: 51_000 }]));
it('nothing certain has no offset', () =>
  expect(
    offsetsOf(
      captions,
      placesBy(() => null),
    ),
  ).toMatchObject({ first: null, drift: null, jumps: [] }));
