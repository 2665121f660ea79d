import { caption } from './caption.ts';
import { heardAt, heardBefore, splitFor, wordBegan } from './heard.ts';

const captions = [
  caption({
    id: 'a',
    start: 1000,
    end: 3000,
    text: 'the gate\nis shut',
    words: [
      [0, 3, 1000, 1200, 1, 'recogniser', 'the'],
      [4, 8, 1200, 1700, 1, 'recogniser', 'gate'],
      [9, 11, 1800, 2000, 1, 'recogniser', 'is'],
      [12, 16, 2000, 2600, 1, 'recogniser', 'shut'],
    ],
  }),
  caption({ id: 'b', start: 4000, end: 6000, text: 'wait for it' }),
];
const said = (heard: { index: number; from: number; to: number } | null): string | null =>
  heard && (captions[heard.index]?.text.slice(heard.from, heard.to) ?? '');

describe('heardAt', () => {
  it.each([
    [999, null],
    [1000, 'the'],
    [1750, 'gate'],
    [2000, 'shut'],
    [3900, 'shut'],
    [4000, 'wait'],
    [4950, 'for'],
    [9000, 'it'],
  ])('at %i ms gives %s', (ms, word) => {
    expect(said(heardAt(captions, ms))).toBe(word);
  });
});

describe('wordBegan', () => {
  it.each([
    [1000, 1000],
    [1650, 1200],
    [1750, null],
    [2599, 2000],
    [2600, null],
    [999, null],
    [4500, null],
    [9000, null],
  ])('at %i ms is %s', (ms, began) => {
    expect(wordBegan(captions, ms)).toBe(began);
  });
});

describe('heardBefore', () => {
  it('goes back word by word, over captions, to the first', () => {
    const back: (string | null)[] = [];
    for (let at = heardAt(captions, 4950); at; at = heardBefore(captions, at)) back.push(said(at));
    expect(back).toEqual(['for', 'wait', 'shut', 'is', 'gate', 'the']);
  });
});

describe('splitFor', () => {
  const [gate, wait] = captions;
  it.each([
    [1000, 'gate\nis shut'],
    [1480, 'gate\nis shut'],
    [1520, 'is shut'],
    [1950, 'shut'],
    [9000, 'shut'],
  ])('at %d ms splits before “%s”', (ms, rest) => {
    const at = gate ? splitFor(gate, ms) : null;
    expect(gate?.text.slice(at ?? 0)).toBe(rest);
  });
  it('goes by letters where no word has times, and never before the first word', () => {
    expect(wait && splitFor(wait, 4000)).toBe(5);
    expect(splitFor(caption({ id: 'c', start: 0, end: 1000, text: 'wait' }), 500)).toBeNull();
    expect(splitFor(caption({ id: 'c', start: 0, end: 1000, text: '' }), 500)).toBeNull();
  });
});
