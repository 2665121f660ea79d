import { markBegin, markedAt, markEnd } from './mark.ts';
import type { Timed } from './move.ts';

const rules = { gap: 80, shared: 80, least: 40, length: 60_000 };
const at = (id: string, start: number, end: number): Timed => ({ id, start, end });

it('takes a mark earlier by the reaction time, and draws it to where speech starts within 0.3 s', () => {
  const speech = [{ start: 1000, end: 2000 }];
  expect(markedAt(1400, 150, null)).toBe(1250);
  expect(markedAt(1400, 150, speech)).toBe(1000);
  expect(markedAt(1460, 150, speech)).toBe(1310);
  expect(markedAt(1000, 150, speech)).toBe(1000);
  expect(markedAt(100, 150, null)).toBe(0);
});

it('begins a caption as long as is usual, or as there is room for', () => {
  expect(markBegin([], null, 5000, 2500, rules)).toEqual({ begun: { start: 5000, end: 7500 }, ended: null });
  expect(markBegin([at('n', 6000, 7000)], null, 5000, 2500, rules)?.begun).toEqual({ start: 5000, end: 5920 });
  expect(markBegin([], null, 59_000, 2500, rules)?.begun).toEqual({ start: 59_000, end: 60_000 });
});

it('ends the one that was begun the smallest gap before, and no other', () => {
  const open = at('a', 3000, 5500);
  expect(markBegin([open], open, 5000, 2500, rules)).toEqual({
    begun: { start: 5000, end: 7500 },
    ended: { id: 'a', start: 3000, end: 4920 },
  });
  // One that has its end keeps it: the new one begins after it.
  expect(markBegin([open], null, 5000, 2500, rules)).toEqual({ begun: { start: 5580, end: 8080 }, ended: null });
});

it('has no room in the middle of another', () =>
  expect(markBegin([at('a', 3000, 5000), at('b', 5100, 6000)], null, 4000, 2500, rules)).toBeNull());

it('ends where the key was let go, no earlier than it begins and no later than the next', () => {
  const here = at('a', 3000, 5500);
  expect(markEnd([here], here, 4200, rules).end).toBe(4200);
  expect(markEnd([here], here, 2000, rules).end).toBe(3040);
  expect(markEnd([here, at('b', 4000, 5000)], here, 4200, rules).end).toBe(3920);
});
