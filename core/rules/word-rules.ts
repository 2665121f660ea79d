/** Findings about the words themselves, as far as the text and what the recogniser said of it can tell. */
import { doubledWords, lowerAfterEnd, upperWithoutEnd } from '../text/wording.ts';
import { sign } from '../text/signs.ts';
import { isDoubtful } from '../track/doubt.ts';
import { plural, type Rule } from './finding.ts';

export const wordRules: readonly Rule[] = [
  {
    id: 'doubtful-word',
    group: 'Words',
    title: 'Doubtful word left',
    short: 'doubtful',
    severity: () => 'should',
    look({ caption }) {
      let doubtful = 0;
      let first = '';
      for (const w of caption.words)
        if (isDoubtful(caption, w)) {
          if (doubtful++ === 0) first = w[6];
        }
      if (doubtful === 0) return null;
      const others = doubtful === 1 ? '' : ` and of ${plural(doubtful - 1, 'other')}`;
      return { value: doubtful, limit: 0, message: `The recogniser was not sure of “${first}”${others}.` };
    },
  },
  {
    id: 'doubled-word',
    group: 'Words',
    title: 'Doubled word',
    short: 'doubled',
    severity: () => 'should',
    look({ caption, signs }) {
      if ((signs & sign.echo) === 0) return null;
      const [first, ...others] = doubledWords(caption.text);
      if (!first) return null;
      const message = `“${caption.text.slice(first.from, first.to)}” stands twice in a row.`;
      return { value: 1 + others.length, limit: 0, message };
    },
  },
  {
    id: 'no-capital',
    group: 'Words',
    title: 'Sentence without a capital',
    short: 'no capital',
    severity: () => 'should',
    look({ caption: { text }, signs }) {
      if ((signs & sign.inner) === 0) return null;
      const [first, ...others] = lowerAfterEnd(text);
      if (!first) return null;
      const message = `A sentence begins with “${text.slice(first.from, first.to)}”.`;
      return { value: 1 + others.length, limit: 0, message };
    },
  },
  {
    id: 'no-end-mark',
    group: 'Words',
    title: 'No end mark before a sentence',
    short: 'no end mark',
    severity: () => 'should',
    look({ caption: { text }, signs }, { language }) {
      if ((signs & sign.capital) === 0) return null;
      const [first, ...others] = upperWithoutEnd(text, language);
      if (!first) return null;
      const message = `“${text.slice(first.from, first.to)}” looks like the beginning of a sentence, and nothing ends the one before it.`;
      return { value: 1 + others.length, limit: 0, message };
    },
  },
];
