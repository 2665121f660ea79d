import fc from 'fast-check';
import { caption } from '../track/caption.ts';
import { countGraphemes, graphemes } from './graphemes.ts';
import { countEverything, countWords, lineLength, measure, need, speedText } from './measures.ts';

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

  // Cases of UAX 29, table of sample graphemes.
  it.each([
    ['g̈', 1],
    ['각', 1],
    ['각', 1],
    ['நி', 1],
    ['👩‍👩‍👧‍👦', 1],
    ['🇬🇧', 1],
    ['e\u0301a', 2],
  ])('%s counts %d', (text, count) => {
    expect(countGraphemes(text)).toBe(count);
  });
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
  });
});
