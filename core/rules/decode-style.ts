/** House styles from files: JSON of the shape `HouseStyle`, every fault named. */
import { plainStyle } from './shipped.ts';
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

const text: Expected = { is: (v) => typeof v === 'string' && v.trim() !== '' && v.length <= 120, what: 'a short text' };
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

/** A limit by its path, with what it may be. */
const limit = (path: string, is: Expected): Readonly<Record<string, Expected>> => ({
  [`${path}.limit`]: is,
  [`${path}.severity`]: severity,
});

/** Every field of a style by its path. */
const fields: Readonly<Record<string, Expected>> = {
  schema: oneOf(2),
  id: { is: (v) => typeof v === 'string' && /^[a-z0-9][a-z0-9-]{0,59}$/.test(v), what: 'letters, digits and dashes' },
  name: text,
  version: number(1, 1_000_000),
  'counting.spaces': flag,
  'counting.punctuation': flag,
  'counting.wideDouble': flag,
  ...limit('text.lineLength', number(1, 1000)),
  ...limit('text.lines', number(1, 20)),
  ...limit('text.wordsInLine', number(1, 1000)),
  ...limit('text.oneLineUpTo', number(0, 1000)),
  ...limit('text.ownLineAbove', number(0, 1000)),
  'text.shape.form': oneOf('shorter first', 'even', 'fill'),
  'text.shape.severity': severity,
  'text.breaks.severity': severity,
  'text.characters.set': oneOf('any', 'cea-608'),
  'text.characters.severity': severity,
  'text.tidy.severity': severity,
  'text.speakerLabels.form': oneOf('any', 'NAME:', 'Name:', '[Name]'),
  'text.speakerLabels.severity': severity,
  'text.soundNotes.form': oneOf(
    'any',
    '[lower case]',
    '[Sentence case]',
    '[UPPER CASE]',
    '(lower case)',
    '(UPPER CASE)',
  ),
  'text.soundNotes.severity': severity,
  'text.hesitations.are': oneOf('kept', 'removed'),
  'text.hesitations.severity': severity,
  'text.numerals.from': number(0, 1_000_000),
  'text.numerals.severity': severity,
  ...limit('reading.speed', number(1, 1000)),
  'reading.speed.target': number(1, 1000),
  ...limit('reading.words', number(1, 10_000)),
  'reading.words.target': number(1, 10_000),
  ...limit('time.shortest', hour),
  ...limit('time.longest', hour),
  ...limit('time.gap', hour),
  'time.gap.unit': oneOf('ms', 'frames'),
  ...limit('time.closeBelow', hour),
  'time.overlap.severity': severity,
  'time.provisional.severity': severity,
  'time.usual': hour,
  'time.sync.early': hour,
  'time.sync.late': hour,
  'time.sync.severity': severity,
  'state.proofed.severity': severity,
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

/** Limits that cannot be kept together. */
function contradictions(style: HouseStyle): string[] {
  const { time, reading, text: lines } = style;
  return [
    ...(time.shortest.limit > time.longest.limit ? ['time.shortest.limit: longer than time.longest.limit.'] : []),
    ...(reading.speed.target > reading.speed.limit ? ['reading.speed.target: above reading.speed.limit.'] : []),
    ...(reading.words.target > reading.words.limit ? ['reading.words.target: above reading.words.limit.'] : []),
    ...(lines.oneLineUpTo.limit > lines.lineLength.limit
      ? ['text.oneLineUpTo.limit: more than text.lineLength.limit.']
      : []),
  ];
}

/** A house style from JSON, or all its faults. */
export function decodeStyle(value: unknown): DecodedStyle {
  const schema = at(value, 'schema');
  if (typeof schema === 'number' && schema > 2)
    return { style: null, faults: [`schema: ${String(schema)} is of a later Fenwix; this one reads up to 2.`] };
  const current = schema === 1 ? broughtUp(value as Json) : value;
  const wrong = Object.entries(fields).flatMap(([path, expected]) => {
    const found = at(current, path);
    if (expected.is(found)) return [];
    return [`${path}: ${found === undefined ? 'missing; ' : ''}expected ${expected.what}.`];
  });
  const unknown = [...paths(current)]
    .filter((path) => !Object.hasOwn(fields, path))
    .map((path) => `${path}: not a part of a house style.`);
  const faults = [...wrong, ...unknown];
  if (faults.length > 0) return { style: null, faults };
  const style = current as HouseStyle;
  const impossible = contradictions(style);
  return impossible.length > 0 ? { style: null, faults: impossible } : { style, faults: null };
}

/** A style of schema 1 with what schema 2 added: off, or as the plain style has it. */
function broughtUp(old: Json): Json {
  const part = (name: string): Json => {
    const found = old[name];
    return typeof found === 'object' && found !== null ? (found as Json) : {};
  };
  const oneLine = part('text')['oneLineUpTo'];
  return {
    ...old,
    schema: 2,
    text: {
      ...plainStyle.text,
      ...part('text'),
      ...(typeof oneLine === 'number' ? { oneLineUpTo: { limit: oneLine, severity: 'off' } } : {}),
    },
    reading: { ...plainStyle.reading, ...part('reading') },
    time: { ...plainStyle.time, ...part('time') },
    state: plainStyle.state,
  };
}

/** A style a job has kept, brought up to what this Fenwix knows; the plain one where it cannot be read. */
export const keptStyle = (value: unknown): HouseStyle => decodeStyle(value).style ?? plainStyle;
