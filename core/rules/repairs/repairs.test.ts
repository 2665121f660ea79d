import fc from 'fast-check';
import { captionsArbitrary } from '../../model/arbitrary.ts';
import { caption, type Caption } from '../../model/caption.ts';
import { apply } from '../../model/apply.ts';
import type { Finding, RuleContext, RuleId } from '../finding.ts';
import { findIn } from '../finder.ts';
import { findingsAt } from '../findings.ts';
import { shippedStyle, shippedStyles } from '../../style/shipped.ts';
import type { HouseStyle } from '../../style/style.ts';
import { repairAll, repairOf } from './repairs.ts';

function styleNamed(id: string): HouseStyle {
  const style = shippedStyle(id);
  if (!style) throw new Error(`${id} ships.`);
  return style;
}
const rate = { numerator: 25, denominator: 1 };
const context: RuleContext = { style: styleNamed('lecture-38'), rate, length: 600_000, language: 'en' };
const on = (id: string): RuleContext => ({ ...context, style: styleNamed(id) });
let made = 0;
const newId = (): string => `r${String(++made)}`;
const c = (start: number, end: number, text: string, more: Partial<Caption> = {}): Caption =>
  caption({ id: `c${String(start)}`, start, end, text, ...more });
/** Words of a text with their times, one after another from a start, so long each. */
const spoken = (text: string, start: number, each: number): Caption['words'] =>
  Array.from(
    text.matchAll(/\S+/g),
    (m, i) =>
      [m.index, m.index + m[0].length, start + i * each, start + (i + 1) * each - 40, 1, 'recogniser', m[0]] as const,
  );
const told = (captions: readonly Caption[]): string[] =>
  captions.map((x) => `${String(x.start)}-${String(x.end)} ${x.text.replace(/\n/g, ' / ')}`);

function repaired(captions: readonly Caption[], rule: RuleId, g: RuleContext = context): string[] {
  const i = captions.findIndex((_, k) => findingsAt(captions, k, g).some((f) => f.rule === rule));
  const finding = findingsAt(captions, i, g).find((f) => f.rule === rule);
  if (!finding) throw new Error(`There is no finding ${rule}.`);
  const { repair, why } = repairOf(captions, i, finding, g, newId);
  if (!repair) return [why];
  return told(apply(captions, repair.edit).captions);
}

describe('a repair', () => {
  const long = 'We wait until the water is level and then the keeper opens the gate';
  it.each<[RuleId, Caption[], string[], string?]>([
    ['too-fast', [c(1000, 2000, 'Mind the edge, it is wet tonight.')], ['1000-3200 Mind the edge, it is wet tonight.']],
    [
      'too-fast',
      [c(0, 1500, 'a'), c(2000, 3000, 'Mind the edge, it is wet.'), c(3400, 6000, 'b')],
      ['0-1500 a', '1653-3320 Mind the edge, it is wet.', '3400-6000 b'],
    ],
    ['too-short', [c(1000, 1500, 'Wait.')], ['1000-2000 Wait.']],
    ['too-long', [c(0, 9000, 'Wait.')], ['0-7000 Wait.']],
    [
      'line-too-long',
      [c(0, 6000, long)],
      ['0-6000 We wait until the water is level / and then the keeper opens the gate'],
    ],
    ['one-line-enough', [c(0, 3000, 'Mind\nthe edge.')], ['0-3000 Mind the edge.']],
    [
      'phrase-parted',
      [c(0, 6000, 'We wait until the water is level and\nthen the keeper opens the gate')],
      ['0-6000 We wait until the water is level / and then the keeper opens the gate'],
    ],
    ['overlap', [c(0, 3000, 'a'), c(2500, 5000, 'b')], ['0-2420 a', '2500-5000 b']],
    ['gap-too-small', [c(0, 3000, 'a'), c(3020, 5000, 'b')], ['0-2940 a', '3020-5000 b']],
    ['gap-to-close', [c(0, 3000, 'a'), c(3300, 5000, 'b')], ['0-3180 a', '3300-5000 b'], 'stream-41'],
    ['empty', [c(0, 3000, ' '), c(4000, 6000, 'b')], ['4000-6000 b']],
    ['stray-space', [c(0, 3000, ' Mind  the edge. ')], ['0-3000 Mind the edge.']],
    ['character', [c(0, 3000, 'Mind – “it”…')], ['0-3000 Mind - "it"...'], 'grid-32'],
    ['past-the-end', [c(598_000, 601_000, 'Wait.')], ['598000-600000 Wait.']],
    [
      'late',
      [c(900, 3000, 'Wait now.', { words: spoken('Wait now.', 500, 300) })],
      ['500-3000 Wait now.'],
      'stream-41',
    ],
  ])('of %s', (rule, captions, expected, style = 'lecture-38') => {
    expect(repaired(captions, rule, on(style))).toEqual(expected);
  });

  it('shares a caption that no break makes fit, each part for the words said in it', () => {
    const text =
      'We wait until the water in the chamber is level with the river and then the keeper of the lower lock opens the gate';
    const out = repaired(
      [c(0, 12_000, text.replace('river', 'river,'), { words: spoken(text.replace('river', 'river,'), 0, 500) })],
      'line-too-long',
    );
    expect(out.length).toBeGreaterThan(1);
    expect(out.map((o) => o.replace(/^\S+ /, '').replace(' / ', ' ')).join(' ')).toBe(text.replace('river', 'river,'));
  });

  it('joins what was said too fast with a neighbour that has time', () => {
    const first = 'the keeper waits until the bell has rung twice';
    const row = [
      c(0, 1900, first, { words: spoken(first, 0, 200) }),
      c(2000, 7000, 'and nobody goes.', { words: spoken('and nobody goes.', 2000, 400) }),
    ];
    expect(repaired(row, 'too-fast')).toEqual([
      '0-7000 the keeper waits until the bell / has rung twice and nobody goes.',
    ]);
  });

  it('says what stands in the way where there is none', () => {
    const row = [c(0, 2000, 'x'.repeat(30)), c(2080, 3080, 'y'.repeat(38)), c(3160, 5000, 'z'.repeat(30))];
    expect(repaired(row, 'too-fast')).toEqual([
      'Needs 0.90 s more; there is no room after it or before it, and its neighbours are full.',
    ]);
    const roomier = [c(0, 1500, 'x'.repeat(30)), c(1580, 2580, 'y'.repeat(38)), c(3060, 4560, 'z'.repeat(30))];
    expect(repaired(roomier, 'too-fast')).toEqual([
      'Needs 0.90 s more; there is room for 0.40 s after it and nothing before it, and its neighbours are full.',
    ]);
  });
});

