import { offInWords } from './off-in-words.ts';

const clock = (ms: number): string => `${String(ms / 1000)} s`;

it.each([
  [
    { kind: 'steady', from: 1000, by: -2040, whole: true },
    'All captions begin about 2.0 s earlier than somebody begins to speak.',
  ],
  [
    { kind: 'steady', from: 60_000, by: 8000, whole: false },
    'From 60 s on captions begin about 8.0 s later than somebody begins to speak.',
  ],
  [
    { kind: 'drift', from: 0, until: 90_000, first: 50, last: 6040 },
    'Captions drift away from the sound: 0.1 s later at the beginning, 6.0 s later at the end.',
  ],
  [
    { kind: 'parts', from: 0, until: 90_000, least: -800, most: 2600 },
    'From 0 s to 90 s captions begin between 0.8 s earlier and 2.6 s later than somebody begins to speak.',
  ],
] as const)('%#', (off, says) => expect(offInWords(off, clock)).toBe(says));
