import fc from 'fast-check';
import { captionsForSpeech } from './for-speech.ts';
import type { Timed } from './move.ts';

const rules = { gap: 80, length: 60_000 };
const room = { lead: 0, linger: 200 };
const figures = { ...room, shortest: 1000, usual: 3000, longest: 5000 };
const stretches = (...of: readonly (readonly [number, number])[]) => of.map(([start, end]) => ({ start, end }));
const at = (...times: readonly (readonly [number, number])[]): Timed[] =>
  times.map(([start, end], i) => ({ id: String(i), start, end }));
const speech = stretches([1000, 3000], [4000, 9000], [20_000, 21_000]);

it('makes a caption for every stretch with none, and shares one that is too long', () => {
  const figures = { ...room, shortest: 1000, usual: 2500, longest: 3000 };
  expect(captionsForSpeech(at([900, 3100]), speech, figures, rules)).toEqual([
    { start: 4000, end: 6520 },
    { start: 6600, end: 9200 },
    { start: 20_000, end: 21_200 },
  ]);
});

it('makes captions that keep the gap, whatever stands there already', () => {
  const pieces = fc.array(fc.tuple(fc.integer({ min: 1, max: 3000 }), fc.integer({ min: 40, max: 4000 })), {
    maxLength: 12,
  });
  const laid = (of: readonly (readonly [number, number])[]): Timed[] => {
    let clock = 0;
    return of.map(([pause, long], i) => {
      const start = clock + pause;
      clock = start + long;
      return { id: String(i), start, end: clock };
    });
  };
  fc.assert(
    fc.property(pieces, pieces, (there, said) => {
      const captions = laid(there);
      const made = captionsForSpeech(
        captions,
        laid(said),
        { ...room, shortest: 800, usual: 3000, longest: 5000 },
        rules,
      );
      for (const { start, end } of made) {
        expect(end - start).toBeGreaterThanOrEqual(800 - rules.gap);
        expect(end - start).toBeLessThanOrEqual(5000);
        expect(captions.filter((c) => c.start < end && c.end > start)).toEqual([]);
      }
      made.slice(1).forEach((m, i) => expect(m.start).toBeGreaterThanOrEqual(made[i]?.end ?? 0));
    }),
  );
});

it('joins what is said in one breath, up to the usual length', () => {
  const said = stretches([1000, 1400], [1700, 2300], [2900, 3600]);
  expect(captionsForSpeech([], said, figures, rules)).toEqual(stretches([1000, 2500], [2900, 3900]));
});

it('divides what is longer than usual at its longest pause', () => {
  const said = stretches([0, 1200], [1300, 2400], [2800, 4000], [4200, 5400]);
  expect(captionsForSpeech([], said, figures, rules)).toEqual([
    { start: 0, end: 2600 },
    { start: 2800, end: 5600 },
  ]);
});

it('never at a pause that leaves a piece too short, where another is there', () => {
  const said = stretches([0, 300], [700, 2000], [2100, 3600]);
  expect(captionsForSpeech([], said, figures, rules)).toEqual([
    { start: 0, end: 2020 },
    { start: 2100, end: 3800 },
  ]);
});

it('makes none where there is no room for the shortest', () => {
  expect(captionsForSpeech(at([0, 4000], [4900, 9000]), stretches([3500, 5600]), figures, rules)).toEqual([]);
});
