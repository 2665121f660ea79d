import fc from 'fast-check';
import { captionsArbitrary } from '../model/arbitrary.ts';
import { caption, type Caption } from '../model/caption.ts';
import { apply } from '../model/apply.ts';
import { usualRate } from '../timing/clock/frames.ts';
import type { RuleContext } from '../rules/finding.ts';
import { findIn } from '../rules/finder.ts';
import { reflowCaptions, type ReflowRequest } from './reflow-captions.ts';
import { shippedStyles } from '../style/shipped.ts';

const [lecture] = shippedStyles;
if (!lecture) throw new Error('Styles ship.');
const context: RuleContext = { style: lecture, rate: usualRate, length: null, language: 'en' };
let made = 0;
const newId = (): string => `new ${String(++made)}`;
const c = (id: string, start: number, end: number, text: string): Caption => caption({ id, start, end, text });
const long = c('long', 0, 6000, 'We wait until it stands as low as the river and then we open.');
const fine = c('fine', 7000, 9000, 'It is level.');
const tight = c('tight', 10_000, 13_000, 'Never open it faster than the\nkeeper says.');

describe('laying out again', () => {
  it('breaks only lines when that is asked for', () => {
    const { captions, runs } = reflowCaptions([long, fine], context, newId, { what: 'lines' });
    expect(captions.map((x) => [x.id, x.start, x.end, x.text])).toEqual([
      ['long', 0, 6000, 'We wait until it stands\nas low as the river and then we open.'],
      ['fine', 7000, 9000, 'It is level.'],
    ]);
    expect(runs).toHaveLength(1);
  });

  it('keeps to the stretch it was given', () => {
    const again = { ...long, id: 'again', start: 14_000, end: 20_000 };
    const { captions } = reflowCaptions([long, fine, again], context, newId, { what: 'captions', from: 2, to: 3 });
    expect(captions.slice(0, 2)).toEqual([long, fine]);
    expect(captions.some((x) => x.id === 'again')).toBe(false);
  });

  it('leaves captions alone that somebody let be', () => {
    const kept = { ...long, letBe: [{ rule: 'too-fast', reason: 'asked for', figure: 30 }] };
    expect(reflowCaptions([kept, fine], context, newId, { what: 'captions', every: true }).captions[0]).toBe(kept);
  });

  it('changes nothing in what comes out of it', () => {
    const once = reflowCaptions([long, fine, tight], context, newId, { what: 'captions', every: true }).captions;
    const twice = reflowCaptions(once, context, newId, { what: 'captions', every: true });
    expect(twice.captions.map((x) => x.text)).toEqual(once.map((x) => x.text));
  });

  it('tells what became of what, word for word, and its edit does the same', () => {
    const asked = fc.record<ReflowRequest>({ what: fc.constantFrom('lines', 'captions'), every: fc.boolean() });
    fc.assert(
      fc.property(captionsArbitrary, asked, fc.constantFrom(...shippedStyles), (captions, wanted, style) => {
        const laid = reflowCaptions(captions, { ...context, style }, newId, wanted);
        const words = (of: readonly Caption[]): string =>
          of
            .map((x) => x.text)
            .join(' ')
            .trim()
            .replace(/\s+/g, ' ');
        expect(words(laid.captions)).toBe(words(captions));
        for (const run of laid.runs) expect(words(run.after)).toBe(words(run.before));
        const applied = laid.edit ? apply(captions, laid.edit).captions : captions;
        expect(applied).toEqual(apply(laid.captions, { type: 'together', edits: [] }).captions);
        expect(findIn(applied, { ...context, style })).toEqual(findIn(laid.captions, { ...context, style }));
      }),
      { numRuns: 60 },
    );
  });
});
