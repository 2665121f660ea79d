import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  beginAllAt,
  beginAt,
  endAt,
  endUpToNext,
  endWhenRead,
  isShared,
  moveCaptions,
  moveEdge,
  type Moved,
  type MoveRules,
  type Timed,
} from './move.ts';

const rules: MoveRules = { gap: 80, shared: 400, least: 40, length: 60_000 };
const track = (...times: readonly (readonly [number, number])[]): Timed[] =>
  times.map(([start, end], i) => ({ id: String(i), start, end }));
function at(captions: readonly Timed[], index: number): Timed {
  const found = captions[index];
  if (!found) throw new Error('The track of the test has no such caption.');
  return found;
}
const times = ({ changes }: Moved): string =>
  changes.map((c) => `${c.id}: ${String(c.start)}–${String(c.end)}`).join(', ');

describe('an edge', () => {
  const apart = track([1000, 2000], [4000, 5000], [9000, 9500]);

  it.each([
    ['goes where it is put', { edge: 'end', to: 6000 }, '1: 4000–6000', null],
    ['stops a gap before the next caption', { edge: 'end', to: 20_000 }, '1: 4000–8920', 'neighbour'],
    ['stops a gap after the one before', { edge: 'start', to: 0 }, '1: 2080–5000', 'neighbour'],
    ['leaves the caption one picture long', { edge: 'start', to: 7000 }, '1: 4960–5000', 'least'],
    ['leaves it so from its end too', { edge: 'end', to: 1000 }, '1: 4000–4040', 'least'],
    [
      'pushes the next along where that is asked',
      { edge: 'end', to: 9100, push: true },
      '1: 4000–9100, 2: 9180–9680',
      null,
    ],
    ['pushes only as far as it has to', { edge: 'start', to: 1900, push: true }, '0: 820–1820, 1: 1900–5000', null],
    ['pushes nothing before the beginning', { edge: 'start', to: 500, push: true }, '0: 0–1000, 1: 1080–5000', 'begin'],
  ] as const)('%s', (_, move, changed, stopped) => {
    const moved = moveEdge(apart, { index: 1, ...move }, rules);
    expect(times(moved)).toBe(changed);
    expect(moved.stopped).toBe(stopped);
  });

  it('stops at the beginning and at the end of the recording', () => {
    expect(times(moveEdge(apart, { index: 0, edge: 'start', to: -300 }, rules))).toBe('0: 0–2000');
    expect(moveEdge(apart, { index: 2, edge: 'end', to: 61_000 }, rules)).toEqual({
      changes: [{ id: '2', start: 9000, end: 60_000 }],
      stopped: 'end',
    });
  });

  const joined = track([1000, 2000], [2080, 4000], [4400, 6000], [6800, 8000]);
  it('that two captions share moves both, and keeps the gap they have', () => {
    expect(times(moveEdge(joined, { index: 0, edge: 'end', to: 2500 }, rules))).toBe('0: 1000–2500, 1: 2580–4000');
    expect(times(moveEdge(joined, { index: 2, edge: 'start', to: 4100 }, rules))).toBe('1: 2080–3700, 2: 4100–6000');
    expect(times(moveEdge(joined, { index: 0, edge: 'end', to: 9000 }, rules))).toBe('0: 1000–3880, 1: 3960–4000');
    expect([1, 2, 3].map((i) => isShared(joined[i - 1], joined[i], rules))).toEqual([true, true, false]);
  });

  it('of one side moves alone with the key for that', () => {
    expect(times(moveEdge(joined, { index: 0, edge: 'end', to: 1700, alone: true }, rules))).toBe('0: 1000–1700');
    expect(moveEdge(joined, { index: 0, edge: 'end', to: 2060, alone: true }, rules)).toEqual({
      changes: [],
      stopped: 'neighbour',
    });
  });

  it('of captions that overlap takes no more of the other than it has', () => {
    const over = track([1000, 3000], [2000, 4000]);
    expect(moveEdge(over, { index: 0, edge: 'end', to: 3500 }, rules)).toEqual({ changes: [], stopped: 'neighbour' });
    expect(times(moveEdge(over, { index: 0, edge: 'end', to: 2500 }, rules))).toBe('0: 1000–2500');
  });
});

