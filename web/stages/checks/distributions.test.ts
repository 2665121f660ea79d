import fc from 'fast-check';
import type { RuleContext } from '../../../core/rules/finding.ts';
import { findIn } from '../../../core/rules/finder.ts';
import { shippedStyles } from '../../../core/style/shipped.ts';
import { usualRate } from '../../../core/timing/clock/frames.ts';
import { captionsArbitrary } from '../../../core/model/arbitrary.ts';
import { caption, type Caption } from '../../../core/model/caption.ts';
import { barText, spreadOf, spreads } from './distributions.ts';

const [style] = shippedStyles;
if (!style) throw new Error('Styles ship.');
const context: RuleContext = { style, rate: usualRate, length: null, language: 'en' };
const c = (id: string, start: number, end: number, text: string): Caption => caption({ id, start, end, text });

describe('spreads', () => {
  it('put a caption at the limit within it, and one above it over', () => {
    const at = c('at', 0, 2000, `${'x'.repeat(20)}\n${'x'.repeat(20)}`);
    const above = c('above', 3000, 4999, at.text);
    const { bars } = spreadOf('speed', [at, above], context);
    const barWith = (id: string) => bars.find((b) => b.captions.some((x) => x.id === id));
    expect(barWith('at')).toMatchObject({ to: 20, over: false });
    expect(barWith('above')).toMatchObject({ from: 20, over: true });
  });

  it('name their bars, the last one open', () => {
    const spread = spreadOf('speed', [], context);
    const [first] = spread.bars;
    const last = spread.bars.at(-1);
    expect(first && barText(spread, first)).toBe('0 to 2 cps');
    expect(last && barText(spread, last)).toBe('28 cps and more');
  });

  it('hold every caption once, and over their limits exactly those with the finding', () => {
    const rules = { speed: ['too-fast'], duration: ['too-short', 'too-long'], line: ['line-too-long'] } as const;
    fc.assert(
      fc.property(captionsArbitrary, fc.constantFrom(...shippedStyles), (captions, under) => {
        const on = { ...context, style: under };
        const { byCaption } = findIn(captions, on);
        for (const name of spreads) {
          const { bars } = spreadOf(name, captions, on);
          const held = bars.flatMap((b) => b.captions.map((x) => x.id));
          expect(held.length).toBe(name === 'gap' ? Math.max(0, captions.length - 1) : captions.length);
          if (name === 'gap') continue;
          const over = bars
            .filter((b) => b.over)
            .flatMap((b) => b.captions.filter((x) => x.letBe.length === 0).map((x) => x.id));
          const wanted = captions.filter(
            (x) => x.letBe.length === 0 && byCaption.get(x.id)?.some((f) => rules[name].some((r) => r === f.rule)),
          );
          expect([...over].sort()).toEqual(wanted.map((x) => x.id).sort());
        }
      }),
    );
  });
});
