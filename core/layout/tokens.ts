/** The words of captions one after another, each with its time and where it stands, to be laid out anew. */
import { tokensOf } from '../text/tokens.ts';
import type { Caption, WordRange } from '../track/caption.ts';
import { turnLines } from '../text/labels.ts';
import type { TextRange } from '../text/text-range.ts';

export interface Token {
  readonly text: string;
  /** Place of its caption in the list. */
  readonly source: number;
  /** Offsets into that caption's text. */
  readonly from: number;
  readonly to: number;
  /** In ms. */
  readonly start: number;
  /** In ms. */
  readonly end: number;
  /** A line begins here and has to: a dash or a label says that somebody else speaks. */
  readonly opens: boolean;
  /** Somebody else speaks from here on, by the speakers the captions know of. */
  readonly turns: boolean;
}

/** Starts and ends of a caption's words, by turns: their own, or the caption's time shared by letters. */
function timesOf(c: Caption, words: readonly TextRange[]): number[] {
  let letters = 0;
  for (const w of words) letters += w.to - w.from;
  const length = c.end - c.start;
  const times: number[] = [];
  let before = 0;
  let k = 0;
  for (const w of words) {
    while ((c.words[k]?.[1] ?? Infinity) <= w.from) k++;
    const own = c.words[k];
    if (own && own[0] < w.to) times.push(timeIn(own, w.from), timeIn(own, w.to));
    // A word without a time takes its share of the caption's.
    else
      times.push(
        Math.round(c.start + (length * before) / letters),
        Math.round(c.start + (length * (before + w.to - w.from)) / letters),
      );
    before += w.to - w.from;
  }
  return times;
}

/** When a place in the text is reached; several words under one time share it by their places. */
function timeIn([from, to, start, end]: WordRange, at: number): number {
  const length = Math.max(1, to - from);
  return Math.round(start + ((end - start) * Math.min(length, Math.max(0, at - from))) / length);
}

const speakerAt = (c: Caption, at: number): string => c.speakers.find((s) => s.from <= at && s.to > at)?.speaker ?? '';

/** The words of captions in order. Times never run backwards. */
export function tokensOfCaptions(captions: readonly Caption[]): Token[] {
  const tokens: Token[] = [];
  let speaker = '';
  let clock = 0;
  captions.forEach((c, source) => {
    const words = tokensOf(c.text, 0, c.text.length);
    const times = timesOf(c, words);
    const hasSpeakers = c.speakers.length > 0;
    const opening = turnLines(c);
    words.forEach(({ from, to }, i) => {
      const here = hasSpeakers ? speakerAt(c, from) : speaker;
      const turns = here !== speaker && tokens.length > 0;
      speaker = here;
      const opens = opening.includes(from);
      const start = Math.max(clock, times[2 * i] ?? c.start);
      const end = Math.max(start, times[2 * i + 1] ?? c.end);
      clock = start;
      tokens.push({ text: c.text.slice(from, to), source, from, to, start, end, opens, turns });
    });
  });
  return tokens;
}
