import fc from 'fast-check';
import { captionsArbitrary, play, seedsArbitrary } from '../model/arbitrary.ts';
import { caption, type Caption } from '../model/caption.ts';
import type { RuleContext } from './finding.ts';
import { findIn, finder } from './finder.ts';
import { findingsAt } from './findings.ts';
import { repairOf } from './repairs/repairs.ts';
import { shippedStyle } from '../style/shipped.ts';
import { smallestGap, type HouseStyle } from '../style/style.ts';

function lecture(): HouseStyle {
  const style = shippedStyle('lecture-38');
  if (!style) throw new Error('The lecture style ships.');
  return style;
}
const style = lecture();
const rate = { numerator: 25, denominator: 1 };
const context: RuleContext = { style, rate, length: 60_000 };
const rulesOf = (captions: readonly Caption[], on: RuleContext = context) =>
  [...findIn(captions, on).byCaption.values()].flat().map((f) => f.rule);
const c = (id: string, start: number, end: number, text = 'It is level.'): Caption => caption({ id, start, end, text });

describe('findings', () => {
  it.each<[string, Caption[], string[]]>([
    ['nothing on a caption at its limits', [c('a', 0, 4000, 'x'.repeat(20) + '\n' + 'x'.repeat(30))], []],
    ['a line of 39 where 38 fit', [c('a', 0, 5000, 'x'.repeat(39))], ['line-too-long']],
    ['three lines', [c('a', 0, 6000, 'It is level,\nwe open the gate,\nand on she goes.')], ['too-many-lines']],
    [
      'a break after an article',
      [c('a', 0, 6000, 'We wait until the keeper has opened the\nlower gate.')],
      ['line-too-long', 'phrase-parted'],
    ],
    ['two lines where one is enough', [c('a', 0, 3000, 'It is level,\nnow.')], ['one-line-enough']],
    ['two sentences on a line each', [c('a', 0, 3000, 'It is level.\nGo now.')], []],
    [
      'spaces and signs that stray',
      [c('a', 0, 5000, 'It  is level\n, now or never it is, and not later.')],
      ['stray-space', 'stray-punctuation'],
    ],
    ['a tag that would be shown', [c('a', 0, 3000, '<i>Wait.')], ['unclosed']],
    ['a bracket left open', [c('a', 0, 3000, '[bell')], ['unclosed']],
    ['a text without a place in the sound', [{ ...c('a', 0, 2000), timing: 'provisional' }], ['provisional']],
    ['speed just over the limit', [c('a', 0, 1999, 'x'.repeat(20) + '\n' + 'y'.repeat(20))], ['too-fast']],
    ['speed between target and limit', [c('a', 0, 2000, 'x'.repeat(20) + '\n' + 'y'.repeat(20))], ['brisk']],
    ['999 ms', [c('a', 0, 999, 'Wait.')], ['too-short']],
    ['7001 ms', [c('a', 0, 7001)], ['too-long']],
    ['an overlap, and no gap finding beside it', [c('a', 0, 2000), c('b', 1900, 4000)], ['overlap']],
    ['no text', [c('a', 0, 2000, ' ')], ['empty']],
    [
      'a word the recogniser was not sure of',
      [{ ...c('a', 0, 2000, 'the gate'), words: [[4, 8, 500, 900, 0.1, 'recogniser', 'gate']] }],
      ['doubtful-word'],
    ],
    [
      'no doubt of one that was mended',
      [{ ...c('a', 0, 2000, 'the gate'), words: [[4, 8, 500, 900, 0.1, 'recogniser', 'date']] }],
      [],
    ],
    ['a sentence without a capital', [c('a', 0, 3000, 'It is shut. we wait.')], ['no-capital']],
    ['a sentence with no end before it', [c('a', 0, 3000, 'we shut the gate The water falls')], ['no-end-mark']],
    ['an end after the recording', [c('a', 58_000, 60_001)], ['past-the-end']],
  ])('%s', (_, captions, expected) => expect(rulesOf(captions)).toEqual(expected));

  // Common practice: two frames at 24000/1001 are 83.4 ms, and clients write 83 or 84.
  it('takes 83 and 84 ms for two frames at 24000/1001 and not 82', () => {
    const film: RuleContext = { ...context, rate: { numerator: 24000, denominator: 1001 } };
    expect(smallestGap(style, film.rate)).toBeCloseTo(83.42, 2);
    for (const [gap, expected] of [
      [84, []],
      [83, []],
      [82, ['gap-too-small']],
    ] as const) {
      expect(rulesOf([c('a', 0, 2000), c('b', 2000 + gap, 4000)], film)).toEqual(expected);
    }
  });

  it('gives the figure and its unit in the sentence', () => {
    const fast = c('a', 0, 1120, 'Never open it faster than one turn\na second, whatever the queue.');
    const [first] = findingsAt([fast], 0, context);
    expect(first?.message).toBe('63 characters in 1.12 s = 56.3 cps; limit 20. Needs 3.15 s.');
  });

  it('finds the same after an edit as when it looks at everything again', () => {
    fc.assert(
      fc.property(captionsArbitrary, seedsArbitrary, (captions, seeds) => {
        const { look } = finder();
        look(captions, context);
        let now = captions;
        for (const seed of seeds) {
          now = play(now, [seed], `n${String(seeds.indexOf(seed))}-`).captions;
          expect(look(now, context)).toEqual(findIn(now, context));
        }
      }),
    );
  });

  it('forgets what it knew when the style changes', () => {
    const { look } = finder();
    const captions = [c('a', 0, 2000, 'x'.repeat(30))];
    expect(look(captions, context).must).toBe(0);
    const short = { ...style, text: { ...style.text, lineLength: { limit: 17, severity: 'must' as const } } };
    expect(look(captions, { ...context, style: short }).must).toBe(1);
  });

  it('says nothing for a rule that is off', () => {
    const off = { ...style, text: { ...style.text, lineLength: { limit: 5, severity: 'off' as const } } };
    expect(rulesOf([c('a', 0, 2000)], { ...context, style: off })).toEqual([]);
  });
});

it('finds captions in conflict first, whatever the style, and leaves them to people', () => {
  const torn = caption({ id: 'a', start: 0, end: 2000, text: 'the gate', versions: [null] });
  const [first] = findingsAt([torn], 0, context);
  expect(first).toMatchObject({ rule: 'in-conflict', severity: 'must', figures: { value: 1, limit: 0 } });
  expect(first && repairOf([torn], 0, first, context, () => 'n').repair).toBeNull();
});
