/** Every field of a house style: what it is called, what it may be. Reading, showing and editing styles all go by it. */
import type { JsonObject } from '../text/json.ts';
import { rateText, type FrameRate } from '../timing/clock/frames.ts';
import { smallestGap, type HouseStyle, type Severity } from './style.ts';

/** One value of a field, by its key within the field. */
export type FieldPart =
  | {
      readonly key: string;
      readonly kind: 'number';
      readonly least: number;
      readonly most: number;
      /** Shown after the figure. */
      readonly unit: string;
      /** Kept in thousandths of the unit that is shown: 1000 for seconds kept in ms. */
      readonly scale?: number;
      /** Shown before the figure, where a field has several. */
      readonly label?: string;
    }
  | { readonly key: string; readonly kind: 'choice'; readonly of: readonly string[] }
  | { readonly key: string; readonly kind: 'flag' };

export interface Field {
  /** Where it stands in the style, as `text.lineLength`. */
  readonly path: string;
  readonly group: 'Text' | 'Reading' | 'Time' | 'Sound' | 'State' | 'Counting';
  readonly title: string;
  readonly parts: readonly FieldPart[];
  readonly hasSeverity: boolean;
}

const severities: readonly Severity[] = ['must', 'should', 'off'];

type NumberPart = Extract<FieldPart, { kind: 'number' }>;
const number = (key: string, unit: string, least: number, most: number, more: Partial<NumberPart> = {}): FieldPart => ({
  key,
  kind: 'number',
  least,
  most,
  unit,
  ...more,
});
const choice = (key: string, ...of: string[]): FieldPart => ({ key, kind: 'choice', of });
const limit = (unit: string, least: number, most: number): readonly FieldPart[] => [number('limit', unit, least, most)];
const hour = 3_600_000;
const inSeconds = [number('limit', 's', 0, hour, { scale: 1000 })];
const speed = (unit: string, most: number): readonly FieldPart[] => [
  number('limit', unit, 1, most),
  number('target', unit, 1, most, { label: 'aim for' }),
];

const field = (
  group: Field['group'],
  path: string,
  title: string,
  parts: readonly FieldPart[] = [],
  hasSeverity = true,
): Field => ({ group, path, title, parts, hasSeverity });

/** In the order they are shown. */
export const fields: readonly Field[] = [
  field('Text', 'text.lineLength', 'Most characters in a line', limit('characters', 1, 1000)),
  field('Text', 'text.lines', 'Most lines', limit('lines', 1, 20)),
  field('Text', 'text.wordsInLine', 'Most words in a line', limit('words', 1, 1000)),
  field('Text', 'text.oneLineUpTo', 'One line up to', limit('characters', 0, 1000)),
  field('Text', 'text.ownLineAbove', 'Separate lines for sentences longer than', limit('characters', 0, 1000)),
  field('Text', 'text.shape', 'Shape of two lines', [choice('form', 'shorter first', 'even', 'fill')]),
  field('Text', 'text.breaks', 'Break lines at phrase ends'),
  field('Text', 'text.tidy', 'No stray spaces or punctuation'),
  field('Text', 'text.characters', 'Allowed characters', [choice('set', 'any', 'cea-608')]),
  field('Text', 'text.speakerLabels', 'Speaker labels', [choice('form', 'any', 'NAME:', 'Name:', '[Name]')]),
  field('Text', 'text.soundNotes', 'Sound notes', [
    choice('form', 'any', '[lower case]', '[Sentence case]', '[UPPER CASE]', '(lower case)', '(UPPER CASE)'),
  ]),
  field('Text', 'text.hesitations', 'Hesitations', [choice('are', 'kept', 'removed')]),
  field('Text', 'text.numerals', 'Numbers as digits from', [number('from', '', 0, 1_000_000)]),
  field('Reading', 'reading.speed', 'Reading speed', speed('cps', 1000)),
  field('Reading', 'reading.words', 'Words a minute', speed('wpm', 10_000)),
  field('Time', 'time.shortest', 'Shortest on screen', inSeconds),
  field('Time', 'time.longest', 'Longest on screen', inSeconds),
  field('Time', 'time.gap', 'Smallest gap', [...limit('', 0, hour), choice('unit', 'ms', 'frames')]),
  field('Time', 'time.closeBelow', 'Close gaps below', limit('ms', 0, hour)),
  field('Time', 'time.overlap', 'No overlaps'),
  field('Time', 'time.provisional', 'Every caption timed'),
  field('Time', 'time.sync', 'Start against the first word', [
    number('early', 'ms', 0, hour, { label: 'early by' }),
    number('late', 'ms', 0, hour, { label: 'late by' }),
  ]),
  field('Time', 'time.usual', 'A new caption is', [number('', 's', 0, hour, { scale: 1000 })], false),
  field('Time', 'time.lead', 'Put to speech, it begins earlier by', [number('', 'ms', 0, hour)], false),
  field('Time', 'time.linger', 'Put to speech, it ends later by', [number('', 'ms', 0, hour)], false),
  field('Sound', 'sound.uncovered', 'Speech with no caption, from', inSeconds),
  field('Sound', 'sound.unheard', 'Caption with less speech than', limit('%', 0, 100)),
  field('Sound', 'sound.undescribed', 'Other sound with no note, from', inSeconds),
  field('State', 'state.proofed', 'Every caption proofed'),
  field('Counting', 'counting.spaces', 'Spaces count', [{ key: '', kind: 'flag' }], false),
  field('Counting', 'counting.punctuation', 'Punctuation counts', [{ key: '', kind: 'flag' }], false),
  field('Counting', 'counting.wideDouble', 'Wide characters count double', [{ key: '', kind: 'flag' }], false),
];

export const styleFieldGroups = ['Text', 'Reading', 'Time', 'Sound', 'State', 'Counting'] as const;

