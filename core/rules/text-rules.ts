/** Findings that the text of one caption tells by itself. */
import { notInCea608 } from '../text/cea-608.ts';
import { lineLength, measure } from '../text/measures.ts';
import { bondBetween, phrasesOf } from '../text/phrases/bonds.ts';
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
    id: 'too-many-words',
    group: 'Text',
    title: 'Too many words in a line',
    short: 'many words',
    look({ caption }, { style }) {
      const { limit, severity } = style.text.wordsInLine;
      if (severity === 'off') return [];
      const most = Math.max(...caption.text.split('\n').map((l) => wordsOf(l).length));
      return most <= limit
        ? []
        : found(
            'too-many-words',
            severity,
            [caption.id],
            most,
            limit,
            `A line has ${plural(most, 'word')}; limit ${String(limit)}.`,
          );
    },
  },
  {
    id: 'phrase-parted',
    group: 'Text',
    title: 'A break parts a phrase',
    short: 'parted phrase',
    look({ caption }, { style, language }) {
      const { severity } = style.text.breaks;
      if (severity === 'off' || !caption.text.includes('\n')) return [];
      const phrases = phrasesOf(language);
      const lines = caption.text.split('\n');
      for (let i = 1; i < lines.length; i++) {
        const before = lastWord(lines[i - 1] ?? '');
        const after = firstWord(lines[i] ?? '');
        if (before === '' || after === '' || bondBetween(before, after, phrases) !== 'close') continue;
        return found(
          'phrase-parted',
          severity,
          [caption.id],
          1,
          0,
          `The line breaks between “${before}” and “${after}”, which belong together.`,
        );
      }
      return [];
    },
  },
  {
    id: 'lopsided',
    group: 'Text',
    title: 'Lopsided lines',
    short: 'lopsided',
    look({ caption }, { style }) {
      const { form, severity } = style.text.shape;
      const [first = 0, second = 0, third] = measure(caption, style.counting).lines;
      if (severity === 'off' || third !== undefined || second === 0 || form === 'fill') return [];
      const difference = form === 'even' ? Math.abs(first - second) : first - second;
      const most = form === 'even' ? Math.round(style.text.lineLength.limit / 2) : 0;
      return difference <= most
        ? []
        : found(
            'lopsided',
            severity,
            [caption.id],
            difference,
            most,
            `The lines have ${String(first)} and ${plural(second, 'character')}; ${form === 'even' ? 'they should be more even' : 'the first should be the shorter'}.`,
          );
    },
  },
  {
    id: 'one-line-enough',
    group: 'Text',
    title: 'One line is enough',
    short: 'one line',
    look({ caption }, { style }) {
      const { limit, severity } = style.text.oneLineUpTo;
      if (severity === 'off' || !caption.text.includes('\n') || /(?:^|\n)[-–—]/.test(caption.text)) return [];
      const length = lineLength(caption.text.replace(/\n/g, ' '), style.counting);
      return length > limit || length === 0
        ? []
        : found(
            'one-line-enough',
            severity,
            [caption.id],
            length,
            limit,
            `${plural(length, 'character')} fit on one line of ${String(limit)}.`,
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
  {
    id: 'unclosed',
    group: 'Text',
    title: 'Brackets or markup left open',
    short: 'left open',
    look({ caption }) {
      const { text } = caption;
      if (!/[<[\]()]/.test(text)) return [];
      const tag = /<\/?(?:i|b|u|font|c|v)\b[^>\n]{0,80}>/i.exec(text)?.[0];
      if (tag) return found('unclosed', 'must', [caption.id], 1, 0, `“${tag}” would be shown as it stands.`);
      const count = (sign: string): number => text.split(sign).length - 1;
      const open = Math.abs(count('[') - count(']')) + Math.abs(count('(') - count(')'));
      return open === 0
        ? []
        : found(
            'unclosed',
            'should',
            [caption.id],
            open,
            0,
            'A bracket is opened and not closed, or the other way round.',
          );
    },
  },
  {
    id: 'character',
    group: 'Text',
    title: 'Character not allowed',
    short: 'character',
    look({ caption }, { style }) {
      const { set, severity } = style.text.characters;
      if (severity === 'off' || set === 'any') return [];
      const wrong = notInCea608(caption.text);
      return wrong.length === 0
        ? []
        : found(
            'character',
            severity,
            [caption.id],
            wrong.length,
            0,
            `${wrong.map((w) => `“${w}”`).join(', ')} cannot be shown by decoders of the CEA-608 set.`,
          );
    },
  },
  {
    id: 'stray-space',
    group: 'Text',
    title: 'Stray space',
    short: 'stray space',
    look({ caption }, { style }) {
      const { severity } = style.text.tidy;
      const stray = severity === 'off' || caption.text.trim() === '' ? 0 : straySpaces(caption.text);
      return stray === 0
        ? []
        : found(
            'stray-space',
            severity,
            [caption.id],
            stray,
            0,
            `${plural(stray, 'space')} too many, at the end of a line or doubled.`,
          );
    },
  },
  {
    id: 'stray-punctuation',
    group: 'Text',
    title: 'Stray punctuation',
    short: 'stray sign',
    look({ caption }, { style }) {
      const { severity } = style.text.tidy;
      const line =
        severity === 'off'
          ? undefined
          : caption.text.split('\n').find((l) => /^\s*[,.;:!?](?!\.\.)/.test(l) || /[,;:][,;:]$/.test(l));
      return line === undefined
        ? []
        : found(
            'stray-punctuation',
            severity,
            [caption.id],
            1,
            0,
            `A line begins or ends with a sign that belongs elsewhere: “${line.trim().slice(0, 24)}”.`,
          );
    },
  },
];

const wordsOf = (text: string): string[] => text.split(/\s+/).filter((w) => w !== '');

const lastWord = (line: string): string => {
  const plain = line.trimEnd();
  return plain.slice(plain.lastIndexOf(' ') + 1);
};
const firstWord = (line: string): string => {
  const plain = line.trimStart();
  const space = plain.indexOf(' ');
  return space < 0 ? plain : plain.slice(0, space);
};

/** Spaces at the beginning or end of lines, and the second of two. */
function straySpaces(text: string): number {
  if (!/^[ \t]|[ \t]$|[ \t][ \t\n]|\n[ \t]/.test(text)) return 0;
  let stray = 0;
  for (const line of text.split('\n'))
    stray +=
      line.length -
      line
        .trim()
        .split(/[ \t]+/)
        .join(' ').length;
  return stray;
}
