import { driftOf } from './drift.ts';

const speech = [
  { start: 1000, end: 2000 },
  { start: 5000, end: 6000 },
];
const begins = (...starts: number[]) => starts.map((start, i) => ({ id: String(i), start, end: start + 900 }));

it('holds each caption against the speech that starts nearest to it', () =>
  expect(driftOf(begins(900, 1300, 4000, 9000), speech)).toEqual([
    { at: 900, by: -100 },
    { at: 1300, by: 300 },
    { at: 4000, by: -1000 },
    { at: 9000, by: 4000 },
  ]));

it('says nothing where nobody speaks', () => expect(driftOf(begins(900), [])).toEqual([]));
