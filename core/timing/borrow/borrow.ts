/**
 * Times borrowed from another track: captions of the two are paired, and the beginnings of pairs are ties, by which the
 * whole track moves.
 */
import { mostInCommon, wordsOf } from '../../compare/words.ts';
import { leastApart, offFromOthers } from '../whole/line.ts';
import type { Caption } from '../../model/caption.ts';
import type { Piece } from '../../model/pieces.ts';
import { certain, type Pair } from './pair.ts';
import { pairBySigns } from './pair-by-signs.ts';
import { pairByWords } from './pair-by-words.ts';

/** Tracks that have this share of their words in common are of one language. */
const sameLanguage = 0.25;

export interface Paired {
  /** In order of both tracks. */
  readonly pairs: readonly Pair[];
  /** What they were paired by. */
  readonly by: 'words' | 'signs';
}

/**
 * Captions of two tracks paired, by their words where they have them in common, by what survives translation where not.
 * Captions without a pair are missing on the other side, or cannot be told.
 */
export function pairCaptions(moved: readonly Caption[], giving: readonly Caption[]): Paired {
  const words = [wordsOf(moved), wordsOf(giving)] as const;
  const [{ words: here }, { words: there }] = words;
  // Two languages are told by the words alone: aligning those of long tracks takes longer than all the rest.
  if (mostInCommon(here, there) < sameLanguage * here.length) return { pairs: pairBySigns(moved, giving), by: 'signs' };
  const { pairs, share } = pairByWords(moved, giving, words);
  return share >= sameLanguage
    ? { pairs: doubted(moved, giving, pairs), by: 'words' }
    : { pairs: pairBySigns(moved, giving), by: 'signs' };
}

/** Pairs stand as far off as one another within this, in ms, and within this share of the time between them. */
const [alike, drift] = [500, 0.05];
/** So many on either side are asked, and so many of them have to stand as far off. */
const [asked, needed] = [3, 2];

/** Pairs that stand as far off as hardly any around them are less certain: a phrase that is said twice, say. */
function doubted(moved: readonly Caption[], giving: readonly Caption[], pairs: readonly Pair[]): readonly Pair[] {
  const places = pairs.map((pair) => ({ here: moved[pair.moved[0]], there: giving[pair.giving[0]] }));
  return pairs.map((pair, i) => {
    const { here, there } = places[i] ?? {};
    if (here?.timing !== 'set' || there?.timing !== 'set') return pair;
    const others = [...places.slice(Math.max(0, i - asked), i), ...places.slice(i + 1, i + 1 + asked)];
    const supporting = others.filter((o) => {
      if (!o.here || !o.there) return false;
      const change = o.there.start - o.here.start - (there.start - here.start);
      return Math.abs(change) <= alike + drift * Math.abs(o.here.start - here.start);
    });
    const isAlone = others.length > needed && supporting.length < needed;
    return isAlone ? { ...pair, certainty: pair.certainty / 2 } : pair;
  });
}

/** That a caption of the one track begins where one of the other does. */
export interface BorrowedTie {
  /** Id of the caption that moves, and of the one whose place it takes. */
  readonly moved: string;
  readonly giving: string;
  /** When they begin, in ms. */
  readonly at: number;
  readonly to: number;
  /** 0 to 1; 1 where somebody set it. */
  readonly certainty: number;
  readonly byHand: boolean;
}

/** The ties that pairs propose. */
export const tiesOf = (
  moved: readonly Caption[],
  giving: readonly Caption[],
  pairs: readonly Pair[],
): readonly BorrowedTie[] =>
  pairs.flatMap((pair) => {
    const [here, there] = [moved[pair.moved[0]], giving[pair.giving[0]]];
    if (!here || !there) return [];
    const { certainty } = pair;
    return [{ moved: here.id, giving: there.id, at: here.start, to: there.start, certainty, byHand: false }];
  });

/** Whether two ties can be applied together: in order, and no less than a second apart. */
const goTogether = (a: BorrowedTie, b: BorrowedTie): boolean =>
  (b.at - a.at >= leastApart && b.to - a.to >= leastApart) || (a.at - b.at >= leastApart && a.to - b.to >= leastApart);

/**
 * Of ties those that can be applied together, in order: what was set by hand before what was found, and of what was
 * found the certain ones first. Ties by hand are all kept, so that what is wrong with them can be said.
 */
export function tiesThatGoTogether(ties: readonly BorrowedTie[]): readonly BorrowedTie[] {
  const kept = ties.filter((t) => t.byHand).sort((a, b) => a.at - b.at);
  const found = ties.filter((t) => !t.byHand).sort((a, b) => b.certainty - a.certainty);
  for (const tie of found) {
    const i = kept.findIndex((k) => k.at > tie.at);
    const [before, after] = i < 0 ? [kept.at(-1), undefined] : [kept[i - 1], kept[i]];
    if ((before && !goTogether(before, tie)) || (after && !goTogether(tie, after))) continue;
    kept.splice(i < 0 ? kept.length : i, 0, tie);
  }
  return kept;
}

/** Ties as the pieces along which times are moved: from where each is, to where it belongs, in ms. */
export const piecesOf = (ties: readonly BorrowedTie[]): readonly Piece[] => ties.map(({ at, to }) => [at, to]);

/** Fewer captions than this share of the shorter track with a certain tie say that the two are not the same thing. */
const leastTied = 0.3;
/** More ties than this share, further off than this in ms, do not agree. */
const [mostOff, farOff] = [0.25, 1000];

/** Why the certain ties of two tracks are not to be trusted unseen, as a sentence; null where they are. */
export function disagreement(ties: readonly BorrowedTie[], captions: number): string | null {
  const sure = ties.filter((t) => t.certainty >= certain);
  if (sure.length < Math.max(1, leastTied * captions))
    return `The two do not say the same: ${String(sure.length)} of ${String(captions)} captions find each other.`;
  const far = offFromOthers(piecesOf(tiesThatGoTogether(sure))).filter((ms) => Math.abs(ms) > farOff).length;
  if (far > mostOff * sure.length)
    return `The ties do not agree: ${String(far)} of ${String(sure.length)} are more than a second from those around them.`;
  return null;
}
