import { caption } from '../../model/caption.ts';
import { isOff, type Move } from './moves.ts';
import { placesOf } from './placement.ts';
import type { Script } from './script.ts';
import { showsBeginning, soundsBeside } from './sound-beside.ts';

/** Captions of three words each, said 3 s apart. */
const many = 8;
const captions = Array.from({ length: many }, (_, i) =>
  caption({ id: `c${String(i)}`, start: i * 3000, end: i * 3000 + 2000, text: 'watch the water' }),
);
const script: Script = {
  words: captions.flatMap((_, i) =>
    ['watch', 'the', 'water'].map((word, k) => ({
      caption: i,
      from: [0, 6, 10][k] ?? 0,
      to: [5, 9, 15][k] ?? 0,
      readings: [],
      letters: word.length,
    })),
  ),
  firstOf: [...captions.map((_, i) => i * 3), many * 3],
};
const saidAt = (i: number): number => 20_000 + i * 3000;
const heard = (i: number, late = 0) =>
  [0, 400, 650].map((after, k) => {
    const start = saidAt(i) + after + (k === 0 ? late : 0);
    return { word: i * 3 + k, start, end: saidAt(i) + after + (k === 1 ? 250 : 400), score: -15 };
  });
const all = captions.flatMap((_, i) => heard(i));
const alone = captions.map((_, i) => ({ start: saidAt(i), end: saidAt(i) + 1100 }));
/** Another voice all the way, which pauses elsewhere. */
const beside = Array.from({ length: 20 }, (_, i) => ({ start: 18_500 + i * 1900, end: 18_500 + i * 1900 + 1800 }));

describe('another sound all the way', () => {
  it('is told by what there is between captions', () => {
    expect(soundsBeside(script, all, alone)).toBe(false);
    expect(soundsBeside(script, all, beside)).toBe(true);
  });
  it('is not told from a few captions, nor from captions that follow at once', () => {
    expect(soundsBeside(script, all.slice(0, 9), beside)).toBe(false);
    const atOnce = all.map((p, i) => ({ ...p, start: 20_000 + i * 400, end: 20_000 + i * 400 + 400 }));
    expect(soundsBeside(script, atOnce, beside)).toBe(false);
  });
  it('has captions begin with their words, and not where it begins', () => {
    for (const [i, place] of placesOf(captions, script, all, beside).entries())
      expect(place).toMatchObject({ start: saidAt(i), how: 'certain' });
  });
  it('leaves what is not surely heard to its neighbours, who move alike', () => {
    const stretched = captions.flatMap((_, i) => heard(i, i === 3 ? -700 : i === 5 ? -250 : 0));
    const places = placesOf(captions, script, stretched, beside);
    for (const i of [3, 5]) expect(places[i]).toMatchObject({ start: saidAt(i), how: 'with neighbours' });
    expect(places.filter((p) => p.how === 'certain')).toHaveLength(many - 2);
    // Alone, where a region begins where the first word is said, a word so long is trusted.
    expect(placesOf(captions, script, all, alone).every((p) => p.how === 'certain')).toBe(true);
  });
});

it.each([
  ['its first two words', heard(0), true],
  ['its second and third', heard(0).slice(1), false],
  ['one word alone', heard(0).slice(0, 1), false],
  ['a first word that hardly goes with the sound', heard(0).map((p, k) => (k === 0 ? { ...p, score: -35 } : p)), false],
  ['a first word far before the second', heard(0).map((p, k) => (k === 0 ? p : { ...p, start: p.start + 300 })), false],
  ['a first word that is dragged', heard(0, -700), false],
])('a beginning, by %s', (_, words, shows) => {
  expect(showsBeginning(script, 0, words)).toBe(shows);
});

describe('off the line of neighbours', () => {
  /** Moves that drift by 4 %. */
  const moves = Array.from({ length: 9 }, (_, i): Move => ({ at: i * 3000, by: 8000 + i * 120 }));
  const at = (i: number, by: number): boolean => isOff(moves, i, { at: i * 3000, by: 8000 + i * 120 + by });
  it('is what differs from them by more than a syllable, at the ends too', () => {
    expect([0, 4, 8].map((i) => at(i, 100))).toEqual([false, false, false]);
    expect([0, 4, 8].map((i) => at(i, -200))).toEqual([true, true, true]);
  });
  it('is nothing where they jitter themselves, or are too few', () => {
    const jittery = moves.map((m, i) => ({ ...m, by: m.by + (i % 2) * 400 }));
    expect(isOff(jittery, 4, { at: 12_000, by: 9000 })).toBe(false);
    expect(isOff(moves.slice(0, 2), 1, { at: 3000, by: 0 })).toBe(false);
  });
});
