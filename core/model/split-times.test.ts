import { caption, type WordRange } from './caption.ts';
import { splitTimes } from './split-times.ts';

const said = (pauseTo: number): readonly WordRange[] => [
  [0, 4, 1000, 1400, 1, 'recogniser', 'stay'],
  [5, 7, pauseTo, pauseTo + 300, 1, 'recogniser', 'on'],
];

describe('splitTimes', () => {
  it('lands where the word was said, a gap before it', () => {
    const c = caption({ id: 'a', start: 1000, end: 2000, text: 'stay on', words: said(1500) });
    expect(splitTimes(c, 5, 80)).toEqual({ end: 1420, start: 1500 });
  });

  it('does not hold the first part over a long pause', () => {
    const c = caption({ id: 'a', start: 1000, end: 5000, text: 'stay on', words: said(4000) });
    expect(splitTimes(c, 4, 80)).toEqual({ end: 1800, start: 4000 });
  });

  it('shares by letters where no word has a time', () => {
    const c = caption({ id: 'a', start: 0, end: 6000, text: 'stay on' });
    expect(splitTimes(c, 5, 100)).toEqual({ end: 3900, start: 4000 });
  });

  it('never leaves the caption, whatever the times of its words', () => {
    const c = caption({ id: 'a', start: 1000, end: 1010, text: 'stay on', words: said(9000) });
    const { end, start } = splitTimes(c, 5, 80);
    expect(end).toBeGreaterThanOrEqual(1000);
    expect(start).toBeLessThanOrEqual(1010);
    expect(end).toBeLessThanOrEqual(start);
  });
});