describe('captions moved whole', () => {
  const all = track([1000, 2000], [4000, 5000], [5080, 6000], [9000, 9500]);
  it.each([
    [{ from: 1, to: 2, by: 1000 }, '1: 5000–6000, 2: 6080–7000', null],
    [{ from: 1, to: 2, by: 5000 }, '1: 6920–7920, 2: 8000–8920', 'neighbour'],
    [{ from: 1, to: 2, by: -5000 }, '1: 2080–3080, 2: 3160–4080', 'neighbour'],
    [{ from: 1, to: 2, by: 3000, push: true }, '1: 7000–8000, 2: 8080–9000, 3: 9080–9580', null],
    [{ from: 0, to: 0, by: -5000 }, '0: 0–1000', 'begin'],
  ] as const)('%j', (move, changed, stopped) => {
    const moved = moveCaptions(all, move, rules);
    expect(times(moved)).toBe(changed);
    expect(moved.stopped).toBe(stopped);
  });
});

describe('a caption at the playhead', () => {
  const all = track([1000, 2000], [4000, 5000]);
  it('begins there and keeps its end where that lies after, and else its length', () => {
    expect(times(beginAt(at(all, 0), 1500))).toBe('0: 1500–2000');
    expect(times(beginAt(at(all, 0), 2500))).toBe('0: 2500–3500');
    expect(times(beginAllAt(all, 0, 1500))).toBe('0: 1500–2500, 1: 4500–5500');
  });
  it('ends there in the same way', () => {
    expect(times(endAt(at(all, 1), 4500))).toBe('1: 4000–4500');
    expect(times(endAt(at(all, 1), 3500))).toBe('1: 2500–3500');
    expect(times(endAt(at(all, 1), 0))).toBe('');
  });
});

describe('the end of a caption', () => {
  const all = track([1000, 2000], [4000, 5000]);
  it('goes up to the next, less the gap, or to the end of the recording', () => {
    expect(times(endUpToNext(all, 0, rules))).toBe('0: 1000–3920');
    expect(times(endUpToNext(all, 1, rules))).toBe('1: 4000–60000');
    expect(times(endUpToNext(all, 1, { ...rules, length: Infinity }))).toBe('');
  });
  it('goes where its text has been read, and takes nothing of the next', () => {
    expect(times(endWhenRead(all, 0, 1500, rules))).toBe('0: 1000–2500');
    expect(endWhenRead(all, 0, 9000, rules)).toEqual({
      changes: [{ id: '0', start: 1000, end: 3920 }],
      stopped: 'neighbour',
    });
  });
});

it('never lets captions that were apart overlap, nor leave the recording, nor lose their length', () => {
  const tracks = fc
    .array(fc.record({ gap: fc.integer({ min: 0, max: 900 }), length: fc.integer({ min: 40, max: 4000 }) }), {
      minLength: 1,
      maxLength: 12,
    })
    .map((parts) => {
      let at = 0;
      return parts.map(({ gap, length }, i) => {
        const start = at + gap;
        at = start + length;
        return { id: String(i), start, end: at };
      });
    });
  fc.assert(
    fc.property(
      tracks,
      fc.nat(),
      fc.constantFrom('start' as const, 'end' as const),
      fc.integer({ min: -5000, max: 60_000 }),
      fc.boolean(),
      fc.boolean(),
      (captions, nth, edge, to, alone, push) => {
        const index = nth % captions.length;
        const far = { ...rules, length: 200_000 };
        for (const moved of [
          moveEdge(captions, { index, edge, to, alone, push }, far),
          moveCaptions(captions, { from: index, to: Math.min(index + 1, captions.length - 1), by: to, push }, far),
        ]) {
          const changed = new Map(moved.changes.map((c) => [c.id, c]));
          const after = captions.map((c) => changed.get(c.id) ?? c);
          after.forEach((c, i) => {
            const before = after[i - 1];
            expect(c.end - c.start).toBeGreaterThanOrEqual(40);
            expect(c.start).toBeGreaterThanOrEqual(0);
            if (before) expect(c.start).toBeGreaterThanOrEqual(before.end);
          });
          // What did not change is not said to have.
          for (const c of moved.changes) expect(c).not.toEqual(captions[Number(c.id)]);
        }
      },
    ),
    { numRuns: 1000 },
  );
});
