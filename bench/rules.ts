/** Findings and reflow of 20,000 captions, beside the time it takes to read them. */
import { readSrt } from '../core/formats/srt/read.ts';
import { withIds } from '../core/formats/cue.ts';
import { relay } from '../core/rules/relay.ts';
import { finder } from '../core/rules/findings.ts';
import type { Ground } from '../core/rules/finding.ts';
import { shippedStyles } from '../core/rules/shipped.ts';
import { usualRate } from '../core/rules/style.ts';
import { sorted, type Caption } from '../core/track/caption.ts';
import { srtText, type Comparison } from './formats.ts';

const [style] = shippedStyles;
if (!style) throw new Error('Styles ship.');
const ground: Ground = { style, rate: usualRate, length: null, language: 'en' };
let made = 0;
const newId = (): string => String(++made);
const fresh = (): Caption[] => withIds(readSrt(srtText).captions, newId);
const captions = fresh();
const known = finder();
known(captions, ground);
const edited = (): readonly Caption[] =>
  sorted(captions.map((c, i) => (i === 9000 ? { ...c, text: `${c.text} ${String(++made)}` } : c)));

export const ruleComparisons: readonly Comparison[] = [
  {
    title: 'All findings of 20,000 captions, and after one edit',
    works: [
      // Captions are measured once and remembered, so each round takes captions nobody has looked at.
      { name: 'fenwix', prepare: fresh, run: (given) => finder()(given as Caption[], ground) },
      { name: 'after one edit', prepare: edited, run: (given) => known(given as readonly Caption[], ground) },
      { name: 'reading them', run: () => readSrt(srtText) },
    ],
    targets: [
      { than: ['reading them'], factor: 2, says: 'under twice the reading' },
      {
        of: 'after one edit',
        than: ['fenwix'],
        factor: 1 / 1000,
        says: 'after one edit under a thousandth of the whole',
      },
    ],
  },
  {
    title: 'Reflow of 20,000 captions, every one laid out anew',
    works: [
      { name: 'fenwix', run: () => relay(captions, ground, newId, true) },
      { name: 'half as many', run: () => relay(captions.slice(0, captions.length / 2), ground, newId, true) },
      { name: 'reading them', run: () => readSrt(srtText) },
    ],
    targets: [
      { than: ['reading them'], factor: 10, says: 'no more than 10 times the reading' },
      { than: ['half as many'], factor: 2.5, says: 'linear: twice the captions, about twice the time' },
    ],
  },
];
