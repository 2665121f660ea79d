import { caption } from '../../../core/model/caption.ts';
import { placeOf } from './go-to.ts';

const one = caption({ id: 'one', start: 1000, end: 2000, text: 'The gate opens.' });
const two = caption({ id: 'two', start: 60_000, end: 62_000, text: 'The boat goes in.' });
const three = {
  ...caption({ id: 'three', start: 62_000, end: 62_001, text: 'And out.' }),
  timing: 'provisional' as const,
};
const at = { now: 0, rate: { numerator: 25, denominator: 1 } };

it.each([
  ['2', { caption: 'two', ms: 60_000 }],
  ['#1', { caption: 'one', ms: 1000 }],
  ['3', { caption: 'three', ms: null }],
  ['1:01', { caption: 'two', ms: 61_000 }],
  ['0:30', { caption: 'one', ms: 30_000 }],
  ['0:00.5', { caption: 'one', ms: 500 }],
])('%s is a caption by its number, or a moment', (typed, place) =>
  expect(placeOf(typed, [one, two, three], at)).toEqual(place),
);

it.each(['0', '4', '', 'soon'])('“%s” is neither, which is said', (typed) =>
  expect(placeOf(typed, [one, two, three], at)).toHaveProperty('fault'),
);

it('without captions a time is a moment still', () => {
  expect(placeOf('0:05', [], at)).toEqual({ caption: null, ms: 5000 });
});
