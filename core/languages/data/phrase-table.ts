/** What a language tells about which words belong together: tables of small words, one file per language. */

export interface PhraseTable {
  /** Articles, determiners, possessives: they belong to the noun after them. */
  readonly determiners: ReadonlySet<string>;
  readonly prepositions: ReadonlySet<string>;
  /** Forms of “to be”, “to have”, “to do”, and the modals. */
  readonly auxiliaries: ReadonlySet<string>;
  readonly negations: ReadonlySet<string>;
  /** They introduce what follows: a break goes before them. */
  readonly conjunctions: ReadonlySet<string>;
  /** Pronouns that are always subjects. */
  readonly subjects: ReadonlySet<string>;
  /** Words that strengthen the one after them. */
  readonly intensifiers: ReadonlySet<string>;
  readonly adjectives: ReadonlySet<string>;
  /** Endings by which adjectives are known. */
  readonly adjectiveEndings: RegExp;
  readonly titles: ReadonlySet<string>;
  readonly units: ReadonlySet<string>;
  readonly numbers: ReadonlySet<string>;
  /** Pronouns that are objects too, and words that ask: no number belongs to them. */
  readonly pronouns: ReadonlySet<string>;
  /** Determiners that are counted, as in “two other boats”. */
  readonly counted: ReadonlySet<string>;
}

const setOf = (words: string): ReadonlySet<string> => new Set(words.split(/\s+/));

/** A language without a table of its own: only punctuation, numbers and names tell anything. */
export const noPhrases: PhraseTable = {
  determiners: new Set(),
  prepositions: new Set(),
  auxiliaries: new Set(),
  negations: new Set(),
  conjunctions: new Set(),
  subjects: new Set(),
  intensifiers: new Set(),
  adjectives: new Set(),
  adjectiveEndings: /(?!)/,
  titles: new Set(),
  units: new Set(),
  numbers: new Set(),
  pronouns: new Set(),
  counted: new Set(),
};

export { setOf };
