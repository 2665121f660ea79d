/** Findings that the text of one caption tells by itself. */
import { measure } from '../text/measures.ts';
import { found, type Rule } from './finding.ts';

const plural = (n: number, one: string): string => `${String(n)} ${one}${n === 1 ? '' : 's'}`;

export const textRules: readonly Rule[] = [
  {
    id: 'line-too-long',
    group: 'Text',
    title: 'Line too long',
    short: 'long line',
    look({ caption }, { style }) {
      const { limit, severity } = style.text.lineLength;
      const { lines } = measure(caption, style.counting);
      const longest = Math.max(...lines);
      if (longest <= limit) return [];
      return found(
        'line-too-long',
        severity,
        [caption.id],
        longest,
        limit,
        `Line ${String(lines.indexOf(longest) + 1)} has ${plural(longest, 'character')}; limit ${String(limit)}.`,
      );
    },
  },
  {
    id: 'too-many-lines',
    group: 'Text',
    title: 'Too many lines',
    short: 'many lines',
    look({ caption }, { style }) {
      const { limit, severity } = style.text.lines;
      const lines = measure(caption, style.counting).lines.length;
      return lines <= limit
        ? []
        : found(
            'too-many-lines',
            severity,
            [caption.id],
            lines,
            limit,
            `The caption has ${plural(lines, 'line')}; limit ${String(limit)}.`,
          );
    },
  },
  {
    id: 'empty',
    group: 'Text',
    title: 'Empty caption',
    short: 'empty',
    look({ caption }) {
      return caption.text.trim() === ''
        ? found(
            'empty',
            'must',
            [caption.id],
            0,
            1,
            'There is no text in this caption; it will be left out of every file.',
          )
        : [];
    },
  },
];
