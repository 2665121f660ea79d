import { shippedStyles } from './shipped.ts';
import { freeName, idFor, styleStanding } from './style-names.ts';

const [lecture] = shippedStyles;
if (!lecture) throw new Error('Styles ship.');

describe('names and ids', () => {
  it('are counted on while they are taken', () => {
    expect(freeName('Evening class', shippedStyles)).toBe('Evening class');
    expect(freeName('Lecture 38', [...shippedStyles, { name: 'Lecture 38 (2)' }])).toBe('Lecture 38 (3)');
    expect(idFor('Lecture 38', shippedStyles)).toBe('lecture-38-2');
  });
  it.each([
    ['Tollen Reach: évening!', 'tollen-reach-e-vening'],
    ['水門', 'style'],
    ['  --x--  ', 'x'],
  ])('%j gives %s', (name, id) => expect(idFor(name, [])).toBe(id));
});

it('tells how a kept style stands to where it came from', () => {
  const newer = { ...lecture, version: lecture.version + 1 };
  const own = { ...lecture, reading: { ...lecture.reading, speed: { ...lecture.reading.speed, limit: 21 } } };
  expect(styleStanding(lecture, shippedStyles)).toBe('same');
  expect(styleStanding(lecture, [newer])).toBe('earlier');
  expect(styleStanding(own, shippedStyles)).toBe('changed');
  expect(styleStanding(own, [])).toBe('gone');
});
