/** Captions of one language paired by their words, however they are split on either side. */
import { alignTracks, type AlignedTracks } from '../../compare/align-tracks.ts';
import type { Caption } from '../../model/caption.ts';
import type { Pair } from './pair.ts';

/** Captions that share less of their words than this, of the shorter of the two, are not the same. */
const enough = 0.34;

/** How many words each caption has, and how many each two have in common. */
function sharedWords(moved: readonly Caption[], giving: readonly Caption[], words: AlignedTracks['words']) {
  const { same } = alignTracks(moved, giving, words);
  const [here, there] = words;
  const count = (source: readonly number[], many: number): Uint32Array => {
    const counts = new Uint32Array(many);
    for (const at of source) counts[at] = (counts[at] ?? 0) + 1;
    return counts;
  };
  const common = new Map<string, readonly [i: number, j: number, many: number, opens: boolean]>();
  for (const [x, y] of same) {
    const [i, j] = [here.source[x] ?? 0, there.source[y] ?? 0];
    const key = `${String(i)} ${String(j)}`;
    const before = common.get(key);
    const opens = here.opens[x] === true && there.opens[y] === true;
    common.set(key, [i, j, (before?.[2] ?? 0) + 1, (before?.[3] ?? false) || opens]);
  }
  return {
    here: count(here.source, moved.length),
    there: count(there.source, giving.length),
    common: [...common.values()],
    of: words[0].words.length === 0 ? 0 : same.length / words[0].words.length,
  };
}

/** Pairs by words, and the share of the moved track’s words that the other has too. */
export interface WordPairs {
  readonly pairs: readonly Pair[];
  readonly share: number;
}

/** @param moved the track that is to be moved @param giving the one that gives the times @param words of both */
export function pairByWords(
  moved: readonly Caption[],
  giving: readonly Caption[],
  words: AlignedTracks['words'],
): WordPairs {
  const { here, there, common, of } = sharedWords(moved, giving, words);
  const links = common.filter(([i, j, many]) => many / Math.max(1, Math.min(here[i] ?? 0, there[j] ?? 0)) >= enough);
  // Links come in order of both, so that those which share a caption stand next to each other.
  const groups: { moved: [number, number]; giving: [number, number]; many: number; opens: boolean }[] = [];
  for (const [i, j, many, opens] of links) {
    const last = groups.at(-1);
    if (last && (i < last.moved[1] || j < last.giving[1])) {
      last.moved[1] = Math.max(last.moved[1], i + 1);
      last.giving[1] = Math.max(last.giving[1], j + 1);
      last.many += many;
    } else groups.push({ moved: [i, i + 1], giving: [j, j + 1], many, opens });
  }
  const sum = (counts: Uint32Array, [from, to]: readonly [number, number]): number =>
    counts.subarray(from, to).reduce((a, b) => a + b, 0);
  return {
    share: of,
    pairs: groups.map((g) => {
      const words = sum(here, g.moved) + sum(there, g.giving);
      // What begins with other words belongs elsewhere by the time those take.
      const certainty = ((2 * g.many) / Math.max(1, words)) * (g.opens ? 1 : 0.6);
      return { moved: g.moved, giving: g.giving, certainty: Math.min(1, certainty) };
    }),
  };
}
