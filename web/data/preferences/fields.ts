/** How a preference is read back: an older or a later page, or a hand, may have written anything. */

/** @template T what it is */
export interface PreferenceField<T> {
  /** Until a person says otherwise. */
  readonly usual: T;
  /** What was written down, as far as it can be that; the usual one where it cannot. */
  readonly read: (written: unknown) => T;
}

const field = <T>(usual: T, fits: (written: unknown) => boolean): PreferenceField<T> => ({
  usual,
  read: (written) => (fits(written) ? (written as T) : usual),
});

export const flag = (usual: boolean): PreferenceField<boolean> =>
  field(usual, (written) => typeof written === 'boolean');

export const text = (usual: string): PreferenceField<string> => field(usual, (written) => typeof written === 'string');

/** The first is the usual one. */
export const oneOf = <const T extends string>(...choices: readonly [T, ...T[]]): PreferenceField<T> =>
  field(choices[0], (written) => choices.some((choice) => choice === written));

export const number = (
  usual: number,
  { from, to }: { readonly from: number; readonly to: number },
): PreferenceField<number> =>
  field(usual, (written) => typeof written === 'number' && written >= from && written <= to);

/** Null where nobody has chosen one. */
export const chosenNumber = (): PreferenceField<number | null> =>
  field<number | null>(null, (written) => written === null || Number.isFinite(written));

/** Several under one name, each read by itself. */
export function group<T extends Readonly<Record<string, unknown>>>(of: {
  readonly [K in keyof T]: PreferenceField<T[K]>;
}): PreferenceField<T> {
  const each = (value: <K extends keyof T>(name: K) => T[K]): T =>
    Object.fromEntries(Object.keys(of).map((name) => [name, value(name)])) as T;
  return {
    usual: each((name) => of[name].usual),
    read: (written) => {
      const found = isRecord(written) ? written : {};
      return each((name) => of[name].read(Object.hasOwn(found, name) ? found[name as string] : undefined));
    },
  };
}

/** @param most how many there are at most; those beyond are left out */
export const texts = (most: number): PreferenceField<readonly string[]> => ({
  usual: [],
  read: (written) =>
    Array.isArray(written) ? written.filter((text): text is string => typeof text === 'string').slice(0, most) : [],
});

/** Lists of texts by name. */
export const textLists = (): PreferenceField<Readonly<Record<string, readonly string[]>>> => ({
  usual: {},
  read: (written) =>
    Object.fromEntries(
      Object.entries(isRecord(written) ? written : {}).filter(
        (entry): entry is [string, string[]] =>
          Array.isArray(entry[1]) && entry[1].every((text) => typeof text === 'string'),
      ),
    ),
});

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
