import { decodeStyle } from './decode-style.ts';
import { shippedStyles } from './shipped.ts';
import { faultShown, fields, fieldText, partOf, withValue } from './style-fields.ts';

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

it('names faults as the fields are called', () =>
  expect(faultShown('time.shortest.limit: longer than time.longest.limit.')).toBe(
    '“Shortest on screen”: longer than “Longest on screen”.',
  ));
