/** Captions of two languages paired by what survives translation: numbers, names, words alike, shape, lengths, rhythm. */
import { max } from 'd3-array';
import type { Caption } from '../../model/caption.ts';
import { chain, type Link } from './chain.ts';
import { durationLikeness, lengthLikeness, markWeight, mostRhythm, rhythmLikeness, shapeLikeness } from './likeness.ts';
import type { Pair } from './pair.ts';
import { survivingSigns, joinedSigns, type Signs } from './signs.ts';

/** The signs of a track’s captions: each alone, and each with the one after it. */
interface Side {
  readonly one: readonly Signs[];
  readonly two: readonly Signs[];
}
function sideOf(captions: readonly Caption[]): Side {
  const one = captions.map(survivingSigns);
  return { one, two: one.map((s, i) => joinedSigns(s, one[i + 1] ?? s)) };
}
const letters = (signs: readonly Signs[]): number => signs.reduce((sum, s) => sum + s.letters, 0);

/** Marks with what they weigh, of those that both tracks have; only these tell anything. */
function weightsOf(here: Side, there: Side): ReadonlyMap<string, number> {
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
  return weights;
}

/**
 * What the marks of two captions weigh that both have. It is asked for millions of pairs, row by row: what a caption has
 * in common with each of the other track is worked out once, from where its marks stand there.
 */
function marksOf(here: Side, there: Side) {
  const weights = weightsOf(here, there);
  const placesIn = (all: readonly Signs[]): ReadonlyMap<string, readonly number[]> => {
    const places = new Map<string, number[]>();
    all.forEach(({ marks }, j) => {
      for (const mark of marks) {
        if (!weights.has(mark)) continue;
        const known = places.get(mark);
        if (known) known.push(j);
        else places.set(mark, [j]);
      }
    });
    return places;
  };
  const places = [placesIn(there.one), placesIn(there.two)] as const;
  /** The rows asked for last, of one and two captions here with one and two there. */
  const rows = Array.from({ length: 4 }, () => ({ of: -1, sums: new Float64Array(there.one.length) }));
  type Row = (typeof rows)[number];
  function gather(row: Row, i: number, manyI: number, manyJ: number): void {
    row.of = i;
    row.sums.fill(0);
    for (const mark of (manyI === 1 ? here.one : here.two)[i]?.marks ?? [])
      for (const place of places[manyJ === 1 ? 0 : 1].get(mark) ?? [])
        row.sums[place] = (row.sums[place] ?? 0) + (weights.get(mark) ?? 0);
  }
  return (i: number, manyI: number, j: number, manyJ: number): number => {
    const row = rows[manyI * 2 + manyJ - 3];
    if (!row) return 0;
    if (row.of !== i) gather(row, i, manyI, manyJ);
    return row.sums[j] ?? 0;
  };
}

/** What is asked of captions millions of times, as plain numbers: their letters, the logarithm of how long they last (NaN where they are not timed), and which shape they have. */
interface Figures {
  readonly letters: Float64Array;
  readonly lasts: Float64Array;
  readonly shape: Uint32Array;
}
/** Numbers of the shapes there are, and what each speaks for each. */
function shapes() {
  const known: Signs[] = [];
  const numbers = new Map<string, number>();
  return {
    numberOf: (signs: Signs): number => {
      const key = `${signs.ending} ${String(signs.spoken)} ${String(signs.turns)}`;
      const number = numbers.get(key) ?? known.length;
      if (number === known.length) known.push(signs);
      numbers.set(key, number);
      return number;
    },
    /** Of all that were numbered so far; the first’s number times how many there are, and the second’s. */
    likeness: () => Float64Array.from(known.flatMap((a) => known.map((b) => shapeLikeness(a, b)))),
    many: () => known.length,
  };
}
const figuresOf = (all: readonly Signs[], numberOf: (signs: Signs) => number): Figures => ({
  letters: Float64Array.from(all, (s) => s.letters),
  lasts: Float64Array.from(all, (s) => (s.timed ? s.lasts : NaN)),
  shape: Uint32Array.from(all, numberOf),
});

/** @param moved the track that is to be moved @param giving the one that gives the times */
export function pairBySigns(moved: readonly Caption[], giving: readonly Caption[]): readonly Pair[] {
  const [here, there] = [sideOf(moved), sideOf(giving)];
  const ratio = Math.max(0.2, Math.min(5, letters(there.one) / Math.max(1, letters(here.one))));
  const shared = marksOf(here, there);
  const shape = shapes();
  const [here1, here2] = [figuresOf(here.one, shape.numberOf), figuresOf(here.two, shape.numberOf)];
  const [there1, there2] = [figuresOf(there.one, shape.numberOf), figuresOf(there.two, shape.numberOf)];
  const [shapeSays, manyShapes] = [shape.likeness(), shape.many()];
  /** By what is written, whatever the times. */
  function wording(i: number, manyI: number, j: number, manyJ: number): number {
    const a = manyI === 1 ? here1 : here2;
    const b = manyJ === 1 ? there1 : there2;
    const speaks = shapeSays[(a.shape[i] ?? 0) * manyShapes + (b.shape[j] ?? 0)] ?? 0;
    return lengthLikeness(a.letters[i] ?? 0, b.letters[j] ?? 0, ratio) + speaks + shared(i, manyI, j, manyJ);
  }
  function likeness(i: number, manyI: number, j: number, manyJ: number): number {
    const away = durationLikeness(
      (manyI === 1 ? here1 : here2).lasts[i] ?? NaN,
      (manyJ === 1 ? there1 : there2).lasts[j] ?? NaN,
    );
    return (Number.isNaN(away) ? 0 : away) + wording(i, manyI, j, manyJ);
  }
  const starts = Float64Array.from(here.one, (s) => s.start);
  const timedHere = Float64Array.from(here.one, (s) => (s.timed ? s.start : NaN));
  const timedThere = Float64Array.from(there.one, (s) => (s.timed ? s.start : NaN));
  const start = (i: number): number => starts[i] ?? NaN;
  const offset = (i: number, j: number): number => (timedThere[j] ?? NaN) - (timedHere[i] ?? NaN);
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
