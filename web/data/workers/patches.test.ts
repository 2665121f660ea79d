import fc from 'fast-check';
import { patch, patchesBetween } from './patches.ts';

const things = Array.from({ length: 12 }, (_, n) => ({ n }));
const list = fc.array(fc.constantFrom(...things), { maxLength: 40 });

describe('patches', () => {
  it('make one list of another, in pieces of the size asked for', () => {
    fc.assert(
      fc.property(list, list, fc.integer({ min: 1, max: 7 }), (before, after, most) => {
        const made = [...before];
        for (const one of patchesBetween(before, after, most)) {
          expect(one.added.length).toBeLessThanOrEqual(most);
          patch(made, one);
        }
        expect(made).toEqual(after);
      }),
    );
  });

  it('send only what changed of lists of one length', () => {
    const before = things.map((t) => ({ ...t }));
    const after = before.map((t, i) => (i === 2 || i === 9 ? { ...t } : t));
    expect(patchesBetween(before, after, 100)).toEqual([
      { from: 2, removed: 1, added: [after[2]] },
      { from: 9, removed: 1, added: [after[9]] },
    ]);
    expect(patchesBetween(before, [...before], 100)).toEqual([]);
  });

  it('send only what came in between where a list grew', () => {
    const before = things.map((t) => ({ ...t }));
    const fresh = { n: 99 };
    expect(patchesBetween(before, [...before.slice(0, 5), fresh, ...before.slice(5)], 100)).toEqual([
      { from: 5, removed: 0, added: [fresh] },
    ]);
  });
});
