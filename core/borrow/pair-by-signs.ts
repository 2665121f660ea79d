/** Captions of two languages paired by what survives translation: numbers, names, words alike, shape, lengths, rhythm. */
import { max } from 'd3-array';
import type { Caption } from '../track/caption.ts';
import { chain, type Link } from './chain.ts';
import { durationLikeness, lengthLikeness, markWeight, mostRhythm, rhythmLikeness, shapeLikeness } from './likeness.ts';
import type { Pair } from './pair.ts';
import { signsOf, together, type Signs } from './signs.ts';

/** The signs of a track’s captions: each alone, and each with the one after it. */
interface Side {
  readonly one: readonly Signs[];
  readonly two: readonly Signs[];
}
function sideOf(captions: readonly Caption[]): Side {
  const one = captions.map(signsOf);
  return { one, two: one.map((s, i) => together(s, one[i + 1] ?? s)) };
}
const letters = (signs: readonly Signs[]): number => signs.reduce((sum, s) => sum + s.letters, 0);

/** Marks as numbers with their weights, so that two captions are held against each other quickly. */
function marksOf(here: Side, there: Side) {
  const counts = new Map<string, readonly [here: number, there: number]>();
  [here, there].forEach(({ one }, side) => {
    for (const { marks } of one)
      for (const mark of marks) {
        const [a, b] = counts.get(mark) ?? [0, 0];
        counts.set(mark, side === 0 ? [a + 1, b] : [a, b + 1]);
      }
  });
  const most = Math.max(here.one.length, there.one.length);
  const weights = new Map<string, number>();
  for (const [mark, [a, b]] of counts) if (a > 0 && b > 0) weights.set(mark, markWeight(mark, Math.max(a, b), most));
  /** Only what both tracks have tells anything. */
  const told = ({ marks }: Signs): readonly string[] => marks.filter((mark) => weights.has(mark));
  const lists = [here.one.map(told), here.two.map(told), there.one.map(told), there.two.map(told)] as const;
  return (i: number, manyI: number, j: number, manyJ: number): number => {
    const [a, b] = [lists[manyI === 1 ? 0 : 1][i], lists[manyJ === 1 ? 2 : 3][j]];
    if (!a || !b || a.length === 0 || b.length === 0) return 0;
    let sum = 0;
    for (const mark of a) if (b.includes(mark)) sum += weights.get(mark) ?? 0;
    return sum;
  };
}

/** @param moved the track that is to be moved @param giving the one that gives the times */
export function pairBySigns(moved: readonly Caption[], giving: readonly Caption[]): readonly Pair[] {
  const [here, there] = [sideOf(moved), sideOf(giving)];
  const ratio = Math.max(0.2, Math.min(5, letters(there.one) / Math.max(1, letters(here.one))));
  const shared = marksOf(here, there);
  const signs = ({ one, two }: Side, at: number, many: number): Signs | undefined => (many === 1 ? one : two)[at];
  /** By what is written, whatever the times. */
  function wording(i: number, manyI: number, j: number, manyJ: number): number {
    const [a, b] = [signs(here, i, manyI), signs(there, j, manyJ)];
    if (!a || !b) return 0;
    return lengthLikeness(a.letters, b.letters, ratio) + shapeLikeness(a, b) + shared(i, manyI, j, manyJ);
  }
  function likeness(i: number, manyI: number, j: number, manyJ: number): number {
    const [a, b] = [signs(here, i, manyI), signs(there, j, manyJ)];
    if (!a || !b) return 0;
    const lasts = a.timed && b.timed ? durationLikeness(a.lasts, b.lasts) : 0;
    return lasts + wording(i, manyI, j, manyJ);
  }
  const start = (i: number): number => here.one[i]?.start ?? NaN;
  function offset(i: number, j: number): number {
    const [a, b] = [here.one[i], there.one[j]];
    return a?.timed && b?.timed ? b.start - a.start : NaN;
  }
  const links = chain(moved.length, giving.length, { likeness, offset, start, rhythm: rhythmLikeness, mostRhythm });
  const of = ({ first, second }: Link) => [first[0], first[1] - first[0], second[0], second[1] - second[0]] as const;
  const changed = inAnotherOrder(links, (a, b) => wording(a.first[0], of(a)[1], b.second[0], of(b)[3]));
  const places = links.map((l) => ({ offset: offset(l.first[0], l.second[0]), at: start(l.first[0]) }));
  return links.map((link, i) => {
    const around = agreement(places, i);
    const speaks =
      // eslint-disable-next-line no-restricted-syntax -- a pair
      likeness(...of(link)) + around + Math.min(0, 2 * wording(...of(link))) - (changed.has(link) ? doubt : 0);
    return { moved: link.first, giving: link.second, certainty: 1 / (1 + Math.exp(-(speaks - even) / slope)) };
  });
}

/** What speaks for a pair when it is as likely right as wrong, and how quickly doubt goes from there. */
const [even, slope] = [1.2, 1.1];
/** So much better two pairs have to fit crosswise before their order is doubted; and how much that counts against them. */
const [crosswise, doubt] = [1, 6];
/** So many pairs on either side are asked whether they stand as far off. */
const neighbours = 4;

/** Pairs next to each other whose captions fit crosswise better: a translation may turn round what it says. */
function inAnotherOrder(links: readonly Link[], wording: (a: Link, b: Link) => number): ReadonlySet<Link> {
  const changed = new Set<Link>();
  links.forEach((a, i) => {
    const b = links[i + 1];
    if (b && wording(a, b) + wording(b, a) > wording(a, a) + wording(b, b) + crosswise) changed.add(a).add(b);
  });
  return changed;
}

/** What counts against a pair that stands as far off as none of those before it, or after it. */
const strange = -4;

/** Whether a pair stands as far off as those before and after it. */
function agreement(pairs: readonly { readonly offset: number; readonly at: number }[], i: number): number {
  const me = pairs[i];
  if (!me || Number.isNaN(me.offset)) return 0;
  const best = (others: typeof pairs): number => {
    const timed = others.filter((o) => !Number.isNaN(o.offset));
    const likeness = timed.map((o) => rhythmLikeness(me.offset - o.offset, Math.abs(me.at - o.at)));
    return timed.length === 0 ? 0 : Math.max(strange, max(likeness) ?? strange);
  };
  return best(pairs.slice(Math.max(0, i - neighbours), i)) + best(pairs.slice(i + 1, i + 1 + neighbours));
}
