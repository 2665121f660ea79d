import { cleaned, linesToPaste } from './clipboard.ts';

describe('pasted text', () => {
  it.each<[string, string, readonly string[] | null]>([
    ['a line stays text', 'the gate is shut', null],
    ['two lines stay lines of a caption', 'the gate\nis shut', null],
    ['more lines are captions', 'one\ntwo\u2028three\n', ['one', 'two', 'three']],
    ['blank lines part captions, whose lines run together', 'one\r\ntwo\r\n\r\nthree', ['one two', 'three']],
    ['nothing but space is text', ' \n \n ', null],
  ])('%s', (_, text, expected) => expect(linesToPaste(text, 2)).toEqual(expected));

  it('loses what nobody sees, and keeps what scripts need', () => {
    expect(cleaned('a\u0000b\u0007\tc\u200f\u200dד\ufeff')).toBe('ab c\u200f\u200dד');
  });
});
