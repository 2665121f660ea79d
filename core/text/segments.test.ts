import fc from 'fast-check';
import { eachSegment } from './segments.ts';

/** Pieces that combine with one another over long stretches, as UAX 29 tells them apart. */
const piece = fc.constantFrom(
  'a',
  ' ',
  "a'b",
  'a:',
  '1,2',
  '\u0301',
  '\u200d',
  '\u200f',
  '👩',
  '🏽',
  '🇬',
  '🇧',
  '\r\n',
  'ก',
  'क्',
  'ष',
  '각',
  '\u0600',
);

describe('eachSegment', () => {
  it.each(['grapheme', 'word'] as const)('gives what the engine gives for the whole text, by %s', (granularity) => {
    const segmenter = new Intl.Segmenter('und', { granularity });
    fc.assert(
      fc.property(fc.array(piece, { minLength: 300, maxLength: 2500 }), (pieces) => {
        const text = pieces.join('');
        const found: string[] = [];
        eachSegment(segmenter, text, ({ segment }) => found.push(segment));
        expect(found.join('')).toBe(text);
        expect(found).toEqual(Array.from(segmenter.segment(text), (s) => s.segment));
      }),
      { numRuns: 60 },
    );
  });

  it('goes through one cluster that is longer than a window', () => {
    const text = `a${'\u0301'.repeat(5000)}b`;
    const found: number[] = [];
    eachSegment(new Intl.Segmenter('und', { granularity: 'grapheme' }), text, ({ segment }) =>
      found.push(segment.length),
    );
    expect(found).toEqual([5001, 1]);
  });
});
