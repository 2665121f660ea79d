import { toSpeech } from './to-speech.ts';
import type { Timed } from './move.ts';

const rules = { gap: 80, shared: 80, least: 40, length: 60_000 };
const room = { lead: 0, linger: 200 };
const at = (...times: readonly (readonly [number, number])[]): Timed[] =>
  times.map(([start, end], i) => ({ id: String(i), start, end }));
const speech = [
  { start: 1000, end: 3000 },
  { start: 4000, end: 9000 },
  { start: 20_000, end: 21_000 },
];

it('puts a late caption where its speech begins and ends, with the linger of the style', () =>
  expect(toSpeech(at([1700, 3600]), 0, speech, room, rules)).toEqual({
    changes: [{ id: '0', start: 1000, end: 3200 }],
    stopped: null,
  }));

it('leaves alone what lies in mid-speech: the end of the first and the begin of the second', () => {
  const two = at([4300, 6500], [6580, 9400]);
  expect(toSpeech(two, 0, speech, room, rules)?.changes).toEqual([{ id: '0', start: 4000, end: 6500 }]);
  expect(toSpeech(two, 1, speech, room, rules)?.changes).toEqual([{ id: '1', start: 6580, end: 9200 }]);
});

it('takes nothing of its neighbours, and says so', () => {
  const close = at([100, 900], [1300, 3000]);
  expect(toSpeech(close, 1, speech, { lead: 300, linger: 0 }, rules)).toEqual({
    changes: [{ id: '1', start: 980, end: 3000 }],
    stopped: 'neighbour',
  });
});

it('has nothing to go by where nobody speaks', () =>
  expect(toSpeech(at([40_000, 42_000]), 0, speech, room, rules)).toBeNull());
