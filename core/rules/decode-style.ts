/** House styles from files: JSON of the shape `HouseStyle`, every fault named. */
import type { HouseStyle } from './style.ts';

type Json = Readonly<Record<string, unknown>>;

/** Either a style, or what is wrong, a sentence each. */
export type DecodedStyle =
  { readonly style: HouseStyle; readonly faults: null } | { readonly style: null; readonly faults: readonly string[] };

/** What a field has to be: whether it is, and how that is said. */
interface Expected {
  readonly is: (value: unknown) => boolean;
  readonly what: string;
}

const text: Expected = { is: (v) => typeof v === 'string' && v.trim() !== '', what: 'text' };
const flag: Expected = { is: (v) => typeof v === 'boolean', what: 'true or false' };
const oneOf = (...allowed: readonly unknown[]): Expected => ({
  is: (v) => allowed.includes(v),
  what: `one of ${allowed.join(', ')}`,
});
const number = (least: number, most: number): Expected => ({
  is: (v) => typeof v === 'number' && v >= least && v <= most,
  what: `a number from ${String(least)} to ${String(most)}`,
});
const severity = oneOf('must', 'should', 'off');
const hour = number(0, 3_600_000);

/** Every field of a style by its path. */
const fields: Readonly<Record<string, Expected>> = {
  schema: oneOf(1),
  id: text,
  name: text,
  version: number(1, 1_000_000),
  'counting.spaces': flag,
  'counting.punctuation': flag,
  'counting.wideDouble': flag,
  'text.lineLength.limit': number(1, 1000),
  'text.lineLength.severity': severity,
  'text.lines.limit': number(1, 20),
  'text.lines.severity': severity,
  'text.oneLineUpTo': number(0, 1000),
  'reading.speed.limit': number(1, 1000),
  'reading.speed.target': number(1, 1000),
  'reading.speed.severity': severity,
  'time.shortest.limit': hour,
  'time.shortest.severity': severity,
  'time.longest.limit': hour,
  'time.longest.severity': severity,
  'time.gap.limit': hour,
  'time.gap.unit': oneOf('ms', 'frames'),
  'time.gap.severity': severity,
  'time.overlap.severity': severity,
};

const at = (value: unknown, path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>((v, key) => (typeof v === 'object' && v !== null ? (v as Json)[key] : undefined), value);

/** Paths of every plain value inside a JSON value. */
function* paths(value: unknown, before = ''): Generator<string> {
  if (typeof value !== 'object' || value === null) yield before;
  else for (const [key, inner] of Object.entries(value)) yield* paths(inner, before === '' ? key : `${before}.${key}`);
}

/** A house style from JSON, or all its faults. */
export function decodeStyle(value: unknown): DecodedStyle {
  const wrong = Object.entries(fields).flatMap(([path, expected]) => {
    const found = at(value, path);
    if (expected.is(found)) return [];
    return [`${path}: ${found === undefined ? 'missing; ' : ''}expected ${expected.what}.`];
  });
  const unknown = [...paths(value)]
    .filter((path) => !Object.hasOwn(fields, path))
    .map((path) => `${path}: not a part of a house style.`);
  const faults = [...wrong, ...unknown];
  return faults.length > 0 ? { style: null, faults } : { style: value as HouseStyle, faults: null };
}
