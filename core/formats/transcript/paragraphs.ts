/** A transcript as paragraphs, the same for text and HTML, on the way in and on the way out. */
import { firstCaptions, type TimedPiece } from '../../layout/first-captions.ts';
import { beginsPassage, voiceOf } from '../../layout/passages.ts';
import { perLetter } from '../../layout/speaking-time.ts';
import type { HouseStyle } from '../../style/style.ts';
import { labelOf } from '../../text/labels.ts';
import { readStamp, stampMs } from '../../timing/clock/stamp.ts';
import type { Caption, ReadCaption } from '../../model/caption.ts';
import { joinTexts, onOneLine, sliceText, type Ranged } from '../../model/ranges.ts';

/** A paragraph as a file has it. */
export interface Paragraph {
  /** Line of the file it begins on, from 1. */
  readonly line: number;
  readonly content: Ranged;
}

const opens = '[(';

/** A time mark at the beginning of a text: how long it is, and its time in ms; null where there is none. */
export function timeMark(text: string): { readonly length: number; readonly ms: number } | null {
  const from = opens.includes(text.charAt(0)) && text !== '' ? 1 : 0;
  const stamp = readStamp(text, from);
  if (!stamp || stamp.negative || stamp.colon) return null;
  const closed = from === 1 ? /^\s*[\])]/.exec(text.slice(stamp.next, stamp.next + 4)) : null;
  if (from === 1 && !closed) return null;
  const end = stamp.next + (closed?.[0].length ?? 0);
  // Digits right after a bare time are not a mark: “10:30pm”.
  if (!/^(?:\s|[-–—:]\s|$)/.test(text.slice(end, end + 2))) return null;
  const gap = /^\s*(?:[:–—-](?=\s))?\s*/.exec(text.slice(end, end + 8));
  return { length: end + (gap?.[0].length ?? 0), ms: stampMs(stamp) };
}

/** Silence between paragraphs, enough to end a caption, in ms. */
const betweenParagraphs = 600;

const cut = (of: Ranged, from: number): Ranged => sliceText(of, from, of.text.length);

/**
 * Captions of a transcript. Nothing says when single words are said: captions are laid out one after
 * another from each time mark (or from the beginning) and their times are provisional.
 */
export function captionsOfParagraphs(paragraphs: readonly Paragraph[], style: HouseStyle): ReadCaption[] {
  const known = new Set<string>();
  const marked = paragraphs.map(({ content }) => {
    const mark = timeMark(content.text);
    const spoken = mark ? cut(content, mark.length) : content;
    const label = labelOf(spoken.text, known);
    if (label) known.add(label.speaker.toLowerCase());
    return { at: mark?.ms ?? null, spoken, label };
  });
  /** The time mark of each paragraph, or the next there is. */
  const marks: number[] = [];
  for (let i = marked.length - 1; i >= 0; i--) marks[i] = marked[i]?.at ?? marks[i + 1] ?? Infinity;
  const pieces: TimedPiece[] = [];
  let clock = 0;
  marked.forEach(({ at, spoken, label }, i) => {
    const start = Math.max(clock, at ?? 0);
    const letters = Math.max(1, spoken.text.length);
    const next = marks[i + 1] ?? Infinity;
    const natural = start + letters * perLetter;
    // Where the next mark comes sooner than the words need, they share what there is.
    const end =
      typeof marked[i + 1]?.at === 'number' && next > start ? Math.min(natural, next - betweenParagraphs) : natural;
    const ranged: Ranged = label
      ? {
          ...spoken,
          speakers: [{ from: 0, to: spoken.text.length, speaker: label.speaker, label: label.length }],
        }
      : spoken;
    // Its words share its time by their letters as they are laid out.
    const ends = Math.max(end, start + letters);
    if (spoken.text.trim() !== '') pieces.push({ ...ranged, start: Math.round(start), end: Math.round(ends) });
    clock = Math.round(ends) + betweenParagraphs;
  });
  return firstCaptions(pieces, style).map((c) => ({ ...c, timing: 'provisional', speakers: oneVoice(c.speakers) }));
}

/** Ranges of one speaker that only a space keeps apart are one. */
function oneVoice(speakers: ReadCaption['speakers']): ReadCaption['speakers'] {
  const out: ReadCaption['speakers'][number][] = [];
  for (const range of speakers) {
    const before = out.at(-1);
    if (before?.speaker === range.speaker && range.from <= before.to + 1)
      out[out.length - 1] = {
        ...before,
        to: range.to,
        // The label may be of several words, each of which came as a piece of its own.
        label: before.from + before.label >= before.to ? range.from + range.label - before.from : before.label,
      };
    else out.push(range);
  }
  return out;
}

export interface Passage {
  /** In ms. */
  readonly start: number;
  /** Empty where nobody is named. */
  readonly speaker: string;
  readonly content: Ranged;
}

/** The text of a caption on one line, its words left aside. */
const flat = (c: Caption): Ranged => ({ ...onOneLine(c), words: [] });

/** A track as passages: a new one where the speaker changes, or after a pause. Lines are run together. */
export function passagesOf(captions: readonly Caption[]): Passage[] {
  const groups: Caption[][] = [];
  for (const c of captions) {
    if (c.text.trim() === '') continue;
    const open = groups.at(-1);
    const last = open?.at(-1);
    if (open && last && !beginsPassage(last, c)) open.push(c);
    else groups.push([c]);
  }
  return groups.flatMap((group): Passage[] => {
    const [first] = group;
    if (!first) return [];
    const labelled = first.speakers.some((s) => s.from === 0 && s.label > 0);
    return [{ start: first.start, speaker: labelled ? '' : voiceOf(first), content: joinTexts(group.map(flat), ' ') }];
  });
}
