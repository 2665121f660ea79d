/** Findings and reflow of 20,000 captions, beside the time it takes to read them. */
import { readSrt } from '../core/formats/srt/read.ts';
import { withIds } from '../core/formats/cue.ts';
import { reflowCaptions } from '../core/operations/reflow-captions.ts';
import { findIn, finder } from '../core/rules/finder.ts';
import type { RuleContext } from '../core/rules/finding.ts';
import { shippedStyles } from '../core/style/shipped.ts';
import { usualRate } from '../core/timing/clock/frames.ts';
import { apply } from '../core/model/apply.ts';
import type { Caption } from '../core/model/caption.ts';
import { srtText, type Comparison } from './formats.ts';

const [style] = shippedStyles;
if (!style) throw new Error('Styles ship.');
const context: RuleContext = { style, rate: usualRate, length: null, language: 'en' };
let made = 0;
const newId = (): string => String(++made);
/** Captions as the page gets them: from JSON. */
const fresh = (): Caption[] => JSON.parse(JSON.stringify(withIds(readSrt(srtText).captions, newId))) as Caption[];
const captions = fresh();
const known = finder();
known.look(captions, context);
/** One caption typed in, again and again, as a page has it: each turn looks at the next of these. */
const typed: (readonly Caption[])[] = [];
for (let k = 0; k < 100; k++)
  typed.push(
    apply(typed.at(-1) ?? captions, { type: 'splice', id: captions[9000]?.id ?? '', from: 0, to: 0, insert: 'x ' })
      .captions,
  );

export const ruleComparisons: readonly Comparison[] = [
  {
    title: 'All findings of 20,000 captions, and after one edit',
    works: [
      { name: 'fenwix', prepare: fresh, run: (given) => findIn(given as Caption[], context) },
      { name: 'after one edit', times: 100, run: (_, turn) => known.look(typed[turn] ?? captions, context) },
      { name: 'reading them', run: () => readSrt(srtText) },
    ],
    targets: [
      { than: ['reading them'], factor: 2, says: 'under twice the reading' },
      {
        of: 'after one edit',
        than: ['fenwix'],
        factor: 1 / 1000,
        says: 'after one edit under a thousandth of the whole (or 0.1 ms)',
      },
    ],
  },
  {
    title: 'Reflow of 20,000 captions, every one laid out again',
    works: [
      { name: 'fenwix', run: () => reflowCaptions(captions, context, newId, { what: 'captions', every: true }) },
      {
        name: 'half as many',
        run: () =>
          reflowCaptions(captions.slice(0, captions.length / 2), context, newId, { what: 'captions', every: true }),
      },
      { name: 'reading them', run: () => readSrt(srtText) },
    ],
    targets: [
      { than: ['reading them'], factor: 10, says: 'no more than 10 times the reading' },
      { than: ['half as many'], factor: 2.5, says: 'linear: twice the captions, about twice the time' },
    ],
  },
];
