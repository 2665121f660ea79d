/** The words of captions one after another, each with its time and where it stands, to be laid out again. */
import { isSpaceUnit } from '../text/tokens.ts';
import type { Caption, WordRange } from '../model/caption.ts';
import { turnLines } from '../text/labels.ts';
import { countTokens } from '../model/ranges.ts';

/** Words as columns, one entry a word: a long track has hundreds of thousands, too many for an object each. */
export interface Tokens {
  readonly text: readonly string[];
  /** Place of its caption in the list. */
  readonly source: Int32Array;
  /** Offsets into that caption's text. */
  readonly from: Int32Array;
  readonly to: Int32Array;
  /** In ms; times never run backwards. */
  readonly start: Float64Array;
  /** In ms. */
  readonly end: Float64Array;
  /** 1 where a line begins and has to: a dash or a label says that somebody else speaks. */
  readonly opens: Uint8Array;
  /** 1 where somebody else speaks from here on, by the speakers the captions know of. */
  readonly turns: Uint8Array;
}

/** When a place in the text is reached; several words under one time share it by their places. */
function timeIn([from, to, start, end]: WordRange, at: number): number {
  const length = Math.max(1, to - from);
  return Math.round(start + ((end - start) * Math.min(length, Math.max(0, at - from))) / length);
}

/** Times of words `first` up to `last`, all of one caption: their own, or the caption's time shared by letters. */
function setTimes(tokens: Tokens, c: Caption, first: number, last: number): void {
  const { from, to, start, end } = tokens;
  const length = c.end - c.start;
  let letters = 0;
  for (let i = first; i < last; i++) letters += (to[i] ?? 0) - (from[i] ?? 0);
  let before = 0;
  let k = 0;
  let clock = first > 0 ? (start[first - 1] ?? 0) : 0;
  for (let i = first; i < last; i++) {
    const begins = from[i] ?? 0;
    const stops = to[i] ?? 0;
    while ((c.words[k]?.[1] ?? Infinity) <= begins) k++;
    const own = c.words[k];
    const isTimed = own !== undefined && own[0] < stops;
    const starts = isTimed ? timeIn(own, begins) : Math.round(c.start + (length * before) / letters);
    before += stops - begins;
    const ends = isTimed ? timeIn(own, stops) : Math.round(c.start + (length * before) / letters);
    start[i] = clock = Math.max(clock, starts);
    end[i] = Math.max(clock, ends);
  }
}

/** Who speaks at places that are asked for in order; of several the first. */
function speakersOf({ speakers }: Caption): (at: number) => string {
  let passed = 0;
  return (at) => {
    // Those that are over are not gone through again, in a text where very many speak.
    while ((speakers[passed]?.to ?? Infinity) <= at) passed++;
    for (let k = passed; k < speakers.length && (speakers[k]?.from ?? Infinity) <= at; k++) {
      const range = speakers[k];
      if (range && range.to > at) return range.speaker;
    }
    return '';
  };
}

/** The words of captions in order. */
export function tokensOfCaptions(captions: readonly Caption[]): Tokens {
  let count = 0;
  for (const c of captions) count += countTokens(c.text);
  const text: string[] = [];
  const tokens: Tokens = {
    text,
    source: new Int32Array(count),
    from: new Int32Array(count),
    to: new Int32Array(count),
    start: new Float64Array(count),
    end: new Float64Array(count),
    opens: new Uint8Array(count),
    turns: new Uint8Array(count),
  };
  let speaker = '';
  captions.forEach((c, source) => {
    const first = text.length;
    const length = c.text.length;
    for (let i = 0; i < length; i++) {
      if (isSpaceUnit(c.text.charCodeAt(i))) continue;
      const at = text.length;
      tokens.source[at] = source;
      tokens.from[at] = i;
      while (i < length && !isSpaceUnit(c.text.charCodeAt(i))) i++;
      tokens.to[at] = i;
      text.push(c.text.slice(tokens.from[at], i));
    }
    setTimes(tokens, c, first, text.length);
    const opening = new Set(turnLines(c));
    const speakerAt = speakersOf(c);
    for (let at = first; at < text.length; at++) {
      const from = tokens.from[at] ?? 0;
      const here = c.speakers.length > 0 ? speakerAt(from) : speaker;
      if (here !== speaker && at > 0) tokens.turns[at] = 1;
      speaker = here;
      if (opening.has(from)) tokens.opens[at] = 1;
    }
  });
  return tokens;
}
