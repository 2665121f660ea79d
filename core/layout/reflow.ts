/**
 * Reflowing captions under a house style: of all ways to share the words among captions and
 * lines, the one that costs least. Hard limits weigh most; then, roughly in this order, sentences that
 * end with captions, phrases kept together, changes of speaker, pauses, reading speed, clauses, the
 * shape of lines, few captions, no word left alone.
 *
 * How it goes. The captions become one row of words, each with the time it is said in (`tokens.ts`) and
 * a bond to the next: how closely the two belong together (`phrases/`). Between any two words a caption
 * may end. `bestCaptions` goes over the words from left to right and keeps, for each word, the cheapest
 * way to have laid out everything up to it; a caption is tried for each of the few beginnings that a
 * caption of the style’s most characters can have, and its lines are chosen the same way
 * (`lines.ts`). What a caption costs depends on its own words and its neighbours’ times alone, so the
 * cheapest whole is made of cheapest parts.
 *
 * What holds:
 * - No word is lost, added or moved past another; marks, speakers and word times travel with the words.
 * - It is linear in the words: how many beginnings are tried is bounded by the style, not by the track.
 * - A caption that is not touched is the same object afterwards, so that whatever knows it keeps its place.
 * - The result is one edit, with the captions that go and those that come.
 */
import { isSpaceUnit } from '../text/tokens.ts';
import { wholeGap, type HouseStyle } from '../style/style.ts';
import type { FrameRate } from '../timing/clock/frames.ts';
import { need } from '../text/measures.ts';
import { bondsOf, phrasesOf, type Bond } from '../languages/bonds.ts';
import type { Caption } from '../model/caption.ts';
import { laidOutWhole } from '../model/carried.ts';
import { joinTexts, onOneLine, type Ranged } from '../model/ranges.ts';
import {
  bestLines,
  lengthOf,
  lineEndCosts,
  wordsMeasured,
  needless,
  overWords,
  sharedIn,
  sharedLine,
  type Words,
} from './lines.ts';
import { withTimeLent } from './lend-time.ts';
import { tokensOfCaptions, type Tokens } from './tokens.ts';

export interface Frame {
  readonly style: HouseStyle;
  readonly rate: FrameRate;
  /** BCP 47; tells which phrases are known. */
  readonly language?: string | null;
}

/** What it costs to end a caption after a word, by its bond. */
const captionBreakCost: Readonly<Record<Bond, number>> = {
  sentence: 0,
  clause: 14,
  phrase: 30,
  none: 50,
  loose: 65,
  close: 130,
};
const costs = {
  /** For every caption there is. */
  caption: 22,
  /** A sentence that ends inside a caption. */
  sentenceInside: 40,
  /** Text for which the style has no room. */
  overfull: 4000,
  tooFast: 500,
  tooShort: 260,
  tooLong: 400,
  /** For every character a second above the target. */
  brisk: 4,
  wordAlone: 30,
  /** Somebody else begins to speak inside. */
  turnInside: 900,
} as const;

/** A pause takes from the cost of a break after it so much for each ms, and never more than `mostPause`. */
const pauseWeight = 1 / 12;
const mostPause = 60;
/** A pause that a caption should not run through, in ms. */
const longPause = 1500;
/** What a style cannot hold in two lines is still looked at up to so many characters more. */
const slack = 4;

/** Words as numbers, for a programme that looks at each pair of places many times. */
interface Board {
  readonly tokens: Tokens;
  readonly words: Words;
  readonly frame: Frame;
  readonly gap: number;
  readonly lines: number;
  /** Of the style, at hand. */
  readonly space: number;
  readonly limit: number;
  readonly wordLimit: number;
  readonly oneLine: number;
  readonly fill: boolean;
  readonly shorter: boolean;
  readonly speed: number;
  readonly target: number;
  readonly shortest: number;
  readonly longest: number;
  /** When each word begins, in ms; after the last there is no end of room. */
  readonly starts: Float64Array;
  readonly before: Float64Array;
  readonly lineBreak: Float64Array;
  readonly captionBreak: Float64Array;
  /** What it costs that words up to each are in one caption with the word after them, so that a stretch of it is a difference. */
  readonly together: Float64Array;
  /** Sentence ends up to each word, so that those inside a stretch are a difference. */
  readonly sentences: Float64Array;
  /** The last word before which a line that begins with this one can end. */
  readonly lastEnd: Int32Array;
  /** The first word with which a line can begin that ends before this one. */
  readonly firstStart: Int32Array;
}

