/**
 * Where the lines of one caption break: of all ways, the one that costs least. Hard limits weigh most,
 * then phrases that are parted, then the shape of the lines.
 */
import type { HouseStyle } from '../style/style.ts';
import { lengthsBefore } from '../text/measures.ts';
import type { Bond } from '../languages/bonds.ts';
import { ownLineEnds } from '../languages/sentences.ts';

/** What it costs to end a line after a word, by its bond. */
const lineBreakCost: Readonly<Record<Bond, number>> = {
  sentence: 0,
  clause: 3,
  phrase: 8,
  none: 16,
  loose: 24,
  close: 60,
};

/** What it costs on top to part a phrase where the style says that must not be. */
const parted = 340;

/** Where the style says that phrases must not be parted. */
const strictCost: Readonly<Record<Bond, number>> = { ...lineBreakCost, close: lineBreakCost.close + parted };

/** What it costs to end a line at each bond, under a style. */
export const lineEndCosts = ({ text }: HouseStyle): Readonly<Record<Bond, number>> =>
  text.breaks.severity === 'must' ? strictCost : lineBreakCost;

/** For each character a line is too long, and for each line too many: nothing else weighs as much. */
const overLength = 1000;
const overLines = 5000;
/** A line break where one line would do. */
export const needless = 30;
/** A word left alone on a line. */
const alone = 12;
/** A sentence or clause that should have its own line shares one. */
export const sharedLine = 45;
/** A word too many in a line, where the style counts them. */
export const overWords = 200;

/** Words to be laid out, measured once. */
export interface Words {
  readonly text: readonly string[];
  /** Characters of the words before each, with a space after every one: `before[j] - before[i] - 1` is a line from i to j. */
  readonly before: Float64Array;
  /** What stands after each word. */
  readonly bonds: readonly Bond[];
  /** 1 where a line has to begin with this word. */
  readonly opens: Uint8Array;
  /** How many words before each should end a line, where the style wants long sentences on their own; empty where it does not. */
  readonly ownLines: readonly number[];
}

/** Measures words for a style. */
export function wordsMeasured(
  text: readonly string[],
  bonds: readonly Bond[],
  opens: Uint8Array,
  style: HouseStyle,
): Words {
  const before = lengthsBefore(text, style.counting);
  const { ownLineAbove } = style.text;
  const ownLines: number[] = [];
  if (ownLineAbove.severity !== 'off') {
    ownLines.push(0);
    let many = 0;
    for (const end of ownLineEnds(bonds, before, ownLineAbove.limit, style.counting))
      ownLines.push((many += end > 0 ? 1 : 0));
  }
  return { text, before, bonds, opens, ownLines };
}

/** Characters of a line from word i up to word j. */
export function lengthOf(words: Words, i: number, j: number, style: HouseStyle): number {
  return (words.before[j] ?? 0) - (words.before[i] ?? 0) - (j > i && style.counting.spaces ? 1 : 0);
}

/** How many line ends that should be one stand inside a line from word i to word j. */
export const sharedIn = ({ ownLines }: Words, i: number, j: number): number =>
  ownLines.length === 0 ? 0 : (ownLines[j - 1] ?? 0) - (ownLines[i] ?? 0);

/** What one line costs by itself. */
function lineCost(words: Words, i: number, j: number, style: HouseStyle): number {
  const over = lengthOf(words, i, j, style) - style.text.lineLength.limit;
  const many = style.text.wordsInLine.severity === 'off' ? 0 : j - i - style.text.wordsInLine.limit;
  const shared = sharedIn(words, i, j);
  return (over > 0 ? over * overLength : 0) + (many > 0 ? many * overWords : 0) + shared * sharedLine;
}

/** What it costs that a line from i to j stands above one from j to k. */
function shapeCost(words: Words, i: number, j: number, k: number, style: HouseStyle): number {
  const first = lengthOf(words, i, j, style);
  const second = lengthOf(words, j, k, style);
  const { form } = style.text.shape;
  const difference = Math.abs(first - second);
  if (form === 'fill') return Math.max(0, style.text.lineLength.limit - first) * 0.5;
  return difference * 0.5 + (form === 'shorter first' && first > second ? (first - second) * 0.4 + 1 : 0);
}

export interface LineLayout {
  /** Words with which lines begin, the first not counted. */
  readonly breaks: readonly number[];
  readonly cost: number;
}

/**
 * What the nth line costs that begins with word `from` and ends before word `to`.
 * @param above where the line above it begins
 */
function stepCost(words: Words, n: number, above: number, from: number, to: number, style: HouseStyle): number {
  let cost = lineCost(words, from, to, style);
  for (let w = from + 1; w < to; w++) if (words.opens[w] === 1) cost += overLength;
  if (n === 1) return cost;
  const opens = words.opens[from] === 1;
  if (!opens) {
    cost += lineEndCosts(style)[words.bonds[from - 1] ?? 'none'];
    if (to - from === 1 || (n === 2 && from - above === 1)) cost += alone;
  }
  cost += shapeCost(words, above, from, to, style);
  return n > style.text.lines.limit ? cost + overLines : cost;
}

