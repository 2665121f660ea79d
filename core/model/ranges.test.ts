import fc from 'fast-check';
import { captionsArbitrary } from './arbitrary.ts';
import type { WordRange } from './caption.ts';
import { joinText, markText, shareByLetters, sliceText, spliceText, type Ranged } from './ranges.ts';

const plain = (text: string): Ranged => ({ text, marks: [], speakers: [], words: [] });
const italic = (text: string, from: number, to: number): Ranged => ({
  ...plain(text),
  marks: [{ from, to, kind: 'italic', value: '' }],
});
const slanted = (of: Ranged): string[] => of.marks.map((m) => of.text.slice(m.from, m.to));

describe('marks under typing', () => {
  it.each<[string, [number, number, string], string[]]>([
    ['typing at the end goes on in the style', [9, 9, 's'], ['gates']],
    ['typing before the start does not', [5, 5, 'x'], ['gate']],
    ['typing inside belongs', [7, 7, 'XX'], ['gaXXte']],
    ['replacing all of it keeps the style', [5, 9, 'lock'], ['lock']],
    ['replacing its tail keeps the style', [7, 12, 'p'], ['gap']],
    ['replacing its head leaves the rest', [0, 7, 'da'], ['te']],
    ['deleting it takes the style away', [5, 9, ''], []],
    ['deleting around it too', [2, 11, ''], []],
  ])('%s', (_, [from, to, insert], expected) => {
    expect(slanted(spliceText(italic('open gate now', 5, 9), from, to, insert))).toEqual(expected);
  });

  it('set and clear stretches without leaving bits behind', () => {
    const once = markText(plain('one two three'), 0, 13, 'bold', '', true);
    const cut = markText(once, 4, 7, 'bold', '', false);
    expect(slanted(cut)).toEqual(['one ', ' three']);
    expect(slanted(markText(cut, 4, 7, 'bold', '', true))).toEqual(['one two three']);
    expect(markText(once, 5, 5, 'italic', '', true)).toEqual(once);
  });
});

describe('word times under typing', () => {
  const timed = (...words: [string, number, number][]): Ranged => {
    let text = '';
    const ranges = words.map(([word, start, end]): WordRange => {
      if (text) text += ' ';
      text += word;
      return [text.length - word.length, text.length, start, end, 0.5, 'recogniser', word];
    });
    return { ...plain(text), words: ranges };
  };
  const wordsOf = (of: Ranged) => of.words.map((w) => [of.text.slice(w[0], w[1]), w[2], w[3], w[5]]);
  const lock = timed(['work', 0, 400], ['a', 500, 600], ['lock', 700, 1100]);

  it('gives a word typed between two timed ones the time between them', () => {
    expect(wordsOf(spliceText(lock, 6, 6, ' deep'))).toEqual([
      ['work', 0, 400, 'recogniser'],
      ['a', 500, 600, 'recogniser'],
      ['deep', 600, 700, 'guessed'],
      ['lock', 700, 1100, 'recogniser'],
    ]);
  });

  it('gives a word typed after a space the gap to the next', () => {
    const spaced = spliceText(lock, 6, 6, ' ');
    expect(wordsOf(spliceText(spaced, 7, 7, 'd')).map((w) => w.slice(0, 3))).toEqual([
      ['work', 0, 400],
      ['a', 500, 600],
      ['d', 600, 700],
      ['lock', 700, 1100],
    ]);
  });

  it('drops a word that is deleted and leaves the others alone', () => {
    expect(wordsOf(spliceText(lock, 5, 7, '')).map((w) => w[0])).toEqual(['work', 'lock']);
    expect(wordsOf(spliceText(lock, 5, 7, ''))[1]).toEqual(['lock', 700, 1100, 'recogniser']);
  });

  it('shares time by letters without a gap or a millisecond over', () => {
    const shared = shareByLetters(
      'ab c def',
      [
        { from: 0, to: 2 },
        { from: 3, to: 4 },
        { from: 5, to: 8 },
      ],
      100,
      700,
    );
    expect(shared.map((w) => [w[2], w[3]])).toEqual([
      [100, 300],
      [300, 400],
      [400, 700],
    ]);
  });
});

describe('slice and join', () => {
  it('put a text together again as it was, wherever it was cut between words', () => {
    fc.assert(
      fc.property(captionsArbitrary, fc.nat(9), (captions, nth) => {
        for (const c of captions) {
          const spaces = Array.from(c.text.matchAll(/ /g), (m) => m.index);
          const at = spaces[nth % Math.max(1, spaces.length)];
          if (at === undefined) continue;
          const whole: Ranged = { text: c.text, marks: c.marks, speakers: c.speakers, words: c.words };
          expect(joinText(sliceText(whole, 0, at), ' ', sliceText(whole, at + 1, c.text.length))).toEqual(whole);
        }
      }),
    );
  });
});
