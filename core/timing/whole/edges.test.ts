import fc from 'fast-check';
import { caption } from '../../model/caption.ts';
import { closedGaps, furtherOut, snappedTimes } from './edges.ts';

const at = (...times: readonly (readonly [number, number])[]) =>
  times.map(([start, end], i) => caption({ id: String(i), start, end, text: 'x' }));

it('short gaps are closed but for the smallest one, long ones and none stay', () =>
  expect(closedGaps(at([0, 1000], [1300, 2000], [2040, 3000], [5000, 6000]), 500, 80)).toEqual([
    { id: '0', start: 0, end: 1220 },
  ]));

it('captions begin early and end late within the room there is', () => {
  const further = { lead: 200, linger: 500, gap: 80, length: 7200 };
  expect(furtherOut(at([100, 1000], [1300, 2000], [4000, 5000], [5000, 7000]), further)).toEqual([
    { id: '0', start: 0, end: 1020 },
    { id: '1', start: 1100, end: 2500 },
    { id: '2', start: 3800, end: 5000 },
    { id: '3', start: 5000, end: 7200 },
  ]);
});

it('nothing ever overlaps that did not, nor gets shorter', () =>
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(3000), fc.integer({ min: 1, max: 4000 })), { maxLength: 30 }),
      fc.nat(2000),
      fc.nat(2000),
      fc.nat(200),
      (gaps, lead, linger, gap) => {
        let end = 0;
        const captions = at(
          ...gaps.map(([before, long]) => {
            const start = end + before;
            end = start + long;
            return [start, end] as const;
          }),
        );
        for (const times of [
          furtherOut(captions, { lead, linger, gap, length: Infinity }),
          closedGaps(captions, lead, gap),
        ]) {
          const moved = new Map(times.map((t) => [t.id, t]));
          const after = captions.map((c) => moved.get(c.id) ?? c);
          after.forEach((c, i) => {
            expect(c.end - c.start).toBeGreaterThanOrEqual((captions[i]?.end ?? 0) - (captions[i]?.start ?? 0));
            if (i > 0) expect(c.start).toBeGreaterThanOrEqual(after[i - 1]?.end ?? 0);
          });
        }
      },
    ),
  ));

it('only what is not at pictures is snapped', () =>
  expect(snappedTimes(at([0, 1000], [1013, 2000]), { numerator: 25, denominator: 1 })).toEqual([
    { id: '1', start: 1000, end: 2000 },
  ]));
