import { applyAll } from './apply.ts';
import { caption, type Caption } from './caption.ts';
import type { Edit } from './edits.ts';
import { partsOfAll, rebase } from './rebase.ts';

const gate = caption({ id: 'a', start: 0, end: 2000, text: 'the gate is shut' });
const level = caption({ id: 'b', start: 3000, end: 5000, text: 'the level is low' });
const splice = (from: number, to: number, insert: string, id = 'a'): Edit => ({ type: 'splice', id, from, to, insert });

/** Own edits behind theirs, both made on the same captions. */
function met(base: readonly Caption[], own: readonly Edit[], theirs: readonly Edit[]) {
  const result = rebase(base, own, applyAll(base, theirs), partsOfAll(theirs));
  return { ...result, texts: result.captions.map((c) => c.text), edits: result.edits.map((e) => e.edit) };
}

describe('rebase', () => {
  it('changes nothing where both worked on different captions', () => {
    const own = [splice(0, 3, 'The')];
    expect(met([gate, level], own, [splice(0, 1, 'T', 'b')])).toMatchObject({
      edits: own,
      conflicts: [],
      texts: ['The gate is shut', 'The level is low'],
    });
  });

  it.each<[string, Edit[], Edit[], string]>([
    [
      'moves typing along what was put before it',
      [splice(9, 11, 'was')],
      [splice(0, 3, 'The lower')],
      'The lower gate was shut',
    ],
    [
      'keeps words both typed in one place, the first in the log first',
      [splice(4, 4, 'big ')],
      [splice(4, 4, 'old ')],
      'the old big gate is shut',
    ],
    ['keeps what was typed into text they took away', [splice(6, 6, 'X')], [splice(4, 8, '')], 'the X is shut'],
    [
      'keeps what they typed into text that was taken away here',
      [splice(4, 9, '')],
      [splice(6, 6, 'X')],
      'the Xis shut',
    ],
    [
      'takes a run of typing along',
      [splice(0, 1, 'T'), splice(16, 16, '.')],
      [splice(4, 8, 'sluice')],
      'The sluice is shut.',
    ],
    [
      'forgets what was typed and taken back, and keeps theirs',
      [splice(4, 4, '1'), splice(4, 5, '')],
      [splice(4, 4, 'X')],
      'the Xgate is shut',
    ],
    [
      'types beside a proof, times, a let-be and a mark',
      [splice(0, 1, 'T')],
      [
        { type: 'proof', ids: ['a'], proofed: true },
        { type: 'setTimes', id: 'a', start: 10, end: 1990 },
        { type: 'letBe', id: 'a', rule: 'too-fast', entry: { rule: 'too-fast', reason: 'as said', figure: 21 } },
        { type: 'mark', id: 'a', from: 4, to: 8, kind: 'italic', value: '', on: true },
      ],
      'The gate is shut',
    ],
  ])('%s', (_, own, theirs, text) => {
    expect(met([gate], own, theirs)).toMatchObject({ texts: [text], conflicts: [], refused: [] });
  });

  it('moves 900 captions once while somebody types in one', () => {
    const base = Array.from({ length: 900 }, (_, i) =>
      caption({ id: `c${String(i)}`, start: i * 3000, end: i * 3000 + 2000, text: 'the gate' }),
    );
    const shift: Edit = {
      type: 'together',
      edits: base.map((c) => ({ type: 'setTimes', id: c.id, start: c.start + 500, end: c.end + 500 })),
    };
    const { captions, edits } = met(base, [shift], [splice(8, 8, ' is shut', 'c450')]);
    expect(captions).toHaveLength(900);
    expect(captions[450]).toMatchObject({ text: 'the gate is shut', start: 1_350_500 });
    expect(edits).toHaveLength(1);
  });

  it('proofs 899 captions while one of the 900 is removed', () => {
    const base = Array.from({ length: 900 }, (_, i) =>
      caption({ id: `c${String(i)}`, start: i * 3000, end: i * 3000 + 2000, text: 'the gate' }),
    );
    const proof: Edit = { type: 'proof', ids: base.map((c) => c.id), proofed: true };
    const { captions, conflicts } = met(base, [proof], [{ type: 'remove', ids: ['c450'] }]);
    expect(captions).toHaveLength(899);
    expect(captions.every((c) => c.proofed)).toBe(true);
    expect(conflicts).toEqual([]);
  });

  it('gives each part of a split what was typed in it, the first what was typed at the split', () => {
    const split: Edit = { type: 'split', id: 'a', at: 8, newId: 'n', end: 900, start: 980 };
    expect(met([gate], [splice(8, 8, ','), splice(17, 17, '.')], [split]).texts).toEqual(['the gate,', 'is shut.']);
    expect(met([gate], [split], [splice(8, 8, ','), splice(17, 17, '.')]).texts).toEqual(['the gate,', 'is shut.']);
  });

  it('makes a split once where both made it', () => {
    const split = (newId: string): Edit => ({ type: 'split', id: 'a', at: 8, newId, end: 900, start: 980 });
    const { captions } = met([gate], [split('mine'), splice(0, 0, 'It ', 'mine')], [split('theirs')]);
    expect(captions.map((c) => [c.id, c.text])).toEqual([
      ['a', 'the gate'],
      ['theirs', 'It is shut'],
    ]);
  });

  it('takes typing along into captions that were laid out otherwise', () => {
    const laid: Edit = {
      type: 'replace',
      removed: ['a', 'b'],
      captions: [
        caption({ id: 'x', start: 0, end: 2500, text: 'the gate\nis shut the' }),
        caption({ id: 'y', start: 2600, end: 5000, text: 'level is low' }),
      ],
    };
    const own = [splice(16, 16, ','), splice(0, 3, 'The', 'b')];
    expect(met([gate, level], own, [laid])).toMatchObject({
      texts: ['the gate\nis shut, The', 'level is low'],
      conflicts: [],
    });
    expect(met([gate, level], [laid], own)).toMatchObject({
      texts: ['the gate\nis shut, The', 'level is low'],
      conflicts: [],
    });
  });

  it('keeps both versions where somebody writes in what somebody else removes, and says so', () => {
    const removed: Edit = { type: 'remove', ids: ['a'] };
    const typed = [splice(0, 3, 'The'), splice(16, 16, '!')];
    for (const [own, theirs] of [
      [typed, [removed]],
      [[removed], typed],
    ] as const) {
      const result = met([gate, level], own, theirs);
      expect(result.texts).toEqual(['The gate is shut!', 'the level is low']);
      expect(result.captions[0]?.versions).toEqual([null]);
      expect(result.conflicts).toEqual([0]);
    }
  });

  it('keeps what was written into captions that became other words as a version beside them', () => {
    const other: Edit = {
      type: 'replace',
      removed: ['a', 'b'],
      captions: [caption({ id: 'x', start: 0, end: 5000, text: 'a lantern burns' })],
    };
    const { captions } = met([gate, level], [splice(16, 16, '!')], [other]);
    expect(captions).toMatchObject([
      { id: 'x', text: 'a lantern burns', versions: [{ id: 'a', text: 'the gate is shut!' }] },
    ]);
  });
});
