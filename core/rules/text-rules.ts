/** Findings that the text of one caption tells by itself. */
import { max } from 'd3-array';
import { isSpaceUnit } from '../text/tokens.ts';
import { notInCea608 } from '../text/cea-608.ts';
import { bondBetween, phrasesOf } from '../languages/bonds.ts';
import { endsSentence } from '../languages/word-facts.ts';
import { turnLines } from '../text/labels.ts';
import { tooLongForOneLine } from '../languages/sentences.ts';
import { sign } from '../text/signs.ts';
import type { Rule } from './finding.ts';
import { plural } from '../text/plural.ts';

export const textRules: readonly Rule[] = [
  {
    id: 'line-too-long',
    group: 'Text',
    title: 'Line too long',
    short: 'long line',
    severity: ({ text }) => text.lineLength.severity,
    check({ measures: { lines } }, { style }) {
      const { limit } = style.text.lineLength;
      let longest = 0;
      for (const line of lines) if (line > longest) longest = line;
      if (longest <= limit) return null;
      const message = `Line ${String(lines.indexOf(longest) + 1)} has ${plural(longest, 'character')}; limit ${String(limit)}.`;
      return { value: longest, limit, message };
    },
  },
  {
    id: 'too-many-lines',
    group: 'Text',
    title: 'Too many lines',
    short: 'many lines',
    severity: ({ text }) => text.lines.severity,
    check({ measures: { lines } }, { style }) {
      const { limit } = style.text.lines;
      if (lines.length <= limit) return null;
      const message = `The caption has ${plural(lines.length, 'line')}; limit ${String(limit)}.`;
      return { value: lines.length, limit, message };
    },
  },
  {
    id: 'too-many-words',
    group: 'Text',
    title: 'Too many words in a line',
    short: 'many words',
    severity: ({ text }) => text.wordsInLine.severity,
    check({ caption }, { style }) {
      const { limit } = style.text.wordsInLine;
      const most = max(caption.text.split('\n'), (line) => line.match(/\S+/g)?.length ?? 0) ?? 0;
      if (most <= limit) return null;
      return { value: most, limit, message: `A line has ${plural(most, 'word')}; limit ${String(limit)}.` };
    },
  },
  {
    id: 'phrase-parted',
    group: 'Text',
    title: 'Line break splits a phrase',
    short: 'parted phrase',
    severity: ({ text }) => text.breaks.severity,
    check({ caption: { text } }, { language }) {
      for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) {
        const before = lastWord(text, at);
        const after = firstWord(text, at + 1);
        if (before === '' || after === '' || bondBetween(before, after, phrasesOf(language)) !== 'close') continue;
        const message = `The line breaks between “${before}” and “${after}”, which belong together.`;
        return { value: 1, limit: 0, message };
      }
      return null;
    },
  },
  {
    id: 'own-line',
    group: 'Text',
    title: 'Sentences share a line',
    short: 'shared line',
    severity: ({ text }) => text.ownLineAbove.severity,
    check({ caption: { text }, signs }, { style, language }) {
      if ((signs & sign.inner) === 0) return null;
      const { limit } = style.text.ownLineAbove;
      const longest = tooLongForOneLine(text, limit, phrasesOf(language), style.counting);
      if (longest === null) return null;
      const message = `A sentence or clause of ${plural(longest, 'character')} shares its line with another; above ${String(limit)} each stands on its own.`;
      return { value: longest, limit, message };
    },
  },
  {
    id: 'lopsided',
    group: 'Text',
    title: 'Lopsided lines',
    short: 'lopsided',
    severity: ({ text }) => (text.shape.form === 'fill' ? 'off' : text.shape.severity),
    check({ measures: { lines } }, { style }) {
      const [first = 0, second = 0] = lines;
      if (lines.length !== 2 || second === 0) return null;
      const even = style.text.shape.form === 'even';
      const value = even ? Math.abs(first - second) : first - second;
      const limit = even ? Math.round(style.text.lineLength.limit / 2) : 0;
      if (value <= limit) return null;
      const wanted = even ? 'they should be more even' : 'the first should be the shorter';
      return {
        value,
        limit,
        message: `The lines have ${String(first)} and ${plural(second, 'character')}; ${wanted}.`,
      };
    },
  },
  {
    id: 'one-line-enough',
    group: 'Text',
    title: 'One line is enough',
    short: 'one line',
    severity: ({ text }) => text.oneLineUpTo.severity,
    check({ caption, signs, measures: { lines, characters } }, { style }) {
      const { limit } = style.text.oneLineUpTo;
      if (lines.length === 1 || characters === 0 || (signs & sign.dash) !== 0) return null;
      const value = characters + (style.counting.spaces ? lines.length - 1 : 0);
      if (value > limit || turnLines(caption).some((at) => at > 0)) return null;
      // Sentences may stand on a line each.
      if (caption.text.split('\n').slice(0, -1).every(endsSentence)) return null;
      return { value, limit, message: `${plural(value, 'character')} fit on one line of ${String(limit)}.` };
    },
  },
  {
    id: 'empty',
    group: 'Text',
    title: 'Empty caption',
    short: 'empty',
    severity: () => 'must',
    check({ caption }) {
      // One that is not timed either is a place to write in.
      if (/\S/.test(caption.text) || caption.timing !== 'set') return null;
      const message = 'There is no text in this caption; it will be left out of every file.';
      return { value: 0, limit: 1, message };
    },
  },
  {
    id: 'unclosed',
    group: 'Text',
    title: 'Brackets or markup left open',
    short: 'left open',
    severity: () => 'must',
    check({ caption: { text }, signs }) {
      if ((signs & sign.bracket) === 0) return null;
      const tag = /<\/?(?:i|b|u|font|c|v)\b[^>\n]{0,80}>/i.exec(text)?.[0];
      if (tag) return { value: 1, limit: 0, message: `“${tag}” would be shown as it stands.` };
      const count = (sign: string): number => text.split(sign).length - 1;
      const open = Math.abs(count('[') - count(']')) + Math.abs(count('(') - count(')'));
      if (open === 0) return null;
      const message = 'A bracket is opened and not closed, or the other way round.';
      return { value: open, limit: 0, message, severity: 'should' };
    },
  },
  {
    id: 'character',
    group: 'Text',
    title: 'Character not allowed',
    short: 'character',
    severity: ({ text }) => (text.characters.set === 'any' ? 'off' : text.characters.severity),
    check({ caption }) {
      const wrong = notInCea608(caption.text);
      if (wrong.length === 0) return null;
      const message = `${wrong.map((w) => `“${w}”`).join(', ')} cannot be shown by decoders of the CEA-608 set.`;
      return { value: wrong.length, limit: 0, message };
    },
  },
  {
    id: 'stray-space',
    group: 'Text',
    title: 'Stray space',
    short: 'stray space',
    severity: ({ text }) => text.tidy.severity,
    check({ caption: { text }, signs }) {
      if ((signs & sign.straySpace) === 0 || text.trim() === '') return null;
      const value = straySpaces(text);
      return { value, limit: 0, message: `${plural(value, 'space')} too many, at the end of a line or doubled.` };
    },
  },
  {
    id: 'stray-punctuation',
    group: 'Text',
    title: 'Stray punctuation',
    short: 'stray sign',
    severity: ({ text }) => text.tidy.severity,
    check({ caption: { text }, signs }) {
      if ((signs & sign.strayPunctuation) === 0) return null;
      const line = text.split('\n').find((l) => /^\s*[,.;:!?](?!\.\.)/.test(l) || /[,;:][,;:]$/.test(l));
      if (line === undefined) return null;
      const message = `A line begins or ends with a mark that belongs elsewhere: “${line.trim().slice(0, 24)}”.`;
      return { value: 1, limit: 0, message };
    },
  },
];

/** The last word of the line that ends at a place. */
function lastWord(text: string, end: number): string {
  let to = end;
  while (to > 0 && isSpaceUnit(text.charCodeAt(to - 1))) to--;
  let from = to;
  while (from > 0 && !isSpaceUnit(text.charCodeAt(from - 1))) from--;
  return text.slice(from, to);
}

/** The first word of the line that begins at a place. */
function firstWord(text: string, start: number): string {
  let from = start;
  while (from < text.length && isSpaceUnit(text.charCodeAt(from))) from++;
  let to = from;
  while (to < text.length && !isSpaceUnit(text.charCodeAt(to))) to++;
  return text.slice(from, to);
}

/** Spaces at the beginning or end of lines, and the second of two. */
function straySpaces(text: string): number {
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
