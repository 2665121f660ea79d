import { CannotDo, takeApart } from './arguments.ts';

const known = { values: ['shift', 'to'], flags: ['json'] };
const read = (...words: string[]) => {
  const { files, values, flags } = takeApart(words, known);
  return { files, values, flags: [...flags] };
};

it.each([
  [['a.srt', '--shift', '-500', '--json', '-'], { files: ['a.srt', '-'], values: { shift: '-500' }, flags: ['json'] }],
  [['--shift=-500', 'a.srt'], { files: ['a.srt'], values: { shift: '-500' }, flags: [] }],
  [['--to=srt', '--', '--odd.srt'], { files: ['--odd.srt'], values: { to: 'srt' }, flags: [] }],
])('%j is taken apart', (words, expected) => expect(read(...words)).toEqual(expected));

it.each([
  [['--shift'], '--shift needs a value'],
  [['--colour'], '--colour is not known here'],
  [['-x'], '-x is not known here'],
  [['--json=yes'], '--json stands by itself'],
])('%j is said', (words, says) => {
  expect(() => read(...words)).toThrow(CannotDo);
  expect(() => read(...words)).toThrow(says);
});
