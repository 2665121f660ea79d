import fc from 'fast-check';
import type { CaptionPlace } from './caption-place.ts';
import { spreadUnheard } from './spread.ts';

const at = (start: number, end = start + 1000) => ({ start, end, timing: 'set' as const });
const heard = (start: number, end = start + 1000): CaptionPlace => ({ start, end, how: 'certain', words: [] });
const stays = (start: number, end = start + 1000): CaptionPlace => ({ start, end, how: 'left', words: [] });
const starts = (places: readonly CaptionPlace[]) => places.map((p) => p.start);

it('what was not heard and is in order stays as it is', () => {
  const captions = [at(0), at(2000), at(4000), at(6000)];
  const places = [heard(100), stays(2000), stays(4000), heard(6100)];
  expect(spreadUnheard(captions, places)).toEqual(places);
});

it('a row that would be out of order is spread in its old proportions, each for itself', () => {
  const captions = [at(0), at(2000), at(3000), at(6000), at(8000)];
  const places = [heard(20_000), stays(2000), stays(3000), stays(6000), heard(28_000)];
  const spread = spreadUnheard(captions, places);
  expect(starts(spread)).toEqual([20_000, 22_000, 23_000, 26_000, 28_000]);
  expect(spread.map((p) => p.end)).toEqual([21_000, 23_000, 24_000, 27_000, 29_000]);
  expect(spread.slice(1, 4).map((p) => p.how)).toEqual(Array(3).fill('with neighbours'));
  // With half the room, half as far apart.
  places[4] = heard(24_000);
  expect(starts(spreadUnheard(captions, places))).toEqual([20_000, 21_000, 21_500, 23_000, 24_000]);
});

it('before the first and behind the last that were heard they go along with these', () => {
  const captions = [at(1000), at(3000), at(5000), at(7000)];
  expect(starts(spreadUnheard(captions, [stays(1000), heard(500), stays(5000), heard(7000)]))[0]).toBeLessThan(500);
  const behind = [heard(21_000), heard(23_000), stays(5000), stays(7000)];
  expect(starts(spreadUnheard(captions, behind))).toEqual([21_000, 23_000, 25_000, 27_000]);
});

it('none comes to stand at the moment of another, and all are in order, wherever the others are', () => {
  const track = fc
    .array(fc.tuple(fc.integer({ min: 1, max: 4000 }), fc.boolean(), fc.integer({ min: 0, max: 60_000 })), {
      minLength: 2,
      maxLength: 12,
    })
    .map((rows) => {
      let [clock, sure] = [0, 0];
      const captions = rows.map(([gap]) => at((clock += gap), clock + gap));
      const places = rows.map(([, isHeard, jump], i) => {
        const { start = 0 } = captions[i] ?? {};
        // What is heard is in order, with room for those between.
        if (isHeard) sure = Math.max(sure + 100 + rows.length, start + jump);
        return isHeard ? heard(sure) : stays(start);
      });
      return { captions, places };
    });
  fc.assert(
    fc.property(track, ({ captions, places }) => {
      const now = starts(spreadUnheard(captions, places));
      expect(now.every((start, i) => i === 0 || start > (now[i - 1] ?? -1))).toBe(true);
      places.forEach((p, i) => p.how === 'certain' && expect(now[i]).toBe(p.start));
    }),
    { numRuns: 500 },
  );
});
