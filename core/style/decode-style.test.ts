import { decodeStyle, keptStyle } from './decode-style.ts';
import { plainStyle, shippedStyles } from './shipped.ts';

const change = (path: string, value: unknown): unknown => {
  const copy = structuredClone(plainStyle) as unknown as Record<string, unknown>;
  const keys = path.split('.');
  const last = keys.pop() ?? '';
  const at = keys.reduce<Record<string, unknown>>((o, key) => o[key] as Record<string, unknown>, copy);
  at[last] = value;
  return copy;
};

/** A style as data folders of the first version have it. */
const first = {
  schema: 1,
  id: 'lecture-38',
  name: 'Lecture 38',
  version: 1,
  counting: { spaces: true, punctuation: true, wideDouble: false },
  text: { lineLength: { limit: 30, severity: 'must' }, lines: { limit: 2, severity: 'must' }, oneLineUpTo: 30 },
  reading: { speed: { limit: 18, target: 15, severity: 'must' } },
  time: {
    shortest: { limit: 1000, severity: 'must' },
    longest: { limit: 7000, severity: 'must' },
    gap: { limit: 2, unit: 'frames', severity: 'must' },
    overlap: { severity: 'must' },
  },
};

describe('a house style from a file', () => {
  it.each(shippedStyles.map((s) => [s.name, s] as const))('%s is one', (_, style) => {
    expect(decodeStyle(JSON.parse(JSON.stringify(style)))).toEqual({ style, faults: null });
  });

  it('of the first version keeps its limits, and takes what is new as off', () => {
    const { style } = decodeStyle(first);
    expect(style?.text.lineLength.limit).toBe(30);
    expect(style?.text.oneLineUpTo).toEqual({ limit: 30, severity: 'off' });
    expect(style?.reading.speed.limit).toBe(18);
    expect(style?.text.wordsInLine.severity).toBe('off');
    expect(keptStyle(first)).toEqual(style);
    expect(keptStyle({ schema: 1 })).toBe(plainStyle);
  });

  it('of the second version holds nothing against the sound that it did not', () => {
    const { sound, time, ...rest } = plainStyle;
    const { lead, linger, ...times } = time;
    const { style } = decodeStyle({ ...rest, schema: 2, time: times });
    expect(Object.values(style?.sound ?? {}).map((s) => s.severity)).toEqual(['off', 'off', 'off']);
    expect(style?.time).toEqual(time);
    expect([lead, linger, sound.uncovered.severity]).toEqual([style?.time.lead, style?.time.linger, 'should']);
  });

  it.each<[string, unknown, string[]]>([
    ['a later version', { ...plainStyle, schema: 4 }, ['schema: 4 is of a later Fenwix; this one reads up to 3.']],
    ['an unknown field', change('text.font', 'big'), ['text.font: not a part of a house style.']],
    [
      'a limit that is none',
      change('text.lineLength.limit', -1),
      ['text.lineLength.limit: expected a number from 1 to 1000.'],
    ],
    [
      'a severity that is none',
      change('time.gap.severity', 'maybe'),
      ['time.gap.severity: expected one of must, should, off.'],
    ],
    ['a missing field', change('time.usual', undefined), ['time.usual: missing; expected a number from 0 to 3600000.']],
    [
      'the shortest over the longest',
      change('time.shortest.limit', 9000),
      ['time.shortest.limit: longer than time.longest.limit.'],
    ],
    [
      'a target above its limit',
      change('reading.speed.target', 30),
      ['reading.speed.target: above reading.speed.limit.'],
    ],
  ])('with %s is refused by name', (_, value, faults) => {
    expect(decodeStyle(value)).toEqual({ style: null, faults });
  });

  it.each([null, 5, 'style', [], {}])('is not %j', (value) => {
    expect(decodeStyle(value).faults?.length).toBeGreaterThan(10);
  });
});
