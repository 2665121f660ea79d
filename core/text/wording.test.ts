import fc from 'fast-check';
import { sign, signsOf } from './signs.ts';
import { doubledWords, lowerAfterEnd, upperWithoutEnd } from './wording.ts';

const cut = (text: string, of: readonly { from: number; to: number }[]): string[] =>
  of.map((s) => text.slice(s.from, s.to));

it.each<[string, string[]]>([
  ['the the gate', ['the']],
  ['The the gate', ['the']],
  ['shut the\nthe gate', ['the']],
  ['wait, wait', []],
  ['he had had it', []],
  ['gate gates', []],
  ['the the.', ['the']],
  ['öffne öffne', ['öffne']],
  ['gate gate gate', ['gate', 'gate']],
  ['the-the', []],
])('%j doubles %j', (text, found) => expect(cut(text, doubledWords(text))).toEqual(found));

it('finds doubled words as a pattern would', () => {
  const words = fc.array(fc.constantFrom('gate', 'Gate', 'lock', 'a', ',', '\n', '—'), { maxLength: 12 });
  fc.assert(
    fc.property(words, (of) => {
      const text = of.join(' ');
      const pattern = /(?<![\p{L}])(\p{L}+)(?=[ \n]+\1(?!\p{L}))/giu;
      const found = doubledWords(text);
      expect(found).toHaveLength(Array.from(text.matchAll(pattern)).length);
      if (found.length > 0) expect(signsOf(text) & sign.echo).not.toBe(0);
    }),
  );
});

it.each<[string, string[]]>([
  ['It is level. we open.', ['we']],
  ['It is level! we open.', ['we']],
  ['It is level. We open.', []],
  ['At 4 p.m. the gate opens.', []],
  ['“Wait here!” she said.', []],
  ['It is… and then', []],
])('%j begins without a capital: %j', (text, found) => expect(cut(text, lowerAfterEnd(text))).toEqual(found));

it.each<[string, string, string[]]>([
  ['we shut the gate The water falls', 'en-GB', ['The']],
  ['we shut the gate. The water falls', 'en', []],
  ['we met The Tollen', 'en', []],
  ['wir gehen So weit', 'de', []],
])('%j in %s lacks an end mark before %j', (text, language, found) =>
  expect(cut(text, upperWithoutEnd(text, language))).toEqual(found),
);
