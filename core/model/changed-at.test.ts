import fc from 'fast-check';
import { apply } from './apply.ts';
import { caption } from './caption.ts';
import { changedAt } from './changed-at.ts';

const track = Array.from({ length: 9 }, (_, i) =>
  caption({ id: `c${String(i)}`, start: i * 1000, end: i * 1000 + 900, text: 'the gate' }),
);

it('what is remembered is where the lists differ, and nowhere else', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 8 }), fc.string({ maxLength: 3 }), (i, insert) => {
      const { captions } = apply(track, { type: 'splice', id: `c${String(i)}`, from: 0, to: 0, insert });
      expect(changedAt(track, captions)).toBe(i);
      expect(captions.flatMap((c, k) => (c === track[k] ? [] : [k]))).toEqual([i]);
    }),
  );
});

it('nothing is remembered of lists that are longer, in another order, or not made of one another', () => {
  const later = apply(track, { type: 'setTimes', id: 'c0', start: 8000, end: 9000 }).captions;
  const typed = apply(track, { type: 'splice', id: 'c0', from: 0, to: 0, insert: 'x' }).captions;
  const twice = apply(typed, { type: 'splice', id: 'c1', from: 0, to: 0, insert: 'x' }).captions;
  expect([changedAt(track, later), changedAt(track, twice), changedAt(typed, track), changedAt(track, track)]).toEqual([
    null,
    null,
    null,
    null,
  ]);
});