/** What it costs on top that a text short enough for one line has several. */
function needlessCost(words: Words, i: number, k: number, breaks: readonly number[], style: HouseStyle): number {
  if (breaks.length === 0 || breaks.some((b) => words.opens[b] === 1)) return 0;
  return lengthOf(words, i, k, style) <= style.text.oneLineUpTo.limit ? needless : 0;
}

/** What a layout of words i to k with these breaks costs; the programme below finds the least of all. */
export function layoutCost(words: Words, i: number, k: number, breaks: readonly number[], style: HouseStyle): number {
  let cost = needlessCost(words, i, k, breaks, style);
  let above = i;
  let from = i;
  [...breaks, k].forEach((to, n) => {
    cost += stepCost(words, n + 1, above, from, to, style);
    above = from;
    from = to;
  });
  return cost;
}

/** The longest line that is looked at, in words. */
const longestLine = 80;
/** Text for more lines than this fits no style; its lines are simply filled. */
const mostLines = 12;

/**
 * The best lines for words i to k. A line is at least a word, so that a word longer than a line stands
 * alone and too long.
 */
export function bestLines(words: Words, i: number, k: number, style: HouseStyle): LineLayout {
  const whole: LineLayout = { breaks: [], cost: stepCost(words, 1, i, i, k, style) };
  if (k - i < 2 || whole.cost === 0) return whole;
  if (lengthOf(words, i, k, style) > style.text.lineLength.limit * mostLines) return filled(words, i, k, style);
  const two = bestOfTwo(words, i, k, style);
  const best = two.cost < whole.cost ? two : whole;
  // A third line where the style allows two costs more than anything it could save.
  return best.cost > overLines || style.text.lines.limit > 2 ? bestOfMany(words, i, k, style, best) : best;
}

/** The best single break. */
function bestOfTwo(words: Words, i: number, k: number, style: HouseStyle): LineLayout {
  let at = i + 1;
  let least = Infinity;
  for (let j = i + 1; j < k; j++) {
    const cost = stepCost(words, 1, i, i, j, style) + stepCost(words, 2, i, j, k, style);
    if (cost < least) {
      least = cost;
      at = j;
    }
  }
  return { breaks: [at], cost: least + needlessCost(words, i, k, [at], style) };
}

/** As many words on each line as it holds. */
function filled(words: Words, i: number, k: number, style: HouseStyle): LineLayout {
  const breaks: number[] = [];
  let from = i;
  for (let j = i + 1; j < k; j++) {
    if (words.opens[j] !== 1 && lengthOf(words, from, j + 1, style) <= style.text.lineLength.limit) continue;
    breaks.push(j);
    from = j;
  }
  return { breaks, cost: layoutCost(words, i, k, breaks, style) };
}

interface LineState {
  readonly cost: number;
  /** Where the last line begins, and the state before it; null for the first line. */
  readonly last: { readonly at: number; readonly before: LineState } | null;
}

/** The breaks that lead to a state, and one more behind it. */
function breaksTo(state: LineState, more: number): number[] {
  const breaks = [more];
  for (let { last } = state; last; { last } = last.before) breaks.push(last.at);
  return breaks.reverse();
}

/** The lines so far, by where the last one begins and ends: what the next one costs depends on both. */
type Layer = Map<number, Map<number, LineState>>;

function keep(layer: Layer, from: number, to: number, state: LineState): void {
  const row = layer.get(to) ?? new Map<number, LineState>();
  const known = row.get(from);
  if (!known || state.cost < known.cost) row.set(from, state);
  layer.set(to, row);
}

/** Dynamic programming, a line at a time. */
function bestOfMany(words: Words, i: number, k: number, style: HouseStyle, known: LineLayout): LineLayout {
  let best = known;
  let layer: Layer = new Map();
  for (let to = i + 1; to < k && reaches(words, i, to, style); to++)
    keep(layer, i, to, { cost: stepCost(words, 1, i, i, to, style), last: null });
  for (let n = 2; n <= mostLines && layer.size > 0; n++) {
    const next: Layer = new Map();
    for (const [from, states] of layer) {
      for (let to = from + 1; to <= k && reaches(words, from, to, style); to++) {
        for (const [above, state] of states) {
          // More lines only cost more.
          if (state.cost >= best.cost) continue;
          const cost = state.cost + stepCost(words, n, above, from, to, style);
          if (cost >= best.cost) continue;
          if (to < k) keep(next, from, to, { cost, last: { at: from, before: state } });
          else {
            const breaks = breaksTo(state, from);
            const all = cost + needlessCost(words, i, k, breaks, style);
            if (all < best.cost) best = { breaks, cost: all };
          }
        }
      }
    }
    layer = next;
  }
  return best;
}

/** Whether a line may run from one word to another: within the limit with some to spare, or a single word. */
function reaches(words: Words, from: number, to: number, style: HouseStyle): boolean {
  if (to - from > longestLine) return false;
  // A line a few characters too long may still cost less than one line more.
  const most = style.text.lineLength.limit + overLines / overLength + 2;
  return to - from === 1 || lengthOf(words, from, to, style) <= most;
}
