/** Words that sound like a word: what the recogniser may have misheard. */
import { lookUp } from './dictionary-text.ts';
import { phonesOf, soundDistance } from './pronunciation.ts';

/** A word of the lexicon with one way to say it. */
export interface Entry {
  readonly word: string;
  readonly phones: Uint8Array;
  /** How rare it is: 0 for the commonest words, 1 for the rarest that are listed. */
  readonly rarity: number;
}

export interface Lexicon {
  /** Every word that is common enough to be proposed, a time for each way it is said; made when first asked for. */
  readonly entries: () => readonly Entry[];
  /** How any word is said, in lower case. */
  readonly pronounce: (word: string) => readonly Uint8Array[];
}

/** How any word is said, in every way that is listed for it. */
function waysOf(text: string, word: string): readonly Uint8Array[] {
  const ways: Uint8Array[] = [];
  for (let n = 1; n <= 4; n++) {
    const said = lookUp(text, n === 1 ? word : `${word}(${String(n)})`);
    if (said === undefined) break;
    ways.push(phonesOf(said));
  }
  return ways;
}

function entriesOf(text: string, bands: readonly (readonly string[])[]): readonly Entry[] {
  const listed = new Set<string>();
  const entries: Entry[] = [];
  bands.forEach((band, b) => {
    const rarity = bands.length > 1 ? b / (bands.length - 1) : 0;
    for (const raw of band) {
      const word = raw.toLowerCase();
      if (listed.has(word)) continue;
      listed.add(word);
      for (const phones of waysOf(text, word)) entries.push({ word, phones, rarity });
    }
  });
  return entries;
}

/**
 * A lexicon of a pronouncing dictionary and lists of words by how common they are.
 * @param text pronunciations in ARPAbet by word, as of `dictionaryText`; further ways to say it stand under `word(2)` and so on
 * @param bands lists of words, the commonest first; words in none are pronounced and never proposed
 */
export function lexiconOf(text: string, bands: readonly (readonly string[])[]): Lexicon {
  let entries: readonly Entry[] | undefined;
  return {
    entries: () => (entries ??= entriesOf(text, bands)),
    pronounce: (word) => waysOf(text, word.toLowerCase().replace(/’/g, "'")),
  };
}

/** How much rarity counts against a word: the rarest is held as far off as one unlike phone. */
const rarityWeight = 0.7;
/** How much counts for a word that it is said elsewhere in the recording, or sounds just the same. */
const likelyBonus = 0.6;
/** Words further off than this for each phone do not sound alike. */
const mostEach = 0.25;

/**
 * The words that sound most like one or a few, those that sound the same first, common ones before rare
 * ones.
 * @param heard as the recogniser wrote it
 * @param likely words, in lower case, that are known to be said in this recording; they come up sooner
 * @param most how many at most
 * @returns nothing where it is not known how the word is said
 */
export function soundAlikes(
  heard: string,
  lexicon: Lexicon,
  likely: ReadonlySet<string> = new Set(),
  most = 8,
): string[] {
  const words = heard.toLowerCase().split(/\s+/).filter(Boolean);
  const said = waysTogether(words.map((w) => lexicon.pronounce(w.replace(/[^\p{L}\p{N}'’.]/gu, ''))));
  if (said.length === 0) return [];
  const scores = new Map<string, number>();
  let worst = Infinity;
  for (const { word, phones, rarity } of lexicon.entries()) {
    if (words.length === 1 && word === words[0]) continue;
    const handicap = likely.has(word) ? -likelyBonus : rarity * rarityWeight;
    for (const way of said) {
      const limit = Math.min(worst - handicap, Math.max(0.6, way.length * mostEach));
      const isSame = sameSound(way, phones);
      if (limit < 0 && !isSame) continue;
      const score = handicap + (isSame ? -likelyBonus : soundDistance(way, phones, limit));
      if (score >= (scores.get(word) ?? Infinity)) continue;
      scores.set(word, score);
      if (scores.size > most * 4) worst = prune(scores, most);
    }
  }
  return [...scores]
    .sort(([a, x], [b, y]) => x - y || a.length - b.length || (a < b ? -1 : 1))
    .slice(0, most)
    .map(([word]) => word);
}

const sameSound = (a: Uint8Array, b: Uint8Array): boolean => a.length === b.length && a.every((p, i) => p === b[i]);

/** Keeps the best few, and gives the score of the worst of them. */
function prune(scores: Map<string, number>, most: number): number {
  const best = [...scores].sort((a, b) => a[1] - b[1]).slice(0, most);
  scores.clear();
  for (const [word, score] of best) scores.set(word, score);
  return best.at(-1)?.[1] ?? Infinity;
}

/** Every way to say several words one after the other, the first few of them. */
function waysTogether(each: readonly (readonly Uint8Array[])[]): Uint8Array[] {
  let ways: Uint8Array[] = [new Uint8Array()];
  for (const next of each)
    ways = ways.flatMap((before) => next.map((after) => Uint8Array.from([...before, ...after]))).slice(0, 8);
  return each.length === 0 ? [] : ways;
}
