import { decodeStyle } from './decode-style.ts';
import { shippedStyles } from './shipped.ts';
import { clashOf, framesInTime, faultShown, fields, fieldText, partOf, withValue } from './style-fields.ts';

const [lecture] = shippedStyles;
if (!lecture) throw new Error('Styles ship.');
const named = (path: string) => {
  const found = fields.find((f) => f.path === path);
  if (!found) throw new Error(`There is no field ${path}.`);
  return found;
};

it('changes one value and nothing else', () => {
  const gap = named('time.gap');
  const changed = withValue(lecture, gap, 'limit', 3);
  expect(partOf(changed, gap, { key: 'limit' })).toBe(3);
  expect(withValue(changed, gap, 'limit', 2)).toEqual(lecture);
  expect(withValue(lecture, named('time.usual'), '', 1500).time.usual).toBe(1500);
});

it('holds every value of every shipped style', () => {
  for (const style of shippedStyles) {
    expect(decodeStyle(JSON.parse(JSON.stringify(style))).faults).toBeNull();
    for (const field of fields) for (const part of field.parts) expect(partOf(style, field, part)).toBeDefined();
  }
});

it.each([
  ['text.lineLength', '38 characters'],
  ['reading.speed', '20 cps, aim for 15'],
  ['time.gap', '2 frames'],
  ['time.longest', '7 s'],
  ['time.sync', 'early by 500 ms, late by 250'],
  ['counting.spaces', 'yes'],
  ['text.breaks', ''],
])('reads %s as %j', (path, text) => expect(fieldText(lecture, named(path))).toBe(text));

describe('limits that cannot be kept together', () => {
  it('are told beside both of their fields, and beside no other', () => {
    const short = withValue(lecture, named('text.lineLength'), 'limit', lecture.text.oneLineUpTo.limit - 1);
    const told = fields.filter((f) => clashOf(short, f) !== null).map((f) => f.path);
    expect(told).toEqual(['text.lineLength', 'text.oneLineUpTo']);
    const n = String(short.text.oneLineUpTo.limit);
    const m = String(short.text.lineLength.limit);
    expect(clashOf(short, named('text.lineLength'))).toBe(
      `“One line up to” (${n} characters) cannot be more than “Most characters in a line” (${m} characters).`,
    );
    const fast = withValue(lecture, named('reading.speed'), 'target', lecture.reading.speed.limit + 1);
    expect(clashOf(fast, named('reading.speed'))).toBe(
      `The ${String(lecture.reading.speed.limit + 1)} cps to aim for cannot be above “Reading speed” (${String(lecture.reading.speed.limit)} cps).`,
    );
  });
  it('are none in the styles that ship', () => {
    for (const each of shippedStyles) expect(fields.map((f) => clashOf(each, f))).toEqual(fields.map(() => null));
  });
  it('have frames said in time as well, at the rate there is', () => {
    const gap = named('time.gap');
    const two = withValue(withValue(lecture, gap, 'limit', 2), gap, 'unit', 'frames');
    expect(framesInTime(two, gap, { numerator: 25, denominator: 1 })).toBe('80 ms at 25 fps');
    expect(framesInTime(two, gap, { numerator: 24000, denominator: 1001 })).toBe('83 ms at 23.976 fps');
    expect(framesInTime(withValue(two, gap, 'unit', 'ms'), gap, { numerator: 25, denominator: 1 })).toBeNull();
  });
});

it('names faults as the fields are called', () =>
  expect(faultShown('time.shortest.limit: longer than time.longest.limit.')).toBe(
    '“Shortest on screen”: longer than “Longest on screen”.',
  ));