function boardOf(tokens: Tokens, frame: Frame): Board {
  const n = tokens.text.length;
  const bonds = bondsOf(tokens.text, phrasesOf(frame.language));
  const { text: limits, counting, reading, time } = frame.style;
  const words = wordsMeasured(tokens.text, bonds, tokens.opens, frame.style);
  const { before } = words;
  const starts = new Float64Array(n + 1).fill(Infinity);
  starts.set(tokens.start);
  const space = counting.spaces ? 1 : 0;
  const limit = limits.lineLength.limit;
  const sentences = new Float64Array(n + 1);
  const lineBreak = new Float64Array(n);
  const captionBreak = new Float64Array(n);
  const together = new Float64Array(n);
  const lastEnd = new Int32Array(n + 1);
  const firstStart = new Int32Array(n + 1);
  const lineEnd = lineEndCosts(frame.style);
  let end = 0;
  let start = 0;
  for (let i = 0; i < n; i++) {
    const bond = bonds[i] ?? 'none';
    sentences[i + 1] = at(sentences, i) + (bond === 'sentence' ? 1 : 0);
    lineBreak[i] = lineEnd[bond];
    if (i + 1 < n) {
      const pause = at(starts, i + 1) - at(tokens.end, i);
      const turns = tokens.turns[i + 1] === 1;
      if (!turns)
        captionBreak[i] = Math.max(0, captionBreakCost[bond] - Math.max(0, Math.min(mostPause, pause * pauseWeight)));
      const apart = (turns ? costs.turnInside : 0) + (pause > longPause ? (pause - longPause) / 10 + 60 : 0);
      together[i + 1] = at(together, i) + apart;
    }
    while (end < n && at(before, end + 1) - space - at(before, i) <= limit) end++;
    lastEnd[i] = end;
    while (start < i + 1 && at(before, i + 1) - space - at(before, start) > limit) start++;
    firstStart[i + 1] = start;
  }
  return {
    tokens,
    words,
    frame,
    gap: wholeGap(frame.style, frame.rate),
    lines: Math.min(2, limits.lines.limit),
    space,
    limit,
    wordLimit: limits.wordsInLine.severity === 'off' ? Infinity : limits.wordsInLine.limit,
    oneLine: limits.oneLineUpTo.limit,
    fill: limits.shape.form === 'fill',
    shorter: limits.shape.form === 'shorter first',
    speed: reading.speed.limit,
    target: reading.speed.target,
    shortest: time.shortest.limit,
    longest: time.longest.limit,
    starts,
    before,
    lineBreak,
    captionBreak,
    together,
    sentences,
    lastEnd,
    firstStart,
  };
}

const at = (numbers: Float64Array | Int32Array, i: number): number => numbers[i] ?? 0;

/** The caption a word came from. */
function captionFrom(captions: readonly Caption[], place: number): Caption {
  const found = captions[place];
  if (!found) throw new RangeError(`There is no caption ${String(place)} of ${String(captions.length)}.`);
  return found;
}

/**
 * The least that words i to j cost on one line or two; a way to look at many stretches quickly.
 * @param most what it may cost at most to be of interest; where it costs as much, anything of that size stands for it
 */
