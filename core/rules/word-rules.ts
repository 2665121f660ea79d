/** Findings about the words themselves, as far as the text and what the recogniser said of it can tell. */
import { doubledWords, lowerAfterEnd, upperWithoutEnd } from '../text/wording.ts';
import { sign } from '../text/signs.ts';
import { isUnsure } from '../model/doubt.ts';
import type { TextRange } from '../text/text-range.ts';
import type { Violation, Rule } from './finding.ts';
import { plural } from '../text/plural.ts';

/** What is said of slips found in a text, by the first of them. */
function slips(text: string, found: readonly TextRange[], says: (word: string) => string): Violation | null {
  const [first] = found;
  return first ? { value: found.length, limit: 0, message: says(text.slice(first.from, first.to)) } : null;
}

export const wordRules: readonly Rule[] = [
  {
    id: 'doubtful-word',
    group: 'Words',
    title: 'Doubtful word left',
    short: 'doubtful',
    severity: () => 'should',
    check({ caption }, { doubtBelow }) {
      const [first, ...more] = caption.words.filter((w) => isUnsure(caption, w, doubtBelow));
      if (!first) return null;
      const others = more.length === 0 ? '' : ` and of ${plural(more.length, 'other')}`;
      const message = `The recogniser was not sure of “${first[6]}”${others}.`;
      return { value: 1 + more.length, limit: 0, message };
    },
  },
  {
    id: 'doubled-word',
    group: 'Words',
    title: 'Doubled word',
    short: 'doubled',
    severity: () => 'should',
    check({ caption, signs }) {
      if ((signs & sign.echo) === 0) return null;
      return slips(caption.text, doubledWords(caption.text), (word) => `“${word}” stands twice in a row.`);
    },
  },
  {
    id: 'no-capital',
    group: 'Words',
    title: 'Sentence without a capital',
    short: 'no capital',
    needs: ['capitals', 'ends'],
    severity: () => 'should',
    check({ caption: { text }, signs }) {
      if ((signs & sign.inner) === 0) return null;
      return slips(text, lowerAfterEnd(text), (word) => `A sentence begins with “${word}”.`);
    },
  },
  {
    id: 'no-end-mark',
    group: 'Words',
    title: 'No end mark before a sentence',
    short: 'no end mark',
    needs: ['capitals', 'ends'],
    severity: () => 'should',
    check({ caption: { text }, signs }, { language }) {
      if ((signs & sign.capital) === 0) return null;
      return slips(
        text,
        upperWithoutEnd(text, language),
        (word) => `“${word}” looks like the beginning of a sentence, and nothing ends the one before it.`,
      );
    },
  },
];
