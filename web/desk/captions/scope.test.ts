import { rangeOf } from './scope.ts';

it.each([
  ['here', { from: 4, to: 5 }],
  ['selected', { from: 2, to: 4 }],
  ['on', { from: 4, to: 9 }],
  ['all', { from: 0, to: 9 }],
] as const)('%s', (where, expected) =>
  expect(rangeOf(where, { here: 4, selected: { from: 2, to: 3 }, captions: 9 })).toEqual(expected),
);

it('takes the cursor caption where nothing is selected', () =>
  expect(rangeOf('selected', { here: 4, selected: null, captions: 9 })).toEqual({ from: 4, to: 5 }));
