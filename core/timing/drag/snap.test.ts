import { describe, expect, it } from '@jest/globals';
import { roomAt } from './room.ts';
import { snapTo } from './snap.ts';

describe('an edge that is moved', () => {
  const targets = [
    { at: 1000, what: 'word' },
    { at: 1200, what: 'caption' },
    { at: 1100, what: 'playhead' },
  ] as const;
  it.each([
    [1010, 1000],
    [1090, 1100],
    [1150, 1200],
    [1400, undefined],
    [940, 1000],
    [939, undefined],
  ])('at %d comes to rest at %s', (to, at) => {
    expect(snapTo(to, targets, 60)?.at).toBe(at);
  });
  it('of two as near, at the first', () => {
    expect(snapTo(1050, targets, 60)?.what).toBe('word');
  });
});

describe('a new caption', () => {
  const captions = [
    { id: 'a', start: 1000, end: 2000 },
    { id: 'b', start: 5000, end: 6000 },
  ];
  const rules = { gap: 80, length: 10_000 };
  const at = (ms: number) => roomAt(captions, ms, 2000, 700, rules);
  it('is as long as usual, or as there is room for', () => {
    expect(at(2500)).toEqual({ start: 2500, end: 4500 });
    expect(at(4000)).toEqual({ start: 4000, end: 4920 });
    expect(at(2010)).toEqual({ start: 2080, end: 4080 });
    expect(at(9000)).toEqual({ start: 9000, end: 10_000 });
  });
  it('says what is in the way', () => {
    expect(at(1500)).toEqual({ blockedBy: captions[0], room: 0 });
    expect(at(4500)).toEqual({ blockedBy: captions[1], room: 420 });
    expect(at(9900)).toMatchObject({ blockedBy: captions[1], room: 100 });
  });
});
