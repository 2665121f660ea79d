/**
 * Laying captions out anew under a house style: of all ways to share the words among captions and
 * lines, the one that costs least. Hard limits weigh most; then, roughly in this order, sentences that
 * end with captions, phrases kept together, changes of speaker, pauses, reading speed, clauses, the
 * shape of lines, few captions, no word left alone.
 */
import { smallestGap, type FrameRate, type HouseStyle } from '../rules/style.ts';
import { need } from '../text/measures.ts';
import { bondsOf, phrasesOf, type Bond } from '../text/phrases/bonds.ts';
import type { Caption } from '../track/caption.ts';
import { joinTexts, onOneLine, tokensOf, type Ranged } from '../track/ranges.ts';
import { bestLines, lengthOf, lineEndCost, measured, type Words } from './lines.ts';
import { tokensOfCaptions, type Token } from './tokens.ts';

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
  readonly tokens: readonly Token[];
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
  /** 1 where a line has to begin. */
  readonly opens: Uint8Array;
  readonly before: Float64Array;
  readonly lineBreak: Float64Array;
  readonly captionBreak: Float64Array;
  /** Sentence ends up to each word, so that those inside a stretch are a difference. */
  readonly sentences: Float64Array;
}

function boardOf(tokens: readonly Token[], frame: Frame): Board {
  const text = tokens.map((t) => t.text);
  const bonds = bondsOf(text, phrasesOf(frame.language));
  const opens = tokens.map((t) => t.opens);
  const { text: limits } = frame.style;
  const words = measured(text, bonds, opens, frame.style);
  const sentences = new Float64Array(tokens.length + 1);
  bonds.forEach((bond, i) => (sentences[i + 1] = (sentences[i] ?? 0) + (bond === 'sentence' ? 1 : 0)));
  return {
    tokens,
    words,
    frame,
    gap: Math.ceil(smallestGap(frame.style, frame.rate)),
    lines: Math.min(2, limits.lines.limit),
    space: frame.style.counting.spaces ? 1 : 0,
    limit: limits.lineLength.limit,
    wordLimit: limits.wordsInLine.severity === 'off' ? Infinity : limits.wordsInLine.limit,
    oneLine: limits.oneLineUpTo.limit,
    fill: limits.shape.form === 'fill',
    shorter: limits.shape.form === 'shorter first',
    opens: Uint8Array.from(opens, Number),
    before: Float64Array.from(words.before),
    lineBreak: Float64Array.from(bonds, (bond) => lineEndCost(bond, frame.style)),
    captionBreak: Float64Array.from(bonds, (bond, i) => {
      const here = tokens[i];
      const next = tokens[i + 1];
      if (!here || !next || next.turns) return 0;
      const pause = Math.max(0, next.start - here.end);
      return Math.max(0, captionBreakCost[bond] - Math.min(mostPause, pause * pauseWeight));
    }),
    sentences,
  };
}

const at = (numbers: Float64Array, i: number): number => numbers[i] ?? 0;

/** The least that words i to j cost on one line or two; a way to look at many stretches quickly. */
function linesCost(board: Board, i: number, j: number): number {
  const { before, lineBreak, opens, space, limit, wordLimit, oneLine, fill, shorter } = board;
  const from = at(before, i);
  const to = at(before, j) - space;
  const total = to - from;
  let least = Infinity;
  if (total <= limit) {
    least = total > oneLine && board.lines > 1 && j - i > 1 ? 30 : 0;
    if (j - i > wordLimit) least += 100;
    for (let w = i + 1; w < j; w++) if (opens[w] === 1) least = Infinity;
  } else if (j - i === 1) return costs.overfull + (total - limit) * 10;
  if (least === 0 || board.lines < 2) return Math.min(least, costs.overfull + Math.max(0, total - limit) * 10);
  for (let k = i + 1; k < j; k++) {
    const first = at(before, k) - space - from;
    if (first > limit) break;
    const second = to - at(before, k);
    if (second > limit) continue;
    let cost = opens[k] === 1 ? 0 : at(lineBreak, k - 1);
    if (cost >= least) continue;
    if (fill) cost += (limit - first) * 0.5;
    else
      cost +=
        (first > second ? first - second : second - first) * 0.5 +
        (shorter && first > second ? (first - second) * 0.4 : 0);
    if (k - i > wordLimit || j - k > wordLimit) cost += 100;
    if (cost < least) least = cost;
  }
  return Math.min(least, costs.overfull + Math.max(0, total - 2 * limit) * 10);
}

/** When a caption of words i to j ends: late enough to be read, early enough to leave the gap to the next. */
function endOf(board: Board, i: number, j: number, characters: number): number {
  const { tokens, frame, gap } = board;
  const { time, reading } = frame.style;
  const start = tokens[i]?.start ?? 0;
  const spoken = tokens[j - 1]?.end ?? start;
  const room = (tokens[j]?.start ?? Infinity) - gap;
  const wanted = Math.max(spoken, start + need(characters, reading.speed.target), start + time.shortest.limit);
  const most = Math.max(spoken, start + time.longest.limit);
  return Math.max(start + 1, Math.min(wanted, room, most));
}

/**
 * What a caption of words i to j costs, without the break after it.
 * @param most what it may cost at most to be of interest; where it costs more, Infinity stands for it
 */
