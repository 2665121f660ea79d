/**
 * How words are said, in the phones of an acoustic model: by a list of one's own, by the model's dictionary, by parts
 * of the word that it has, and else by the letters.
 */
import type { Dictionary } from './dictionary.ts';
import { phonesOfLetters, type LetterRules } from './letters.ts';

/** A word of a job's own, with its pronunciation where one was given; a pronunciation is written as another word is. */
export interface OwnWord {
  readonly word: string;
  readonly pronunciation?: string;
}

/** What is known of the sounds of one acoustic model. */
export interface Sounds {
  readonly dictionary: Dictionary;
  readonly rules: LetterRules;
  /** A short word that French writes onto the next: c', d', qu'. */
  readonly elides: boolean;
  /** Phones of an ending that stands after an apostrophe: the 's of English. */
  readonly possessive: ((phones: string) => string) | null;
  /** Letters of another language as the ones the rules know, where it was measured to help. */
  readonly spelling: ((word: string) => string) | null;
}

export interface Pronouncer {
  /** Ways of saying a word, each phones parted by spaces; none where its letters have no sound here. */
  readonly waysOf: (word: string) => readonly string[];
}

/** No more ways than this of one word. */
const mostWays = 4;
const elided = /^(c|d|j|l|m|n|s|t|qu|jusqu|lorsqu|puisqu|quoiqu)'(?=\p{L})/u;
/** Phones of what is written with an apostrophe; the vowel is gone. */
const consonants: Readonly<Record<string, string>> = {
  c: 'ss',
  d: 'dd',
  j: 'jj',
  l: 'll',
  m: 'mm',
  n: 'nn',
  s: 'ss',
  t: 'tt',
  qu: 'kk',
  jusqu: 'jj uu ss kk',
  lorsqu: 'll au rr ss kk',
  puisqu: 'pp uy ii ss kk',
  quoiqu: 'kk ww aa kk',
};

/** English 's as it is said after a sound. @see any phonology of English, from memory */
export function englishPossessive(phones: string): string {
  const last = phones.slice(phones.lastIndexOf(' ') + 1);
  if (/^(?:S|Z|SH|ZH|CH|JH)$/.test(last)) return 'IH Z';
  return /^(?:P|T|K|F|TH)$/.test(last) ? 'S' : 'Z';
}

const plain = (word: string): string => word.normalize('NFD').replace(/\p{M}/gu, '').normalize('NFC');

/**
 * Says how words are pronounced in a language.
 * @param own words whose pronunciation was told
 */
export function pronouncer(sounds: Sounds, own: readonly OwnWord[] = []): Pronouncer {
  const { dictionary } = sounds;
  const mine = new Map(
    own.filter((w) => w.pronunciation !== undefined).map((w) => [w.word.toLowerCase(), w.pronunciation ?? '']),
  );
  const remembered = new Map<string, readonly string[]>();
  /** One after the other, each way of the first with each of the second. */
  const together = (a: readonly string[], b: readonly string[]): readonly string[] =>
    a.flatMap((x) => b.map((y) => `${x} ${y}`.trim())).slice(0, mostWays);

  function ways(word: string): readonly string[] {
    const given = mine.get(word);
    if (given !== undefined) return given.split(/\s+/).map(waysOf).reduce(together, ['']);
    const known = dictionary.get(word) ?? (sounds.elides ? undefined : dictionary.get(plain(word)));
    if (known) return known.slice(0, mostWays);
    if (sounds.elides) {
      const head = elided.exec(word);
      if (head) return together([consonants[head[1] ?? ''] ?? ''], waysOf(word.slice(head[0].length)));
    }
    if (sounds.possessive && /\p{L}'s$/u.test(word)) {
      const { possessive } = sounds;
      return waysOf(word.slice(0, -2)).map((w) => `${w} ${possessive(w)}`);
    }
    if (word.endsWith("'")) return waysOf(word.slice(0, -1));
    const parts = word.split(/[-'·]/).filter(Boolean);
    if (parts.length > 1) return parts.map(waysOf).reduce(together, ['']);
    const phones = phonesOfLetters(sounds.spelling?.(word) ?? (sounds.elides ? word : plain(word)), sounds.rules);
    return phones === '' ? [] : [phones];
  }
  function waysOf(word: string): readonly string[] {
    const before = remembered.get(word);
    if (before) return before;
    // Against a word that is made of itself.
    remembered.set(word, []);
    const found = ways(word).filter(Boolean);
    remembered.set(word, found);
    return found;
  }
  return { waysOf };
}
