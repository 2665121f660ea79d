/** Command-line arguments, taken apart against what a command knows. */
import { parseArgs } from 'node:util';

export interface ParsedArguments {
  /** What stands by itself, in order. */
  readonly files: readonly string[];
  /** Options with a value, by name without dashes. */
  readonly values: Readonly<Record<string, string>>;
  /** The same in the order they were written, where that matters or one may come again; some take two values. */
  readonly inOrder: readonly (readonly [name: string, value: string, second?: string])[];
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
  known: {
    readonly values: readonly string[];
    readonly flags: readonly string[];
    /** Of the values those that take two, one after the other. */
    readonly twos?: readonly string[];
  },
): ParsedArguments {
  const { tokens } = parseArgs({
    args: [...words],
    options: {
      ...Object.fromEntries(known.values.map((name) => [name, { type: 'string' as const }])),
      ...Object.fromEntries(known.flags.map((name) => [name, { type: 'boolean' as const }])),
    },
    // Strict, it would take `--shift -500` for a mistake; what is not known is found below.
    strict: false,
    allowPositionals: true,
    tokens: true,
  });
  const files: string[] = [];
  const values: Record<string, string> = {};
  const inOrder: [string, string, string?][] = [];
  const flags = new Set<string>();
  for (const [i, token] of tokens.entries()) {
    const before = tokens[i - 1];
    const first = inOrder.at(-1);
    if (token.kind === 'positional') {
      // The second value of the option before it.
      if (before?.kind === 'option' && known.twos?.includes(before.name) && first) first[2] = token.value;
      else files.push(token.value);
    }
    if (token.kind !== 'option') continue;
    const { name, value } = token;
    if (known.values.includes(name)) {
      const isTwo = known.twos?.includes(name) === true;
      if (value === undefined || (isTwo && tokens[i + 1]?.kind !== 'positional'))
        throw new CannotDo(`--${name} needs ${isTwo ? 'two values' : 'a value'} after it.`);
      values[name] = value;
      inOrder.push([name, value]);
    } else if (!known.flags.includes(name))
      throw new CannotDo(`${token.rawName} is not known here. “fenwix help” lists what is.`);
    else if (value !== undefined) throw new CannotDo(`--${name} stands by itself and takes no value.`);
    else flags.add(name);
  }
  return { files, values, inOrder, flags };
}