describe.each(shippedStyles.map((s) => [s.name, s] as const))('repairing everything under %s', (_, style) => {
  const g: RuleContext = { style, rate, length: null, language: 'en' };
  const must = (captions: readonly Caption[]): number => findIn(captions, g).must;
  const words = (captions: readonly Caption[]): string[] =>
    captions.flatMap((x) => x.text.split(/\s+/)).filter(Boolean);

  it('never leaves more that has to go, keeps every word, is one step, and comes to an end', () => {
    fc.assert(
      fc.property(captionsArbitrary, (captions) => {
        const result = repairAll(captions, g, newId);
        expect(must(result.captions)).toBeLessThanOrEqual(must(captions));
        expect(words(result.captions)).toEqual(words(captions));
        const applied = result.edit ? apply(captions, result.edit).captions : captions;
        expect(applied).toEqual(result.captions);
        const again = repairAll(result.captions, g, newId);
        expect(again.done).toEqual([]);
        expect(again.edit).toBeNull();
      }),
      { numRuns: 60 },
    );
  });
});

it('leaves alone what was let be', () => {
  const kept = c(0, 1000, 'Mind the edge, it is wet tonight.', {
    letBe: [{ rule: 'too-fast', reason: 'sung', figure: 40 }],
  });
  expect(findingsAt([kept], 0, context).map((f) => f.rule)).not.toContain('too-fast');
  expect(repairAll([kept], context, newId).edit).toBeNull();
  // A figure that is worse than the one that was let be is a finding again.
  const worse = { ...kept, end: 500 };
  expect(findingsAt([worse], 0, context).map((f) => f.rule)).toContain('too-fast');
});

it('repairs only what is asked for', () => {
  const row = [c(0, 500, 'Wait.'), c(2000, 4000, ' Mind  it.')];
  const only = (f: Finding): boolean => f.rule === 'stray-space';
  const { done, captions } = repairAll(row, context, newId, only);
  expect([done.map((d) => d.rule), told(captions)]).toEqual([['stray-space'], ['0-500 Wait.', '2000-4000 Mind it.']]);
});

it.each<[string, Caption[]]>([
  ['no caption', []],
  ['one without text or time', [c(0, 0, '')]],
  ['one of a 3,000-letter word', [c(0, 1000, 'x'.repeat(3000))]],
])('%s is repaired without a throw', (_, captions) => {
  expect(repairAll(captions, context, newId).captions.length).toBeLessThanOrEqual(captions.length);
});