function linesCost(board: Board, i: number, j: number, most: number): number {
  const { before, lineBreak, words, space, limit, wordLimit, oneLine, fill, shorter } = board;
  const { opens } = words;
  const from = at(before, i);
  const to = at(before, j) - space;
  const total = to - from;
  let least = Infinity;
  if (total <= limit) {
    least = total > oneLine && board.lines > 1 && j - i > 1 ? needless : 0;
    if (j - i > wordLimit) least += (j - i - wordLimit) * overWords;
    least += sharedIn(words, i, j) * sharedLine;
    for (let w = i + 1; w < j; w++) if (opens[w] === 1) least = Infinity;
  } else if (j - i === 1) return costs.overfull + (total - limit) * 10;
  if (least === 0 || board.lines < 2) return Math.min(least, costs.overfull + Math.max(0, total - limit) * 10);
  const last = Math.min(at(board.lastEnd, i), j - 1);
  for (let k = Math.max(i + 1, at(board.firstStart, j)); k <= last; k++) {
    const first = at(before, k) - space - from;
    const second = to - at(before, k);
    let cost = opens[k] === 1 ? 0 : at(lineBreak, k - 1);
    if (cost >= least || cost > most) continue;
    if (fill) cost += (limit - first) * 0.5;
    else
      cost +=
        (first > second ? first - second : second - first) * 0.5 +
        (shorter && first > second ? (first - second) * 0.4 : 0);
    if (cost >= least || cost > most) continue;
    if (k - i > wordLimit) cost += (k - i - wordLimit) * overWords;
    if (j - k > wordLimit) cost += (j - k - wordLimit) * overWords;
    cost += (sharedIn(words, i, k) + sharedIn(words, k, j)) * sharedLine;
    if (cost < least) least = cost;
  }
  return Math.min(least, costs.overfull + Math.max(0, total - 2 * limit) * 10);
}

/** When a caption of words i to j ends: late enough to be read, early enough to leave the gap to the next. */
function endOf(board: Board, i: number, j: number, characters: number): number {
  const { starts, gap, target, shortest, longest } = board;
  const start = at(starts, i);
  const spoken = j > i ? at(board.tokens.end, j - 1) : start;
  const room = at(starts, j) - gap;
  const wanted = Math.max(spoken, start + need(characters, target), start + shortest);
  const most = Math.max(spoken, start + longest);
  return Math.max(start + 1, Math.min(wanted, room, most));
}

/**
 * What a caption of words i to j costs, without the break after it.
 * @param most what it may cost at most to be of interest; where it costs more, Infinity stands for it
 */
function captionCost(board: Board, i: number, j: number, most = Infinity): number {
  const { before, starts, target, shortest, longest } = board;
  let cost: number = costs.caption + (at(board.sentences, j - 1) - at(board.sentences, i)) * costs.sentenceInside;
  if (j - i === 1) cost += costs.wordAlone;
  if (cost > most) return Infinity;
  const characters = at(before, j) - at(before, i) - board.space;
  const duration = endOf(board, i, j, characters) - at(starts, i);
  const speed = (characters * 1000) / duration;
  if (speed > board.speed) cost += costs.tooFast + (speed - board.speed) * 20;
  else if (speed > target) cost += (speed - target) * costs.brisk;
  if (duration < shortest) cost += costs.tooShort + (shortest - duration) / 10;
  if (duration > longest) cost += costs.tooLong + (duration - longest) / 10;
  return cost > most ? Infinity : cost + linesCost(board, i, j, most - cost);
}

/** What captions cost that begin at these words. */
function costOf(board: Board, starts: readonly number[]): number {
  const stops = [...starts, board.words.text.length];
  return starts.reduce((sum, i, n) => {
    const j = stops[n + 1] ?? i;
    const together = at(board.together, j - 1) - at(board.together, i);
    return sum + captionCost(board, i, j) + together + (i > 0 ? at(board.captionBreak, i - 1) : 0);
  }, 0);
}

/** The places where captions begin, in order. */
function bestCaptions(board: Board): number[] {
  const { before, captionBreak, together, limit, lines } = board;
  const n = board.words.text.length;
  const most = limit * lines + slack;
  /** The least that everything before a word costs, the break there counted in. */
  const least = new Float64Array(n + 1);
  const from = new Int32Array(n + 1);
  let first = 0;
  for (let j = 1; j <= n; j++) {
    const end = at(before, j);
    while (first < j - 1 && end - at(before, first) > most) first++;
    // Where the caption up to the word before began best is a good guess: most others cost more already for what
    // stands before them.
    let start = Math.max(first, at(from, j - 1));
    let best = at(least, start) + at(together, j - 1) - at(together, start) + captionCost(board, start, j);
    for (let i = first; i < j; i++) {
      const known = at(least, i) + at(together, j - 1) - at(together, i);
      if (known + costs.caption > best || i === start) continue;
      const cost = known + captionCost(board, i, j, best - known);
      if (cost < best || (cost === best && i > start)) {
        best = cost;
        start = i;
      }
    }
    from[j] = start;
    least[j] = best + (j < n ? at(captionBreak, j - 1) : 0);
  }
  const starts: number[] = [];
  for (let j = n; j > 0; j = at(from, j)) starts.push(at(from, j));
  return starts.reverse();
}

