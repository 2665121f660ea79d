import fc from 'fast-check';
import { caption, type Caption } from '../model/caption.ts';
import { align } from './alignment.ts';
import { compare } from './compare.ts';
import { differences } from './differences.ts';
import { mostInCommon } from './words.ts';

/** The edit distance by its definition, without a table: what the table has to agree with. */
function distance(a: readonly number[], b: readonly number[]): number {
  if (a.length === 0 || b.length === 0) return a.length + b.length;
  const [x, ...restA] = a;
  const [y, ...restB] = b;
  if (x === y) return distance(restA, restB);
  return 1 + Math.min(distance(restA, restB), distance(restA, b), distance(a, restB));
}
const track = (...texts: readonly string[]): readonly Caption[] =>
  texts.map((text, i) => caption({ id: String(i), start: i * 3000, end: i * 3000 + 2000, text }));

describe('word errors', () => {
  // As NIST describes the scoring of recognisers (sclite): worked examples, from memory.
  it.each([
    ['the cat sat on the mat', 'the cat sat on the mat', 0, 0, 0],
    ['the cat sat on the mat', 'the cat sit on mat', 1, 1, 0],
    ['the cat sat on the mat', 'the big cat sat on the mat', 0, 0, 1],
    ['the cat sat on the mat', '', 0, 6, 0],
    ['', 'what is this', 0, 0, 3],
  ])('of “%s” heard as “%s” are counted', (said, heard, substitutions, deletions, insertions) => {
    const words = said === '' ? 0 : said.split(' ').length;
    expect(compare(track(said), track(heard))).toMatchObject({
      substitutions,
      deletions,
      insertions,
      words,
      wer: words === 0 ? null : (substitutions + deletions + insertions) / words,
    });
  });

  it('are more than all where more was put in than there was', () =>
    expect(compare(track('yes'), track('no it was not')).wer).toBe(4));

  it('look at neither case nor signs, nor at where captions begin', () =>
    expect(compare(track('Wait here,', '“for the Bell”.'), track('wait', 'here for the', 'bell'))).toMatchObject({
      wer: 0,
      cer: 0,
    }));

  it('of letters are counted where words differ', () => {
    // gate → gates: one letter of thirteen (“shut the gate”).
    expect(compare(track('shut the gate'), track('shut the gates')).cer).toBeCloseTo(1 / 13);
  });

  it('are as few as there can be, and what is left stands in both', () => {
    const row = fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 7 });
    fc.assert(
      fc.property(row, row, (a, b) => {
        const { substitutions, deletions, insertions, same } = align(Int32Array.from(a), Int32Array.from(b));
        expect(substitutions + deletions + insertions).toBe(distance(a, b));
        expect(same.length + substitutions + deletions).toBe(a.length);
        expect(same.length + substitutions + insertions).toBe(b.length);
        for (const [i, j] of same) expect(a[i]).toBe(b[j]);
      }),
    );
  });

  it('are as few as there can be however far two rows go apart and come together again', () => {
    /** The whole table (Wagner and Fischer), where only what is near its diagonal is looked at. */
    const fewest = (a: readonly number[], b: readonly number[]): number => {
      let above = Array.from({ length: b.length + 1 }, (_, j) => j);
      for (const [i, x] of a.entries()) {
        const row = [i + 1];
        for (const [j, y] of b.entries())
          row.push(Math.min((above[j] ?? 0) + (x === y ? 0 : 1), (above[j + 1] ?? 0) + 1, (row[j] ?? 0) + 1));
        above = row;
      }
      return above.at(-1) ?? 0;
    };
    const row = (most: number) => fc.array(fc.integer({ min: 0, max: 40 }), { maxLength: most });
    const pieces = fc.array(fc.tuple(row(30), row(40), row(40)), { maxLength: 5 });
    fc.assert(
      fc.property(pieces, (all) => {
        const a = all.flatMap(([both, here]) => [...both, ...here]);
        const b = all.flatMap(([both, , there]) => [...both, ...there]);
        const { substitutions, deletions, insertions, same } = align(Int32Array.from(a), Int32Array.from(b));
        expect(substitutions + deletions + insertions).toBe(fewest(a, b));
        expect(same.length).toBeLessThanOrEqual(mostInCommon(a, b));
        expect(same.length + substitutions + deletions).toBe(a.length);
        for (const [i, j] of same) expect(a[i]).toBe(b[j]);
      }),
    );
  });

  it('of long rows are found by cutting them where both have the same', () => {
    // Nothing is cut away at the ends: both differ there.
    const a = Int32Array.from({ length: 12_000 }, (_, i) => i);
    const b = Int32Array.from(a, (word, i) => (i % 10 === 0 || i === 11_999 ? -1 - i : word));
    const { substitutions, deletions, insertions } = align(a, b);
    expect({ substitutions, deletions, insertions }).toEqual({ substitutions: 1201, deletions: 0, insertions: 0 });
  });

  it('of long rows that repeat themselves are found too, without a table of all of both', () => {
    // No run of words stands once: 9,000 words of 49, one in a hundred another.
    const a = Int32Array.from({ length: 9000 }, (_, i) => i % 49);
    const b = Int32Array.from(a, (word, i) => (i % 100 === 50 || i === 0 || i === 8999 ? 99 : word));
    const { substitutions, deletions, insertions } = align(a, b);
    expect({ substitutions, deletions, insertions }).toEqual({ substitutions: 92, deletions: 0, insertions: 0 });
  });
});

describe('differences', () => {
  it('are told where they are, with the words around them', () => {
    const found = differences(
      track('Shut the lower gate.', 'Wait for the bell.'),
      track('Shut the lover gate.', 'Wait the bell now.'),
    );
    expect(found.map((d) => [d.at, d.before, d.reference, d.other, d.after])).toEqual([
      [0, 'Shut the', 'lower', 'lover', 'gate. Wait for the'],
      [3000, 'the lower gate. Wait', 'for', '', 'the bell.'],
      [3000, 'Wait for the bell.', '', 'now.', ''],
    ]);
  });
  it('are none where only case and signs are others', () =>
    expect(differences(track('Wait here.'), track('wait, here'))).toEqual([]));
  it('are all there is where one has nothing', () =>
    expect(differences([], track('Wait here.'))).toMatchObject([
      { reference: '', other: 'Wait here.', captions: [null, '0'] },
    ]));
});

describe('offsets', () => {
  const late = (by: readonly number[]): readonly Caption[] =>
    track('one two', 'three four', 'five six').map((c, i) => ({ ...c, start: c.start + (by[i] ?? 0) }));
  it('are how much later the other begins: signed in the middle, as sizes beyond', () => {
    expect(compare(late([]), late([400, -100, 900])).offset).toEqual({ median: 400, p90: 800, max: 900 });
    expect(compare(late([]), late([-400, -100, -900])).offset).toEqual({ median: -400, p90: 800, max: 900 });
  });
  it('are not told where no caption begins alike', () =>
    expect(compare(track('one two'), track('three two')).offset).toBeNull());
});
