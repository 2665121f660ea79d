/** What a language needs so that text can be said as words. */

/** One way of saying something, as words. */
export type Reading = readonly string[];

export interface SpokenLanguage {
  /** A whole number in words, as people count. @param digits only digits */
  readonly cardinal: (digits: string) => string;
  readonly ordinal: (digits: string) => string;
  /** Ways of saying a year between 1100 and 2099; none where years are said as any number is. */
  readonly years: (digits: string) => readonly string[];
  /** Names of letters, as the dictionary of the engine has them. */
  readonly letter: (letter: string) => string;
  /** Endings that make a number an ordinal: `3rd`, `2e`. */
  readonly ordinalEnding: RegExp;
  /** Between the whole and the rest of a number. */
  readonly point: string;
  /** How the sign between whole and rest is written. */
  readonly decimal: '.' | ',';
  readonly minus: string;
  /** Between the two numbers of a range. */
  readonly to: string;
  readonly signs: Readonly<Record<string, string>>;
  /** A currency: one and many. */
  readonly money: Readonly<Record<string, readonly [one: string, many: string]>>;
  /** After a number: one and many. */
  readonly units: Readonly<Record<string, readonly [one: string, many: string]>>;
  /** Written short, said long. Without full stops, in lower case. */
  readonly abbreviations: Readonly<Record<string, readonly string[]>>;
  /** Ways of saying a time of day. @param hour as written @param minute two digits */
  readonly time: (hour: string, minute: string) => readonly string[];
  /** Signs inside addresses: `@`, `.`, `/`, `-`, `_`, `:`. */
  readonly address: Readonly<Record<string, string>>;
}
