import { warningKinds, onLines } from './warnings.ts';

it('gathers what is of one kind, what was lost first', () => {
  const many = Array.from({ length: 8 }, (_, i) => ({ line: i * 4 + 1, message: `The times “${String(i)}” are odd.` }));
  const kinds = warningKinds([...many, { line: 7, message: 'Left out.', lost: true }]);
  expect(kinds.map((k) => [k.message, k.count, k.lost])).toEqual([
    ['Left out.', 1, true],
    ['The times “0” are odd.', 8, false],
  ]);
  expect(kinds.map(onLines)).toEqual(['line 7', 'lines 1, 5, 9, 13, 17 and 3 more']);
  expect(onLines({ message: '', count: 2, lines: [3, 8], lost: false })).toBe('lines 3 and 8');
});
