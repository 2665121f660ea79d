/** The words of captions one after another, each with its time and where it stands, to be laid out anew. */
import type { Caption, WordRange } from '../track/caption.ts';
import { labelOf } from '../text/labels.ts';
import { shareByLetters, tokensOf } from '../track/ranges.ts';

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

/** Times of a caption's words: their own, or the caption's time shared by letters. */
function timesOf(c: Caption, words: readonly { readonly from: number; readonly to: number }[]): readonly WordRange[] {
  if (c.words.length === 0) return shareByLetters(c.text, words, c.start, c.end);
  const shared = shareByLetters(c.text, words, c.start, c.end);
  let k = 0;
  return words.map((w, i) => {
    while ((c.words[k]?.[1] ?? Infinity) <= w.from) k++;
    const own = c.words[k];
    // Several words under one time share it by their place; a word without a time takes its share of the caption's.
    if (!own || own[0] >= w.to) return shared[i] ?? own ?? [w.from, w.to, c.start, c.end, 1, 'guessed', ''];
    const length = Math.max(1, own[1] - own[0]);
    const at = (offset: number): number =>
      Math.round(own[2] + ((own[3] - own[2]) * Math.min(length, Math.max(0, offset - own[0]))) / length);
    return [w.from, w.to, at(w.from), at(w.to), own[4], own[5], own[6]];
  });
}

const speakerAt = (c: Caption, at: number): string => c.speakers.find((s) => s.from <= at && s.to > at)?.speaker ?? '';

/** The words of captions in order. Times never run backwards. */
export function tokensOfCaptions(captions: readonly Caption[]): Token[] {
  const tokens: Token[] = [];
  const nobody: ReadonlySet<string> = new Set();
  let speaker = '';
  let clock = 0;
  captions.forEach((c, source) => {
    const words = tokensOf(c.text, 0, c.text.length);
    const times = timesOf(c, words);
    words.forEach((w, i) => {
      const lineStart = i === 0 || c.text.lastIndexOf('\n', w.from) >= (words[i - 1]?.to ?? 0);
      const here = speakerAt(c, w.from);
      const turns = c.speakers.length > 0 && here !== speaker && tokens.length > 0;
      if (c.speakers.length > 0) speaker = here;
      const text = c.text.slice(w.from, w.to);
      const opens = lineStart && (/^[-–—]/.test(text) || labelOf(c.text.slice(w.from, w.from + 60), nobody) !== null);
      const start = Math.max(clock, times[i]?.[2] ?? c.start);
      const end = Math.max(start, times[i]?.[3] ?? c.end);
      clock = start;
      tokens.push({ text, source, from: w.from, to: w.to, start, end, opens, turns });
    });
  });
  return tokens;
}
