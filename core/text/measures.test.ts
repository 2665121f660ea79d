import fc from 'fast-check';
import wcwidth from 'wcwidth';
import { caption } from '../model/caption.ts';
import { countGraphemes, graphemes } from './graphemes.ts';
import { countEverything, countWords, lineLength, measure, need, segmentedWords, speedText } from './measures.ts';

describe('countGraphemes', () => {
  it('agrees with Intl.Segmenter (UAX 29) on any text', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme' }), (text) => expect(countGraphemes(text)).toBe(graphemes(text).length)),
    );
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => expect(countGraphemes(text)).toBe(graphemes(text).length)),
    );
  });

  it('agrees on every pair of neighbours the fast path takes', () => {
    const ranges: readonly (readonly [number, number])[] = [
      [0x20, 0x530],
      [0x1e00, 0x2060],
      [0x20a0, 0x20ff],
      [0x3000, 0x3110],
    ];
    for (const [low, high] of ranges) {
      for (let unit = low; unit < high; unit++) {
        if (unit === 0x0d) continue;
        for (const beside of ['a', '\u0301', '\u4e2d', ' ']) {
          const text = String.fromCharCode(unit) + beside;
          if (countGraphemes(text) !== graphemes(text).length) throw new Error(`U+${unit.toString(16)}`);
        }
      }
    }
  });

  // UAX 29: the sample grapheme clusters of its table 1a, and its rules GB3 to GB13 one by one (from memory).
  it.each<[string, string, number]>([
    ['g with a diaeresis', 'g\u0308', 1],
    ['a Hangul syllable', '\uac01', 1],
    ['Hangul letters that make one: L V T (GB6 to GB8)', '\u1100\u1161\u11a8', 1],
    ['an LV syllable and a T (GB7)', '\uac00\u11a8', 1],
    ['two LVT syllables (GB7)', '\uac01\uac01', 2],
    ['Tamil ni', '\u0ba8\u0bbf', 1],
    ['Thai e (not joined) and ko', '\u0e40\u0e01', 2],
    ['Thai kam', '\u0e01\u0e33', 1],
    ['Devanagari ssi', '\u0937\u093f', 1],
    ['a family of four (GB11)', '👩\u200d👩\u200d👧\u200d👦', 1],
    ['a skin tone (GB9)', '👋🏽', 1],
    ['a heart with a variation selector', '❤\ufe0f', 1],
    ['a keycap', '3\ufe0f\u20e3', 1],
    ['one flag (GB12)', '🇬🇧', 1],
    ['two flags in a row (GB13)', '🇬🇧🇫🇷', 2],
    ['a letter, then a flag', 'a🇬🇧', 2],
    ['a subdivision flag by tags', '🏴\u{e0067}\u{e0062}\u{e0073}\u{e0063}\u{e0074}\u{e007f}', 1],
    ['a joiner between letters that are no pictures', 'a\u200db', 2],
    ['a letter with two marks', 'e\u0301\u0323a', 2],
    ['Vietnamese, decomposed', 'e\u0302\u0301', 1],
  ])('%s', (_, text, count) => {
    expect(countGraphemes(text)).toBe(count);
    expect(lineLength(text, countEverything)).toBe(count);
  });
});

/** Where Unicode has changed its mind since the tables of the `wcwidth` package were made. */
const newer: readonly (readonly [number, number, string])[] = [
  [0x231a, 0x2b55, 'pictures among these signs are wide since Unicode 9, trigrams since 16'],
  [0x3248, 0x324f, 'ambiguous since Unicode 6'],
  [0xa960, 0xa97c, 'Hangul letters of Unicode 5.2'],
];

describe('wide characters', () => {
  const wide = { ...countEverything, wideDouble: true };
  // Against the tables of the `wcwidth` package (after Markus Kuhn's, Unicode 5).
  it('count double where the tables of a common package have two columns', () => {
    const others: string[] = [];
    for (let unit = 0x20; unit < 0xffff; unit++) {
      if (unit >= 0xd800 && unit <= 0xf8ff) continue;
      if (newer.some(([from, to]) => unit >= from && unit <= to)) continue;
      const sign = String.fromCharCode(unit);
      const columns = wcwidth(sign);
      // It gives whole blocks two columns, places nobody has filled included.
      if (columns < 1 || !/\p{Assigned}/u.test(sign)) continue;
      if (lineLength(sign, wide) !== columns) others.push(unit.toString(16));
    }
    expect(others).toEqual([]);
  });

  it.each([
    ['水門', 4],
    ['水門 ok', 7],
    ['ｶﾀｶﾅ', 4],
    ['ＡＢ', 4],
    ['한글', 4],
    ['が', 2],
    ['か\u3099', 2],
    ['👩\u200d👩\u200d👧', 2],
    ['Ω', 1],
  ])('%s takes %d', (text, columns) => expect(lineLength(text, wide)).toBe(columns));
});

describe('measure', () => {
  const of = (text: string, duration: number) =>
    measure(caption({ id: 'a', start: 1000, end: 1000 + duration, text }), countEverything);

  it('counts a line break as nothing and markup not at all', () => {
    expect(of('Never open it faster\nthan one turn', 2000)).toMatchObject({
      lines: [20, 13],
      characters: 33,
      duration: 2000,
      speed: 16.5,
    });
  });

  // Common practice: 40 characters at 20 cps need exactly 2.000 s.
  it('needs 2.000 s for 40 characters at 20 cps', () => {
    expect(need(40, 20)).toBe(2000);
    expect(of('x'.repeat(40), 2000).speed).toBe(20);
  });

  it('needs a duration that really brings the speed down', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 5, max: 30 }), (characters, limit) => {
        expect((characters * 1000) / need(characters, limit)).toBeLessThanOrEqual(limit);
        expect((characters * 1000) / (need(characters, limit) - 1)).toBeGreaterThan(limit);
      }),
    );
  });

  it('never shows a speed over the limit as the limit', () => {
    expect(speedText(20.0001)).toBe('20.1');
    expect(speedText(20)).toBe('20.0');
    expect(speedText(of('a', 0).speed)).toBe('∞');
    expect(of('', 0).speed).toBe(0);
  });

  it('counts what a house style wants counted', () => {
    expect(lineLength('Red, or not?', { spaces: false, punctuation: true, wideDouble: false })).toBe(10);
    expect(lineLength('Red, or not?', { spaces: true, punctuation: false, wideDouble: false })).toBe(10);
    expect(lineLength('水門 ok', { spaces: true, punctuation: true, wideDouble: true })).toBe(7);
  });

  it('counts words as UAX 29 finds them', () => {
    expect(countWords('Two metres, in six minutes: that’s slow.')).toBe(7);
    const parts = fc.constantFrom(
      'a',
      'Bé',
      '7',
      '12',
      ' ',
      '\n',
      ', ',
      ',',
      '.',
      '’',
      "'",
      '-',
      '_',
      ':',
      '!',
      '水門',
      '\u0301',
      ';',
      'ß.',
    );
    fc.assert(
      fc.property(fc.array(parts, { maxLength: 12 }), (of) => {
        const text = of.join('');
        expect([text, countWords(text)]).toEqual([text, segmentedWords(text)]);
      }),
      { numRuns: 2000 },
    );
  });
});
