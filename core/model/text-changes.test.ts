import { Text } from '@codemirror/state';
import fc from 'fast-check';
import { difference, textChangesOf } from './text-changes.ts';

const applied = (before: string, after: string): string =>
  difference(before, after)
    .apply(Text.of(before.split('\n')))
    .sliceString(0, undefined, '\n');
const words = fc.array(fc.constantFrom('gate', 'lock', ' ', '\n', 'é', '👩🏽‍🔧', 'ق', 'ab', 'a'), { maxLength: 60 });

describe('what differs between two texts', () => {
  it('makes the one from the other, whatever they are', () => {
    fc.assert(
      fc.property(words, words, (a, b) => {
        expect(applied(a.join(''), b.join(''))).toBe(b.join(''));
      }),
    );
  });

  it('is each place that was changed, and nothing between them', () => {
    expect(textChangesOf(difference('shut the lover gate twice', 'Shut the lower gates twice')).reverse()).toEqual([
      { from: 0, to: 1, insert: 'S' },
      { from: 11, to: 12, insert: 'w' },
      { from: 19, to: 19, insert: 's' },
    ]);
  });

  it('is found in a text of an hour too, where few letters changed', () => {
    const hour = Array.from({ length: 9000 }, (_, i) => `word${String(i)}`).join('');
    const changed = hour.replace('word10w', 'wOrd10w').replace('word4500', 'xword4500').replace('word8990w', 'w');
    expect(applied(hour, changed)).toBe(changed);
    const sizes = textChangesOf(difference(hour, changed)).map((c) => c.to - c.from + c.insert.length);
    expect(sizes.reduce((sum, size) => sum + size, 0)).toBeLessThan(15);
  });

  it('is all of it where two long texts have nothing in common', () => {
    const [a, b] = ['lock '.repeat(2000), 'gate '.repeat(2000).toUpperCase()];
    expect(applied(a, b)).toBe(b);
    expect(textChangesOf(difference(a, b))).toHaveLength(1);
  });
});
