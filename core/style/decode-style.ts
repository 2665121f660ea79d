/** House styles from files: JSON of the shape `HouseStyle`, every fault named. */
import type { JsonObject } from '../text/json.ts';
import { plainStyle } from './shipped.ts';
import { contradictions, expectedValues, valueAt, type Expected } from './style-fields.ts';
import type { HouseStyle } from './style.ts';

/** Either a style, or what is wrong, a sentence each. */
export type DecodedStyle =
  { readonly style: HouseStyle; readonly faults: null } | { readonly style: null; readonly faults: readonly string[] };

const text: Expected = { is: (v) => typeof v === 'string' && v.trim() !== '' && v.length <= 120, what: 'a short text' };

/** The newest schema there is. */
const latest = 3;

/** Every value of a style by its path. */
const expected: Readonly<Record<string, Expected>> = {
  schema: { is: (v) => v === latest, what: `one of ${String(latest)}` },
  id: { is: (v) => typeof v === 'string' && /^[a-z0-9][a-z0-9-]{0,59}$/.test(v), what: 'letters, digits and dashes' },
  name: text,
  version: { is: (v) => typeof v === 'number' && v >= 1 && v <= 1_000_000, what: 'a number from 1 to 1000000' },
  ...expectedValues,
};

/** How deep the parts of a style lie; what lies deeper is not looked into. */
const deepest = 4;

/** Paths of every plain value inside a JSON value. */
function* paths(value: unknown, before = '', depth = 0): Generator<string> {
  if (typeof value !== 'object' || value === null || depth === deepest) yield before;
  else
    for (const [key, inner] of Object.entries(value))
      yield* paths(inner, before === '' ? key : `${before}.${key}`, depth + 1);
}

/** A house style from JSON, or all its faults. */
export function decodeStyle(value: unknown): DecodedStyle {
  const schema = valueAt(value, 'schema');
  if (typeof schema === 'number' && schema > latest)
    return {
      style: null,
      faults: [`schema: ${String(schema)} is of a later Fenwix; this one reads up to ${String(latest)}.`],
    };
  const second = schema === 1 ? toSchema2(value as JsonObject) : value;
  const current = schema === 1 || schema === 2 ? toSchema3(second as JsonObject) : value;
  const wrong = Object.entries(expected).flatMap(([path, { is, what }]) => {
    const found = valueAt(current, path);
    if (is(found)) return [];
    return [`${path}: ${found === undefined ? 'missing; ' : ''}expected ${what}.`];
  });
  const unknown = [...paths(current)]
    .filter((path) => !Object.hasOwn(expected, path))
    .map((path) => `${path}: not a part of a house style.`);
  const faults = [...wrong, ...unknown];
  if (faults.length > 0) return { style: null, faults };
  const style = current as HouseStyle;
  const impossible = contradictions(style).map(({ path, how, against }) => `${path}: ${how} ${against}.`);
  return impossible.length > 0 ? { style: null, faults: impossible } : { style, faults: null };
}

const objectIn = (style: JsonObject, name: string): JsonObject => {
  const found = style[name];
  return typeof found === 'object' && found !== null ? (found as JsonObject) : {};
};

/** A style of schema 1 with what schema 2 added: off, or as the plain style has it. */
function toSchema2(old: JsonObject): JsonObject {
  const oneLine = objectIn(old, 'text')['oneLineUpTo'];
  return {
    ...old,
    schema: 2,
    text: {
      ...plainStyle.text,
      ...objectIn(old, 'text'),
      ...(typeof oneLine === 'number' ? { oneLineUpTo: { limit: oneLine, severity: 'off' } } : {}),
    },
    reading: { ...plainStyle.reading, ...objectIn(old, 'reading') },
    time: { ...plainStyle.time, ...objectIn(old, 'time') },
    state: plainStyle.state,
  };
}

/** A style of schema 2 with what schema 3 added: nothing is held against the sound that was not before. */
function toSchema3(old: JsonObject): JsonObject {
  const { lead, linger } = plainStyle.time;
  const sound = Object.entries(plainStyle.sound).map(([key, limit]) => [key, { ...limit, severity: 'off' }]);
  return {
    ...old,
    schema: latest,
    time: { lead, linger, ...objectIn(old, 'time') },
    sound: Object.fromEntries(sound) as JsonObject,
  };
}

/** A style a job has kept, brought up to what this Fenwix knows; the plain one where it cannot be read. */
export const keptStyle = (value: unknown): HouseStyle => decodeStyle(value).style ?? plainStyle;

/** Whether two styles ask for the same, whatever they are called. */
export function asksTheSame(a: HouseStyle, b: HouseStyle): boolean {
  return Object.keys(expectedValues).every((path) => valueAt(a, path) === valueAt(b, path));
}

/** A style as a file: JSON. */
export const styleFile = (style: HouseStyle): string => `${JSON.stringify(style, null, 2)}\n`;
