import { caption } from '../../model/caption.ts';
import { sentWith, type BeforeAndAfter } from './send-with.ts';

const row = (id: string, start: number, by: number | null): BeforeAndAfter => {
  const before = caption({ id, start, end: start + 1000, text: id });
  return { before, after: { ...before, start: start + (by ?? 0), end: before.end + (by ?? 0) }, moves: by !== null };
};
const rows = [row('a', 9000, -8000), row('b', 12_000, null), row('c', 15_000, null), row('d', 18_000, -2000)];

it.each([
  [1, 'before', 4000],
  [2, 'before', 7000],
  [1, 'after', 10_000],
] as const)('caption %d goes with the one %s it', (i, side, start) =>
  expect(sentWith(rows, i, side)).toMatchObject({ start, end: start + 1000, timing: 'set' }),
);

it('none goes along with one that stays, or before the beginning', () => {
  expect(sentWith(rows, 0, 'before')).toBeNull();
  expect(sentWith([row('a', 9000, -9000), row('b', 500, null)], 1, 'before')).toMatchObject({ start: 0, end: 1 });
});
