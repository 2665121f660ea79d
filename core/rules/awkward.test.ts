import { usualRate } from '../timing/clock/frames.ts';
import { caption, type Caption } from '../model/caption.ts';
import type { RuleContext } from './finding.ts';
import { findIn } from './finder.ts';
import { reflowCaptions } from '../operations/reflow-captions.ts';
import { repairAll } from './repairs/repairs.ts';
import { shippedStyles } from '../style/shipped.ts';
import type { HouseStyle } from '../style/style.ts';

let made = 0;
const newId = (): string => `n${String(++made)}`;
const c = (start: number, end: number, text: string): Caption => caption({ id: newId(), start, end, text });
const words = (of: readonly Caption[]): string =>
  of
    .map((x) => x.text)
    .join(' ')
    .replace(/\s+/g, ' ')
    .trim();
const context = (style: HouseStyle): RuleContext => ({ style, rate: usualRate, length: 120_000, language: 'en' });

/** Everything there is to do with a track; words are lost by none of it, but captions without words may go. */
function workOver(captions: readonly Caption[], style: HouseStyle): void {
  const on = context(style);
  const { must } = findIn(captions, on);
  const repaired = repairAll(captions, on, newId);
  expect(findIn(repaired.captions, on).must).toBeLessThanOrEqual(must);
  for (const what of ['lines', 'captions'] as const)
    expect(words(reflowCaptions(captions, on, newId, { what, every: true }).captions)).toBe(words(captions));
}

const many = (n: number, text: string): string => Array.from({ length: n }, () => text).join(' ');
const tracks: readonly (readonly [string, () => Caption[]])[] = [
  ['none', () => []],
  ['one', () => [c(0, 1000, 'Wait.')]],
  ['one without text', () => [c(0, 1000, '')]],
  ['captions shown for no time', () => [c(0, 0, 'Wait.'), c(0, 0, 'Now.'), c(500, 500, 'We open the gate, slowly.')]],
  ['all at the same time', () => Array.from({ length: 20 }, () => c(1000, 3000, 'It is level, and we open.'))],
  ['one word of 3,000 letters', () => [c(0, 4000, 'x'.repeat(3000)), c(5000, 6000, 'Wait.')]],
  ['3,000 letters of a script that combines', () => [c(0, 4000, 'क्षि'.repeat(1000))]],
  ['one caption of 4,000 words', () => [c(0, 60_000, many(4000, 'gate'))]],
  ['one caption of 2,000 lines', () => [c(0, 60_000, Array.from({ length: 2000 }, () => 'gate').join('\n'))]],
  ['1,000 numbers, brackets and hesitations', () => [c(0, 60_000, many(250, '7 [BELL] um, twelve'))]],
  ['after the end of the recording', () => [c(119_000, 125_000, 'Late.'), c(130_000, 131_000, 'Later.')]],
];

describe.each(shippedStyles.map((s) => [s.name, s] as const))('%s', (_, style) => {
  it.each(tracks)('a track of %s', (_name, track) => workOver(track(), style));
});

it('20,000 captions', () => {
  const [style] = shippedStyles;
  const texts = ['It is level.', 'We wait until it stands as low as the river.', 'Mind the edge,\nit is wet.'];
  const long = Array.from({ length: 20_000 }, (_, i) => c(i * 3000, i * 3000 + 2600, texts[i % 3] ?? ''));
  if (style) workOver(long, { ...style, text: { ...style.text, numerals: { from: 11, severity: 'should' } } });
});
