/** Command-line arguments, taken apart against what a command knows. */

export interface ParsedArguments {
  /** What stands by itself, in order. */
  readonly files: readonly string[];
  /** Options with a value, by name without dashes. */
  readonly values: Readonly<Record<string, string>>;
  /** Options without a value that were given. */
  readonly flags: ReadonlySet<string>;
}

/** Something that could not be done, as a sentence; the program ends with 2. */
export class CannotDo extends Error {
  override readonly name = 'CannotDo';
}

/** @throws {CannotDo} naming an option that is not known or lacks its value */
export function takeApart(
  words: readonly string[],
  known: { readonly values: readonly string[]; readonly flags: readonly string[] },
): ParsedArguments {
  const files: string[] = [];
  const values: Record<string, string> = {};
  const flags = new Set<string>();
  for (let i = 0; i < words.length; i++) {
    const word = words[i] ?? '';
    if (!word.startsWith('--')) {
      files.push(word);
      continue;
    }
    const name = word.slice(2);
    if (known.flags.includes(name)) flags.add(name);
    else if (known.values.includes(name)) {
      const value = words[++i];
      if (value === undefined) throw new CannotDo(`--${name} needs a value after it.`);
      values[name] = value;
    } else throw new CannotDo(`--${name} is not known here. “fenwix help” lists what is.`);
  }
  return { files, values, flags };
}
