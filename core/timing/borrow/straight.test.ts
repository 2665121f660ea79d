import { chances } from '../../chances-for-tests.ts';
import { along, type Piece } from '../../model/pieces.ts';
import { straightLine, lineInWords } from './straight.ts';

/** Ties of a film of an hour and a half: where the translator had each, spoiled, and where the other track has it. */
function film(spoil: (ms: number) => number, jitter: number, seed = 1): { ties: Piece[]; right: number[] } {
  const random = chances(seed);
  const right = Array.from({ length: 600 }, (_, i) => 5000 + i * 9000 + Math.round(random() * 3000));
  return { right, ties: right.map((ms) => [Math.round(spoil(ms)), ms + Math.round((random() - 0.5) * 2 * jitter)]) };
}
const shareWithin = (pieces: readonly Piece[], { ties, right }: ReturnType<typeof film>, ms: number): number =>
  ties.filter(([at], i) => Math.abs(along(pieces, at) - (right[i] ?? 0)) <= ms).length / ties.length;

it('a translator’s captions spoiled by a frame rate and a shift are where they were, not where the other track is', () => {
  // Played too slow, and late: 25 for 23.976, and 9.3 s earlier.
  const spoiled = film((ms) => (ms + 9300) * (24000 / 1001 / 25), 700);
  const line = straightLine(spoiled.ties);
  expect(line && lineInWords(line)).toBe('25 for 23.976, and 9.3 s earlier');
  expect(shareWithin(line?.pieces ?? [], spoiled, 300)).toBeGreaterThanOrEqual(0.95);
  // Through every tie they would have the jitter of the other track.
  expect(shareWithin(spoiled.ties, spoiled, 300)).toBeLessThan(0.6);
});

it.each([
  [(ms: number) => ms, 'at the same times'],
  [(ms: number) => ms + 2400, '2.4 s earlier'],
  [(ms: number) => ms - 40, '0.04 s later'],
  [(ms: number) => (ms * 25) / (24000 / 1001), '23.976 for 25'],
])('a line is said as people say it', (spoil, says) => {
  const line = straightLine(film(spoil, 0).ties);
  expect(line && lineInWords(line)).toBe(says);
  expect(line?.middle).toBeLessThanOrEqual(1);
});

it('a cue that is six seconds away is left out and moves nothing', () => {
  const { ties, right } = film((ms) => ms + 1000, 200);
  const spoiled = ties.map(([at, to], i): Piece => (i % 50 === 7 ? [at, to + 6000] : [at, to]));
  const line = straightLine(spoiled);
  expect(line?.leftOut.flatMap((is, i) => (is ? [i] : []))).toEqual(ties.flatMap((_, i) => (i % 50 === 7 ? [i] : [])));
  expect(shareWithin(line?.pieces ?? [], { ties, right }, 300)).toBe(1);
});

it('a track of another cut has no line, nor do a handful of ties', () => {
  expect(straightLine(film((ms) => (ms > 2_000_000 ? ms + 40_000 : ms), 100).ties)).toBeNull();
  expect(straightLine(film((ms) => ms, 0).ties.slice(0, 3))).toBeNull();
});

it('a rate is not read out of the jitter of a short track', () => {
  for (let seed = 1; seed < 40; seed++) {
    const { ties } = film((ms) => ms + 3000, 300, seed);
    expect(straightLine(ties.slice(0, 12))?.rates).toBeNull();
  }
});

it('a rate that is plain in a short track is told', () => {
  for (let seed = 1; seed < 40; seed++) {
    const { ties } = film((ms) => ms * (25 / (24000 / 1001)), 100, seed);
    expect(straightLine(ties.slice(0, 12))?.rates).not.toBeNull();
  }
});
