import { usualRate } from '../../timing/clock/frames.ts';
import { caption, type Caption } from '../../model/caption.ts';
import { apply } from '../../model/apply.ts';
import type { RuleContext } from '../finding.ts';
import { giveWord } from './give-words.ts';
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
