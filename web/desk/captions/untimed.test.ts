import { caption } from '../../../core/model/caption.ts';
import { untimedInWords } from './untimed.ts';

const timed = (text: string) => caption({ id: text, start: 0, end: 1000, text });
const untimed = (text: string) => ({ ...timed(text), timing: 'provisional' as const });

it.each([
  ['nothing where all are timed', [timed('a'), timed('b')], null],
  ['one', [timed('a'), untimed('b')], 'One caption is not timed yet.'],
  ['some', [timed('a'), untimed('b'), untimed('c')], '2 of 3 captions are not timed yet.'],
  ['all', [untimed('b'), untimed('c')], 'None of the 2 captions is timed yet.'],
  ['nothing of a caption that is only being begun', [timed('a'), untimed(' ')], null],
])('of captions without times it says %s', (_, captions, says) => {
  expect(untimedInWords(captions)).toBe(says);
});
