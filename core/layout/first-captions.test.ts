import fc from 'fast-check';
import { shippedStyles } from '../style/shipped.ts';
import { lineLength } from '../text/measures.ts';
import { pieceOfWord } from '../formats/ctm/ctm.ts';
import { firstCaptions } from './first-captions.ts';

const heard = fc
  .array(
    fc.tuple(fc.stringMatching(/^[a-z']{1,12}$/), fc.integer({ min: 0, max: 900 }), fc.integer({ min: 40, max: 700 })),
    { maxLength: 60 },
  )
  .map((parts) => {
    let clock = 0;
    return parts.map(([text, before, length]) => {
      const start = clock + before;
      clock = start + length;
      return { text, start, end: clock, certainty: 0.5 };
    });
  });

describe.each(shippedStyles.map((s) => [s.name, s] as const))('grouping words under %s', (_, style) => {
  it('keeps every word once, in order, with its time', () => {
    fc.assert(
      fc.property(heard, (words) => {
        const captions = firstCaptions(words.map(pieceOfWord), style);
        expect(captions.flatMap((c) => c.text.split(/[ \n]/)).filter(Boolean)).toEqual(words.map((w) => w.text));
        expect(captions.flatMap((c) => c.words.map((w) => [c.text.slice(w[0], w[1]), w[2], w[3]]))).toEqual(
          words.map((w) => [w.text, w.start, w.end]),
        );
      }),
    );
  });

  it('keeps to the line limits and never overlaps', () => {
    fc.assert(
      fc.property(heard, (words) => {
        const captions = firstCaptions(words.map(pieceOfWord), style);
        captions.forEach((c, i) => {
          const lines = c.text.split('\n');
          expect(lines.length).toBeLessThanOrEqual(style.text.lines.limit);
          for (const line of lines)
            expect(lineLength(line, style.counting)).toBeLessThanOrEqual(style.text.lineLength.limit);
          expect(c.end).toBeGreaterThan(c.start);
          const next = captions[i + 1];
          if (next) expect(c.end).toBeLessThanOrEqual(Math.max(next.start, c.start + 1));
        });
      }),
    );
  });
});
