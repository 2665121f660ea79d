import fc from 'fast-check';
import { pushedBy, roomAt } from './room.ts';

const rules = { gap: 80, length: 20_000 };
const row = [
  { id: 'a', start: 1000, end: 3000 },
  { id: 'b', start: 3100, end: 4000 },
  { id: 'c', start: 9000, end: 10_000 },
];

it('finds as much room as is usual, or as there is, or says what is in the way', () => {
  expect(roomAt(row, 5000, 2000, 1000, rules)).toEqual({ start: 5000, end: 7000 });
  expect(roomAt(row, 7500, 2000, 1000, rules)).toEqual({ start: 7500, end: 8920 });
  expect(roomAt(row, 2000, 2000, 1000, rules)).toMatchObject({ blockedBy: { id: 'a' }, room: 0 });
  expect(roomAt(row, 8500, 2000, 1000, rules)).toMatchObject({ blockedBy: { id: 'c' }, room: 420 });
});

it('moves what comes after as far as it has to, and what has room enough not at all', () => {
  expect(pushedBy(row, { id: 'n', start: 0, end: 1500 }, rules)).toEqual([
    { id: 'a', start: 1580, end: 3580 },
    { id: 'b', start: 3660, end: 4560 },
  ]);
  expect(pushedBy(row, { id: 'n', start: 8500, end: 9500 }, { gap: 80, length: 10_300 })).toBeNull();
});

it('leaves no two closer than the gap that were apart, and keeps every length', () => {
  const captions = fc
    .array(fc.tuple(fc.integer({ min: 80, max: 3000 }), fc.integer({ min: 1, max: 3000 })), { maxLength: 12 })
    .map((all) => {
      let at = 500;
      return all.map(([pause, long], i) => {
        const start = at + pause;
        at = start + long;
        return { id: String(i), start, end: at };
      });
    });
  fc.assert(
    fc.property(captions, fc.integer({ min: 1, max: 5000 }), (before, long) => {
      const made = { id: 'n', start: 0, end: long };
      const changes = new Map((pushedBy(before, made, { gap: 80, length: Infinity }) ?? []).map((c) => [c.id, c]));
      const after = [made, ...before.map((c) => changes.get(c.id) ?? c)];
      after.slice(1).forEach((c, i) => {
        expect(c.start - (after[i]?.end ?? 0)).toBeGreaterThanOrEqual(80);
        expect(c.end - c.start).toBe((before[i]?.end ?? 0) - (before[i]?.start ?? 0));
      });
    }),
  );
});
