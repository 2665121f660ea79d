import { changedInWords, moment } from './versions.ts';

const none = { added: 0, removed: 0, reworded: 0, retimed: 0, proofed: 0, otherwise: 0 };

it('tells in how many captions what has changed, and what came to nothing', () => {
  expect(changedInWords({ ...none, reworded: 12, retimed: 3, removed: 1 })).toBe('12 reworded, 3 retimed, 1 gone');
  expect(changedInWords({ ...none, otherwise: 2 })).toBe('2 changed in something else');
  expect(changedInWords(none)).toBe('in the end as before');
});

it('writes a moment with its year only where that is another', () => {
  const now = new Date();
  const june = (year: number): number => new Date(year, 5, 3, 14, 5).getTime();
  expect(moment(june(now.getFullYear()))).toMatch(/^\w{3},? 3 June?,? (at )?14:05$/);
  expect(moment(june(2019))).toMatch(/3 June? 2019,? (at )?14:05/);
});
