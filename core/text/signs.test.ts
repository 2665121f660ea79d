import fc from 'fast-check';
import { isSimple } from './graphemes.ts';
import { phrasesOf } from '../languages/bonds.ts';
import { countEverything } from './measures.ts';
import { tooLongForOneLine } from '../languages/sentences.ts';
import { sign, signsOf } from './signs.ts';
import { doubledWords, lowerAfterEnd, upperWithoutEnd } from './wording.ts';

const parts = fc.constantFrom(
  ...['gate', 'Gate', 'GATE', 'The', 'the', 'öffne', 'Öffne', 'door', 'a', '水門', '7', '_', '\u0301', '👩‍🚀'],
  ...[
    ' ',
    ' ',
    ' ',
    '\n',
    '  ',
    '.',
    ',',
    '!',
    '…',
    '؟',
    ':',
    '—',
    '-',
    '"',
    '”',
    '“',
    '’',
    "'",
    '(',
    ')',
    '[',
    ']',
    '<',
  ],
);

describe('signs', () => {
  it('never hide a slip from the rules that look only where there are some', () => {
    fc.assert(
      fc.property(fc.array(parts, { maxLength: 16 }), (of) => {
        const text = of.join('');
        const has = (bit: number): boolean => (signsOf(text) & bit) !== 0;
        if (!has(sign.echo)) expect([text, doubledWords(text)]).toEqual([text, []]);
        if (!has(sign.capital)) expect([text, upperWithoutEnd(text, 'en')]).toEqual([text, []]);
        if (!has(sign.inner)) {
          expect([text, lowerAfterEnd(text)]).toEqual([text, []]);
          expect([text, tooLongForOneLine(text, 3, phrasesOf('en'), countEverything)]).toEqual([text, null]);
        }
        if (!has(sign.combining)) expect(text.split('\n').every(isSimple)).toBe(true);
        if (!has(sign.bracket)) expect(text).not.toMatch(/[<>()[\]]/);
        if (!has(sign.dash)) expect(text).not.toMatch(/(?:^|\n)[-–—]/);
        if (!has(sign.straySpace)) expect(text).not.toMatch(/^[ \t]|[ \t]$|[ \t][ \t\n]|\n[ \t]/);
        if (!has(sign.strayPunctuation)) expect(text).not.toMatch(/(?:^|\n)\s*[,.;:!?]|[,;:][,;:](?:\n|$)/);
      }),
      { numRuns: 2000 },
    );
  });

  it('are none in plain words', () => expect(signsOf('we open the lower gate')).toBe(0));
});
