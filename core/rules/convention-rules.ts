/** Findings about what a client wants written in which way: hesitations, numbers, sound notes, speaker labels. */
import { hesitationsIn } from '../languages/hesitations.ts';
import { sign } from '../text/signs.ts';
import { misformedLabels, misformedNotes, misformedNumbers, unmarkedTurns, type Misformed } from './conventions.ts';
import type { Violation, Rule } from './finding.ts';
import { plural } from '../text/plural.ts';

/** What is said of what should be written differently, by the first of it. */
function otherwise([first, ...more]: readonly Misformed[], because = ''): Violation | null {
  if (!first) return null;
  return { value: 1 + more.length, limit: 0, message: `“${first.is}” should be “${first.wanted}”${because}.` };
}

export const conventionRules: readonly Rule[] = [
  {
    id: 'hesitation',
    group: 'Words',
    title: 'Hesitation left',
    short: 'hesitation',
    severity: ({ text }) => (text.hesitations.are === 'kept' ? 'off' : text.hesitations.severity),
    check({ caption }, { language }) {
      const found = hesitationsIn(caption.text, language);
      if (found.length === 0) return null;
      const words = found.map(({ word }) => `“${word}”`).join(', ');
      return { value: found.length, limit: 0, message: `${plural(found.length, 'hesitation')} left in: ${words}.` };
    },
  },
  {
    id: 'numeral',
    group: 'Words',
    title: 'Number not in house style',
    short: 'number',
    severity: ({ text }) => text.numerals.severity,
    check({ caption }, { style, language }) {
      const { from } = style.text.numerals;
      return otherwise(misformedNumbers(caption.text, from, language), `: digits from ${String(from)} up, words below`);
    },
  },
  {
    id: 'sound-note',
    group: 'Sound',
    title: 'Sound note not in house style',
    short: 'sound note',
    severity: ({ text }) => (text.soundNotes.form === 'any' ? 'off' : text.soundNotes.severity),
    check({ caption, signs }, { style }) {
      if ((signs & sign.bracket) === 0) return null;
      return otherwise(misformedNotes(caption, style.text.soundNotes.form));
    },
  },
  {
    id: 'speaker-label',
    group: 'Sound',
    title: 'Speaker label not in house style',
    short: 'label',
    severity: ({ text }) => (text.speakerLabels.form === 'any' ? 'off' : text.speakerLabels.severity),
    check({ caption, signs }, { style }) {
      if ((signs & sign.colon) === 0 && caption.speakers.length === 0) return null;
      return otherwise(misformedLabels(caption, style.text.speakerLabels.form));
    },
  },
  {
    id: 'speaker-change',
    group: 'Sound',
    title: 'Speaker change not marked',
    short: 'speaker change',
    severity: ({ text }) => (text.speakerLabels.severity === 'must' ? 'must' : 'should'),
    check({ caption, before }) {
      if (caption.speakers.length === 0) return null;
      const turns = unmarkedTurns(caption, before);
      const [first] = turns;
      if (!first) return null;
      const message = `“${first.speaker}” begins to speak, and neither a label nor a dash says so.`;
      return { value: turns.length, limit: 0, message };
    },
  },
];