function captionCost(board: Board, i: number, j: number, most = Infinity): number {
  const { tokens, before } = board;
  const { time, reading } = board.frame.style;
  const characters = at(before, j) - at(before, i) - board.space;
  const start = tokens[i]?.start ?? 0;
  const duration = endOf(board, i, j, characters) - start;
  const speed = (characters * 1000) / duration;
  let cost: number = costs.caption;
  if (speed > reading.speed.limit) cost += costs.tooFast + (speed - reading.speed.limit) * 20;
  else if (speed > reading.speed.target) cost += (speed - reading.speed.target) * costs.brisk;
  if (duration < time.shortest.limit) cost += costs.tooShort + (time.shortest.limit - duration) / 10;
  if (duration > time.longest.limit) cost += costs.tooLong + (duration - time.longest.limit) / 10;
  cost += (at(board.sentences, j - 1) - at(board.sentences, i)) * costs.sentenceInside;
  if (j - i === 1) cost += costs.wordAlone;
  return cost >= most ? Infinity : cost + linesCost(board, i, j);
}

/** What is wrong with words i and i + 1 in one caption: a change of speaker, a long pause between. */
function insideCost(board: Board, i: number): number {
  const here = board.tokens[i];
  const next = board.tokens[i + 1];
  if (!here || !next) return 0;
  const pause = next.start - here.end;
  return (next.turns ? costs.turnInside : 0) + (pause > longPause ? (pause - longPause) / 10 + 60 : 0);
}

/** What captions cost that begin at these words. */
function costOf(board: Board, starts: readonly number[]): number {
  const stops = [...starts, board.tokens.length];
  return starts.reduce((sum, i, n) => {
    const j = stops[n + 1] ?? i;
    let cost = sum + captionCost(board, i, j) + (i > 0 ? at(board.captionBreak, i - 1) : 0);
    for (let k = i; k < j - 1; k++) cost += insideCost(board, k);
    return cost;
  }, 0);
}

/** The places where captions begin, in order. */
function bestCaptions(board: Board): number[] {
  const n = board.tokens.length;
  const { limit } = board.frame.style.text.lineLength;
  const most = limit * board.lines + slack;
  const least = new Float64Array(n + 1).fill(Infinity);
  const from = new Int32Array(n + 1);
  least[0] = 0;
  for (let j = 1; j <= n; j++) {
    let inside = 0;
    for (let i = j - 1; i >= 0; i--) {
      const length = at(board.before, j) - at(board.before, i);
      if (j - i > 1 && length > most) break;
      if (j - i > 1) inside += insideCost(board, i);
      const known = at(least, i) + (i > 0 ? at(board.captionBreak, i - 1) : 0) + inside;
      if (known >= at(least, j)) continue;
      const cost = known + captionCost(board, i, j, at(least, j) - known);
      if (cost < at(least, j)) {
        least[j] = cost;
        from[j] = i;
      }
    }
  }
  const starts: number[] = [];
  for (let j = n; j > 0; j = from[j] ?? 0) starts.push(from[j] ?? 0);
  return starts.reverse();
}

/** The words i to j of the captions they come from, with everything that hangs on them, on one line. */
function textOf(captions: readonly Caption[], tokens: readonly Token[], i: number, j: number): Ranged {
  const parts: Ranged[] = [];
  for (let k = i; k < j;) {
    const first = tokens[k];
    const source = captions[first?.source ?? 0];
    if (!first || !source) break;
    let last = k;
    while (last + 1 < j && tokens[last + 1]?.source === first.source) last++;
    parts.push(onOneLine(source, first.from, tokens[last]?.to ?? first.to));
    k = last + 1;
  }
  return joinTexts(parts, ' ');
}

/** A text with line breaks before some of its words. */
function broken(of: Ranged, breaks: readonly number[]): Ranged {
  if (breaks.length === 0) return of;
  const words = tokensOf(of.text, 0, of.text.length);
  let { text } = of;
  for (const word of breaks) {
    const start = words[word]?.from ?? 0;
    text = `${text.slice(0, start - 1)}\n${text.slice(start)}`;
  }
  return { ...of, text };
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
  return { words: tokens.length, best: bestCaptions(board), cost: (starts) => costOf(board, starts) };
}

/**
 * Captions laid out anew, all of them: every word, mark, speaker, sound note and word time is kept.
 * Times begin with the first word of each; where words have none, the caption's time is shared by letters.
 * @param newId makes ids for what comes out
 */
export function reflow(captions: readonly Caption[], frame: Frame, newId: () => string): Caption[] {
  const tokens = tokensOfCaptions(captions);
  if (tokens.length === 0) return [];
  const board = boardOf(tokens, frame);
  const starts = bestCaptions(board);
  return starts.map((i, n): Caption => {
    const j = starts[n + 1] ?? tokens.length;
    const { breaks } = bestLines(board.words, i, j, frame.style);
    const text = broken(
      textOf(captions, tokens, i, j),
      breaks.map((b) => b - i),
    );
    const source = captions[tokens[i]?.source ?? 0];
    const characters = lengthOf(board.words, i, j, frame.style) - breaks.length * (frame.style.counting.spaces ? 1 : 0);
    const sources = captions.slice(tokens[i]?.source ?? 0, (tokens[j - 1]?.source ?? 0) + 1);
    const first = i === 0 || tokens[i - 1]?.source !== tokens[i]?.source;
    return {
      id: newId(),
      start: tokens[i]?.start ?? 0,
      end: endOf(board, i, j, characters),
      timing: sources.some((c) => c.timing === 'provisional') ? 'provisional' : 'set',
      text: text.text,
      marks: text.marks,
      speakers: text.speakers,
      words: text.words,
      placement: source?.placement ?? null,
      proofed: false,
      letBe: [],
      foreign: first ? (source?.foreign ?? null) : null,
    };
  });
}
