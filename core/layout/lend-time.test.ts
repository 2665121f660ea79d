import fc from 'fast-check';
import { findIn } from '../rules/finder.ts';
import { shippedStyles } from '../style/shipped.ts';
import { captionsArbitrary } from '../model/arbitrary.ts';
import { usualRate } from '../timing/clock/frames.ts';
import { caption, type Caption } from '../model/caption.ts';
import { lendTime, withTimeLent } from './lend-time.ts';

const [style] = shippedStyles;
if (!style) throw new Error('Styles ship.');
const frame = { style, rate: usualRate };
const c = (id: string, start: number, end: number, letters: number): Caption =>
  caption({ id, start, end, text: 'x'.repeat(letters) });

describe('lending time', () => {
  it('moves where one caption gives way to the next, and no further than it has to', () => {
    const lent = lendTime(
      { before: c('a', 0, 2920, 30), here: c('b', 3000, 4600, 35), after: c('c', 4680, 6000, 30) },
      frame,
    );
    expect(lent).toMatchObject({ before: { end: 2770 }, here: { start: 2850, end: 4600 }, after: { start: 4680 } });
  });

  it('uses room that is nobody’s first', () => {
    const lent = lendTime({ before: null, here: c('b', 3000, 4600, 35), after: c('c', 6000, 8000, 10) }, frame);
    expect(lent?.here).toMatchObject({ start: 3000, end: 4750 });
  });

  it('gives nothing where the neighbours have nothing to spare', () => {
    const tight = { before: c('a', 0, 2920, 58), here: c('b', 3000, 4600, 35), after: c('c', 4680, 6000, 30) };
    expect(lendTime(tight, frame)).toBeNull();
    expect(lendTime({ before: null, here: c('b', 0, 2000, 10), after: null }, frame)).toBeNull();
  });

  it('keeps every gap, and never makes a finding', () => {
    fc.assert(
      fc.property(captionsArbitrary, fc.constantFrom(...shippedStyles), (captions, under) => {
        const context = { style: under, rate: usualRate, length: null, language: 'en' };
        const lent = withTimeLent(captions, { style: under, rate: usualRate });
        expect(findIn(lent, context).must).toBeLessThanOrEqual(findIn(captions, context).must);
        for (const l of lent) expect(l.end).toBeGreaterThanOrEqual(l.start);
      }),
    );
  });
});
