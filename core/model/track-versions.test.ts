import fc from 'fast-check';
import { apply, applyAll } from './apply.ts';
import { captionsArbitrary } from './arbitrary.ts';
import { caption } from './caption.ts';
import type { Edit } from './edits.ts';
import { backTo, changedBetween, pauseBetweenVersions, trackVersions, type LoggedEdit } from './track-versions.ts';

const made = Array.from({ length: 30 }, (_, i) =>
  caption({ id: `c${String(i)}`, start: i * 2000, end: i * 2000 + 1500, text: `gate ${String(i)}` }),
);
const none = { added: 0, removed: 0, reworded: 0, retimed: 0, proofed: 0, otherwise: 0 };
const type = (i: number, insert: string): Edit => ({ type: 'splice', id: `c${String(i)}`, from: 0, to: 0, insert });
/** A log with so many ms before each edit. */
const logged = (...steps: (readonly [wait: number, edit: Edit])[]): LoggedEdit[] => {
  let at = 1_000_000;
  return steps.map(([wait, edit], i) => ({ number: i + 1, at: (at += wait), edit }));
};
const insert: Edit = { type: 'insert', captions: made };

describe('the versions of a track', () => {
  it('end before a pause of half an hour, and not before', async () => {
    const log = logged(
      [0, insert],
      [60_000, type(0, 'a')],
      [pauseBetweenVersions - 1, type(1, 'b')],
      [pauseBetweenVersions, type(2, 'c')],
    );
    const versions = await trackVersions(log, new Set());
    expect(versions.map((v) => v.edit)).toEqual([1, 3, 4]);
    expect(versions[1]?.changed).toEqual({ ...none, reworded: 2 });
    expect(versions[2]).toMatchObject({ at: log[3]?.at, captions: 30, changed: { ...none, reworded: 1 } });
  });

  it('stand before and after an edit of many captions, so that either can be gone back to', async () => {
    const moved: Edit = {
      type: 'retime',
      captions: made.map(({ id, start, end }) => ({ id, start: start + 500, end: end + 500, timing: 'set' })),
      pieces: [],
    };
    const proof: Edit = { type: 'proof', ids: made.map((c) => c.id), proofed: true };
    const versions = await trackVersions(
      logged([0, insert], [1000, type(0, 'a')], [1000, moved], [1000, type(1, 'b')], [1000, proof]),
      new Set(),
    );
    expect(versions.map((v) => [v.edit, v.changed])).toEqual([
      [1, { ...none, added: 30 }],
      [2, { ...none, reworded: 1 }],
      [3, { ...none, retimed: 30 }],
      [5, { ...none, reworded: 1, proofed: 30 }],
    ]);
  });

  it('stand at every edit that is marked, and an edit that was taken back leaves nothing changed', async () => {
    const back: Edit = { type: 'splice', id: 'c0', from: 0, to: 1, insert: '' };
    const versions = await trackVersions(logged([0, insert], [1000, type(0, 'a')], [1000, back]), new Set([1, 3]));
    expect(versions.map((v) => [v.edit, v.changed])).toEqual([
      [1, { ...none, added: 30 }],
      [3, none],
    ]);
  });

  it('are none where the log is empty', async () => {
    expect(await trackVersions([], new Set([3]))).toEqual([]);
  });
});

it('tells what differs besides words and times', () => {
  const [one, two, three] = made;
  if (!one || !two || !three) throw new Error('There are thirty.');
  const after = [
    { ...one, placement: 8 as const },
    { ...two, text: 'lock', start: two.start + 1 },
  ];
  expect(changedBetween([one, two, three], after)).toEqual({
    ...none,
    removed: 1,
    reworded: 1,
    retimed: 1,
    otherwise: 1,
  });
});

it('goes back to any other state by one edit, which can be taken back', () => {
  fc.assert(
    fc.property(captionsArbitrary, captionsArbitrary, (now, then) => {
      const edit = backTo(now, then);
      if (!edit) {
        expect(now).toEqual(then);
        return;
      }
      const { captions, inverse } = apply(now, edit);
      expect(captions).toEqual(then);
      expect(applyAll(captions, [inverse])).toEqual(now);
    }),
  );
});
