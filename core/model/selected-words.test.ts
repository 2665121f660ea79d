import { selectedWordsAt, selectedWordsIn } from './selected-words.ts';
import { caption, type WordRange } from './caption.ts';

const words: readonly WordRange[] = [
  [0, 3, 1000, 1200, 0.9, 'recogniser', 'the'],
  [4, 12, 1300, 1700, 0.4, 'recogniser', 'pad'],
  [13, 17, 1700, 2100, 0.2, 'recogniser', 'mom.'],
];
const c = caption({ id: 'a', start: 900, end: 2500, text: 'the “paddle, mom.', words });

describe('the words asked about', () => {
  it('are the one the cursor stands in or beside, without its punctuation', () => {
    for (const at of [4, 7, 12]) expect(selectedWordsAt(c, { from: at, to: at })).toMatchObject({ from: 5, to: 11 });
    expect(selectedWordsAt(c, { from: 17, to: 17 })).toMatchObject({ from: 13, to: 16, start: 1700, end: 2100 });
  });

  it('are all a selection touches, from the first heard to the last', () => {
    expect(selectedWordsAt(c, { from: 2, to: 14 })).toEqual({
      from: 0,
      to: 16,
      start: 1000,
      end: 2100,
      certainty: 0.2,
      words,
    });
    expect(selectedWordsAt(c, { from: 3, to: 4 })).toBeNull();
  });

  it('are as certain as the least certain that still stands as it was heard', () => {
    expect(selectedWordsAt(c, { from: 0, to: 5 })?.certainty).toBe(0.9);
    expect(selectedWordsAt(c, { from: 6, to: 6 })?.certainty).toBeNull();
  });

  it('are none between words, in signs, and in a caption without text', () => {
    const signs = caption({ id: 'b', start: 0, end: 1000, text: 'a  … b' });
    expect(selectedWordsAt(signs, { from: 2, to: 2 })).toBeNull();
    expect(selectedWordsAt(signs, { from: 3, to: 4 })).toBeNull();
    expect(selectedWordsAt(caption({ id: 'c', start: 0, end: 1000, text: '' }), { from: 0, to: 0 })).toBeNull();
  });

  it('take the times of their caption where they have none of their own', () => {
    expect(selectedWordsIn({ ...c, words: [] }, { from: 0, to: 3 })).toMatchObject({
      start: 900,
      end: 2500,
      certainty: null,
    });
  });
});
