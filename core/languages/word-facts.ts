/** What a word is by itself, as far as a table of small words can tell. */
import type { PhraseTable } from './data/phrase-table.ts';

/** The lists of a table; a word may stand in several. */
const lists = [
  'determiners',
  'prepositions',
  'auxiliaries',
  'negations',
  'conjunctions',
  'subjects',
  'intensifiers',
  'adjectives',
  'titles',
  'units',
  'numbers',
  'pronouns',
  'counted',
] as const satisfies readonly (keyof PhraseTable)[];
type List = (typeof lists)[number];

/** A bit for each list. */
export const kind = Object.fromEntries(lists.map((list, i) => [list, 1 << i])) as Readonly<Record<List, number>>;

export interface WordFacts {
  /** Without the punctuation around it, in lower case, with a plain apostrophe; empty where it is only signs. */
  readonly bare: string;
  /** The bits of the lists it is in. */
  readonly kinds: number;
  /** What the punctuation at its end closes. */
  readonly ends: 'sentence' | 'clause' | null;
  readonly isCapital: boolean;
  /** Written in digits. */
  readonly isFigure: boolean;
  /** An adjective, by the lists or by its ending. */
  readonly isAdjective: boolean;
  /** Whether a bracket, square or round, stands anywhere in it. */
  readonly hasBracket: boolean;
}

/** A language's table, with what is known of the words seen so far: a text has few words that are new. */
export interface Phrases {
  readonly table: PhraseTable;
  readonly kinds: ReadonlyMap<string, number>;
  readonly seen: Map<string, WordFacts>;
}

/** So many words are remembered at most. */
const mostSeen = 50_000;

/** A table of phrases, made ready to be asked. */
export function phrasesFrom(table: PhraseTable): Phrases {
  const kinds = new Map<string, number>();
  for (const list of lists) for (const word of table[list]) kinds.set(word, (kinds.get(word) ?? 0) | kind[list]);
  return { table, kinds, seen: new Map() };
}

const closers = `["'”’»)\\]]*`;
const sentenceEnd = new RegExp(`[.!?…。！？؟]${closers}$`, 'u');
const clauseEnd = new RegExp(`[,;:،、；：–—]${closers}$`, 'u');

/** A stretch of words without the punctuation around it; empty where it is only signs. */
export const withoutPunctuation = (text: string): string => /[\p{L}\p{N}](?:.*[\p{L}\p{N}])?/su.exec(text)?.[0] ?? '';

/** Whether a text ends with the end of a sentence. */
export const endsSentence = (text: string): boolean => sentenceEnd.test(text.trimEnd());

/** @param word as written, with its punctuation */
export function factsOf(word: string, { table, kinds, seen }: Phrases): WordFacts {
  const known = seen.get(word);
  if (known) return known;
  const plain = withoutPunctuation(word).replace(/’/g, "'").toLowerCase();
  const own = kinds.get(plain) ?? 0;
  const facts: WordFacts = {
    bare: plain,
    kinds: own,
    ends: sentenceEnd.test(word) ? 'sentence' : clauseEnd.test(word) ? 'clause' : null,
    isCapital: /^["'“‘([]*\p{Lu}[\p{Ll}'’.-]/u.test(word),
    isFigure: /^[£$€]?\d/.test(word),
    isAdjective: (own & (kind.adjectives | kind.intensifiers)) !== 0 || table.adjectiveEndings.test(plain),
    hasBracket: /[[\]()]/.test(word),
  };
  if (seen.size >= mostSeen) seen.clear();
  seen.set(word, facts);
  return facts;
}
