/** Looking things up in tables by names that come from outside. */

/**
 * What a table has under a name; undefined where it has nothing there itself. Every object answers to `constructor`,
 * `toString` and `__proto__`, which a word, a language or a key of a file may well be.
 */
export const own = <T>(table: Readonly<Record<string, T>>, name: string): T | undefined =>
  Object.hasOwn(table, name) ? table[name] : undefined;
