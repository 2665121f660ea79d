import { usualRate } from '../../timing/clock/frames.ts';
import { caption, type Caption } from '../../model/caption.ts';
import { apply } from '../../model/apply.ts';
import type { RuleContext } from '../finding.ts';
import { breakMovedTo, giveWord } from './give-words.ts';
import { plainStyle } from '../../style/shipped.ts';

const context: RuleContext = { style: plainStyle, rate: usualRate, length: null, language: 'en' };
const row: readonly Caption[] = [
  caption({
    id: 'a',
    start: 0,
    end: 2000,
    text: 'mind the',
    words: [
      [0, 4, 0, 500, 1, 'recogniser', 'mind'],
      [5, 8, 1500, 1900, 1, 'recogniser', 'the'],
    ],
  }),
  caption({ id: 'b', start: 2200, end: 4000, text: 'edge' }),
];
const after = (i: number, to: 'above' | 'below', of = row): (readonly [string, number, number])[] | null => {
  const edit = giveWord(of, i, to, context);
  return edit && apply(of, edit).captions.map((c) => [c.text, c.start, c.end]);
};

describe('a word given to a neighbour', () => {
  it('takes the time it was said in along', () => {
    expect(after(0, 'below')).toEqual([
      ['mind', 0, 1420],
      ['the edge', 1500, 4000],
    ]);
  });
  it('joins a caption of one word', () => expect(after(1, 'above')).toEqual([['mind the edge', 0, 4000]]));
  it('needs a neighbour', () => expect([after(0, 'above'), after(1, 'below')]).toEqual([null, null]));
  it('needs a word', () =>
    expect(after(0, 'below', [caption({ id: 'x', start: 0, end: 1, text: ' ' }), ...row])).toBeNull());
});

describe('the break between two captions moved to the cursor', () => {
  const long = caption({
    id: 'c',
    start: 4200,
    end: 8000,
    text: 'and wait\nfor the light',
    words: [
      [0, 3, 4200, 4600, 1, 'recogniser', 'and'],
      [4, 8, 4700, 5200, 1, 'recogniser', 'wait'],
      [9, 12, 5600, 5900, 1, 'recogniser', 'for'],
    ],
  });
  const moved = (
    offset: number,
    of: readonly Caption[],
    i: number,
  ): readonly (readonly [string, number, number])[] | null => {
    const edit = breakMovedTo(of, i, offset, context);
    return edit && apply(of, edit).captions.map((c) => [c.text, c.start, c.end]);
  };

  it('takes what stands before it to the caption above, with its times', () => {
    expect(moved(4, [...row, long], 2)).toEqual([
      ['mind the', 0, 2000],
      ['edge and', 2200, 4620],
      ['wait for the light', 4700, 8000],
    ]);
  });
  it('or what stands after it to the one below, where that is less', () => {
    expect(moved(5, row, 0)).toEqual([
      ['mind', 0, 1420],
      ['the edge', 1500, 4000],
    ]);
  });
  it('needs words on both sides, and a neighbour', () => {
    expect([moved(0, row, 1), moved(4, row, 1), moved(5, [long], 0)]).toEqual([null, null, null]);
  });
});
