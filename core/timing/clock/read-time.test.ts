import { expect, it } from '@jest/globals';
import { readTime } from './read-time.ts';

const pal = { numerator: 25, denominator: 1 };
const ntsc = { numerator: 30000, denominator: 1001 };

it.each([
  ['1:02.5', 62_500],
  ['62.5', 62_500],
  ['62,5', 62_500],
  ['01:00:02', 3_602_000],
  [' 0 ', 0],
  ['1.2345', 1235],
  ['90 s', 90_000],
  ['1500ms', 1500],
  ['25f', 1000],
  ['+0.3', 10_300],
  ['−0,3', 9700],
  ['+ 1:00', 70_000],
  ['-2f', 9920],
  ['+2f', 10_080],
  ['+40ms', 10_040],
  ['00:01:02:12', 62_480],
])('reads %s, from 10 s at 25 pictures a second', (typed, ms) => {
  expect(readTime(typed, 10_000, pal)).toEqual({ ms });
});

it('reads drop-frame timecode, with either sign before the picture', () => {
  expect(readTime('00:10:00;00', 0, ntsc)).toEqual({ ms: 599_999 });
  expect(readTime('01:00:00:00', 0, ntsc)).toEqual({ ms: 3_599_996 });
  expect(readTime('00:01:00;00', 0, ntsc)).toEqual({ fault: 'There is no picture 00:01:00;00 at this frame rate.' });
});

it.each(['', 'soon', '1:2:3:4:5', '1..2', '+', '-f', '00:00:00:99', '-11', '1e3'])(
  'says what is wrong with %j',
  (typed) => {
    expect(readTime(typed, 10_000, pal)).toEqual({ fault: expect.stringMatching(/\.$/) });
  },
);