/** The words i to j of the captions they come from, with everything that hangs on them, on one line. */
function textOf(captions: readonly Caption[], { source, from, to }: Tokens, i: number, j: number): Ranged {
  const parts: Ranged[] = [];
  for (let k = i; k < j;) {
    const first = k;
    const caption = captions[at(source, first)];
    while (k < j && source[k] === source[first]) k++;
    if (caption) parts.push(onOneLine(caption, at(from, first), at(to, k - 1)));
  }
  return joinTexts(parts, ' ');
}

/** A text with line breaks before some of its words, named in order. */
function broken(of: Ranged, breaks: readonly number[]): Ranged {
  if (breaks.length === 0) return of;
  let { text } = of;
  let word = -1;
  let next = 0;
  let wasSpace = true;
  for (let i = 0; i < text.length && next < breaks.length; i++) {
    const isSpace = isSpaceUnit(text.charCodeAt(i));
    if (wasSpace && !isSpace && ++word === breaks[next]) {
      text = `${text.slice(0, i - 1)}\n${text.slice(i)}`;
      next++;
    }
    wasSpace = isSpace;
  }
  return { text, marks: of.marks, speakers: of.speakers, words: of.words };
}

/** Whether any of captions `from` to `to`, both counted in, has no place in the sound yet. */
function isGuessed(captions: readonly Caption[], from: number, to: number): boolean {
  for (let i = from; i <= to; i++) if (captions[i]?.timing === 'provisional') return true;
  return false;
}

/**
 * Where the words of captions would be parted into captions, and what that costs beside other ways to
 * part them; for trying the programme against every way there is.
 */
export function partings(
  captions: readonly Caption[],
  frame: Frame,
): { readonly words: number; readonly best: readonly number[]; readonly cost: (starts: readonly number[]) => number } {
  const tokens = tokensOfCaptions(captions);
  const board = boardOf(tokens, frame);
  return { words: tokens.text.length, best: bestCaptions(board), cost: (starts) => costOf(board, starts) };
}

/**
 * Captions reflowed, all of them: every word, mark, speaker, sound note and word time is kept.
 * Times begin with the first word of each; where words have none, the caption's time is shared by letters.
 * @param newId makes ids for what comes out
 */
export function reflow(captions: readonly Caption[], frame: Frame, newId: () => string): Caption[] {
  const tokens = tokensOfCaptions(captions);
  const count = tokens.text.length;
  if (count === 0) return [];
  const board = boardOf(tokens, frame);
  const starts = bestCaptions(board);
  const laid = starts.map((i, n): Caption => {
    const j = starts[n + 1] ?? count;
    const { breaks } = bestLines(board.words, i, j, frame.style);
    const text = broken(
      textOf(captions, tokens, i, j),
      breaks.map((b) => b - i),
    );
    const [from, to] = [at(tokens.source, i), at(tokens.source, j - 1)];
    const characters = lengthOf(board.words, i, j, frame.style) - breaks.length * (frame.style.counting.spaces ? 1 : 0);
    const first = i === 0 || tokens.source[i - 1] !== from;
    return {
      id: newId(),
      start: at(tokens.start, i),
      end: endOf(board, i, j, characters),
      timing: isGuessed(captions, from, to) ? 'provisional' : 'set',
      text: text.text,
      marks: text.marks,
      speakers: text.speakers,
      words: text.words,
      ...laidOutWhole(captionFrom(captions, from), first),
    };
  });
  return withTimeLent(laid, frame);
}
