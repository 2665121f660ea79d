import fc from 'fast-check';
import { captionsArbitrary } from './arbitrary.ts';
import { caption, captionAt, inOrder, onScreenWithin, sorted } from './caption.ts';

describe('captionAt', () => {
  it('finds what looking at every caption finds', () => {
    fc.assert(
      fc.property(captionsArbitrary, fc.integer({ min: -100, max: 25_000 }), (captions, ms) => {
        expect(captionAt(captions, ms)).toBe(captions.findLastIndex((c) => c.start <= ms));
      }),
    );
  });

  it('gives none before the first caption and in an empty track', () => {
    expect(captionAt([], 0)).toBe(-1);
    expect(captionAt([caption({ id: 'a', start: 500, end: 900, text: '' })], 499)).toBe(-1);
  });
});

it('onScreenWithin finds what looking at every caption finds', () => {
  const time = fc.integer({ min: -100, max: 25_000 });
  fc.assert(
    fc.property(captionsArbitrary, time, time, (captions, a, b) => {
      const [start, end] = [Math.min(a, b), Math.max(a, b)];
      expect(onScreenWithin(captions, start, end)).toEqual(captions.filter((c) => c.start < end && c.end > start));
    }),
  );
});

describe('sorted', () => {
  it('orders by start, then end, then id, and leaves alone what is in order', () => {
    const times: readonly (readonly [string, number, number])[] = [
      ['b', 0, 10],
      ['a', 0, 10],
      ['c', 0, 5],
      ['d', 20, 30],
    ];
    const mixed = times.map(([id, start, end]) => caption({ id, start, end, text: '' }));
    const result = sorted(mixed);
    expect(result.map((c) => c.id)).toEqual(['c', 'a', 'b', 'd']);
    expect(sorted(result)).toBe(result);
    expect(mixed[0]?.id).toBe('b');
  });

  it('is an order: nothing comes before itself, and it runs one way', () => {
    fc.assert(
      fc.property(captionsArbitrary, (captions) => {
        for (const a of captions)
          for (const b of captions) expect(Math.sign(inOrder(a, b)) + Math.sign(inOrder(b, a))).toBe(0);
      }),
    );
  });
});