const isObject = (value: unknown): value is JsonObject => typeof value === 'object' && value !== null;

/** The value at a path of a JSON value; undefined where there is none. */
export const valueAt = (value: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((v, key) => (isObject(v) ? v[key] : undefined), value);

const pathOf = (of: Field, key: string): string => (key === '' ? of.path : `${of.path}.${key}`);

/** What a field holds in a style. */
export const partOf = (style: HouseStyle, of: Field, { key }: Pick<FieldPart, 'key'>): unknown =>
  valueAt(style, pathOf(of, key));
/** How severe a style holds a breach of a field to be. */
export const severityIn = (style: HouseStyle, of: Field): Severity =>
  of.hasSeverity ? (valueAt(style, pathOf(of, 'severity')) as Severity) : 'off';

/** A style with one value changed. */
export function withValue(style: HouseStyle, of: Field, key: string, value: unknown): HouseStyle {
  const put = (at: unknown, [head, ...rest]: readonly string[]): unknown =>
    head === undefined
      ? value
      : { ...(isObject(at) ? at : {}), [head]: put(isObject(at) ? at[head] : undefined, rest) };
  return put(style, pathOf(of, key).split('.')) as HouseStyle;
}

/** What a value has to be: whether it is, and how that is said. */
export interface Expected {
  readonly is: (value: unknown) => boolean;
  readonly what: string;
}

const oneOf = (allowed: readonly unknown[]): Expected => ({
  is: (v) => allowed.includes(v),
  what: `one of ${allowed.join(', ')}`,
});

function expectedOf(part: FieldPart): Expected {
  if (part.kind === 'flag') return { is: (v) => typeof v === 'boolean', what: 'true or false' };
  if (part.kind === 'choice') return oneOf(part.of);
  const { least, most } = part;
  return {
    is: (v) => typeof v === 'number' && v >= least && v <= most,
    what: `a number from ${String(least)} to ${String(most)}`,
  };
}

/** Every value of the fields by its path, with what it has to be. */
export const expectedValues: Readonly<Record<string, Expected>> = Object.fromEntries(
  fields.flatMap((f) => [
    ...f.parts.map((part) => [pathOf(f, part.key), expectedOf(part)] as const),
    ...(f.hasSeverity ? [[pathOf(f, 'severity'), oneOf(severities)] as const] : []),
  ]),
);

/** How a field reads in a style, as `38 characters` or `2 frames`. */
export function fieldText(style: HouseStyle, of: Field): string {
  let unit = '';
  const texts = of.parts.map((part) => {
    const value = partOf(style, of, part);
    if (part.kind === 'flag') return value === true ? 'yes' : 'no';
    if (part.kind === 'choice') return String(value);
    const label = part.label === undefined ? '' : `${part.label} `;
    // A unit is said once.
    const said = part.unit === '' || part.unit === unit ? '' : ` ${part.unit}`;
    unit = part.unit;
    return `${label}${String(Number(value) / (part.scale ?? 1))}${said}`;
  });
  return of.path === 'time.gap' ? texts.join(' ') : texts.join(', ');
}

/** A value that is too large for another, by their paths. */
interface Contradiction {
  readonly path: string;
  readonly how: 'longer than' | 'above' | 'more than';
  readonly against: string;
}
const bounded: readonly Contradiction[] = [
  { path: 'time.shortest.limit', how: 'longer than', against: 'time.longest.limit' },
  { path: 'reading.speed.target', how: 'above', against: 'reading.speed.limit' },
  { path: 'reading.words.target', how: 'above', against: 'reading.words.limit' },
  { path: 'text.oneLineUpTo.limit', how: 'more than', against: 'text.lineLength.limit' },
];

/** What limits of a style cannot be kept together. */
export const contradictions = (style: HouseStyle): readonly Contradiction[] =>
  bounded.filter(({ path, against }) => Number(valueAt(style, path)) > Number(valueAt(style, against)));

/** What of a field cannot be kept together with another, as somebody who changes either of them is told; null where all can. */
export function clashOf(style: HouseStyle, of: Field): string | null {
  const isOf = (path: string): boolean => path === of.path || path.startsWith(`${of.path}.`);
  const found = contradictions(style).find(({ path, against }) => isOf(path) || isOf(against));
  if (!found) return null;
  const { path, how, against } = found;
  const said = (at: string): string => {
    const named = fields.find((f) => at.startsWith(`${f.path}.`));
    const part = named?.parts.find(({ key }) => at === pathOf(named, key));
    if (!named || part?.kind !== 'number') return at;
    const figure = `${String(Number(valueAt(style, at)) / (part.scale ?? 1))} ${part.unit}`;
    return part.label === undefined ? `“${named.title}” (${figure})` : `the ${figure} to ${part.label}`;
  };
  const [first = '', ...rest] = said(path);
  return `${first.toUpperCase()}${rest.join('')} cannot be ${how} ${said(against)}.`;
}

/** How long a number of frames is, as “80 ms at 25 fps”; null of a field that counts none. */
export function framesInTime(style: HouseStyle, of: Field, rate: FrameRate): string | null {
  const { limit, unit } = style.time.gap;
  if (of.path !== 'time.gap' || unit !== 'frames' || limit === 0) return null;
  return `${String(Math.round(smallestGap(style, rate)))} ms at ${rateText(rate)} fps`;
}

/** A fault of a style with fields called as they are shown, for those who edit them there and not in a file. */
export const faultShown = (fault: string): string =>
  fault.replace(/\b[a-z]+\.[A-Za-z]+(?:\.[A-Za-z]+)?/g, (path) => {
    const named = fields.find((f) => path === f.path || path.startsWith(`${f.path}.`));
    return named ? `“${named.title}”` : path;
  });
