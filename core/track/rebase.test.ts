import fc from 'fast-check';
import { captionsArbitrary, play, seedsArbitrary } from './arbitrary.ts';
import { caption } from './caption.ts';
import { apply, type Edit } from './edits.ts';
import { rebase } from './rebase.ts';

let made = 0;
const newId = (): string => `kept${String(made++)}`;
const gate = caption({ id: 'a', start: 0, end: 2000, text: 'the gate is shut' });
const splice = (from: number, to: number, insert: string): Edit => ({ type: 'splice', id: 'a', from, to, insert });

describe('rebase', () => {
  it('gives edits that lead from the server state to what is shown here', () => {
    fc.assert(
      fc.property(captionsArbitrary, seedsArbitrary, seedsArbitrary, (base, mine, others) => {
        const own = play(base, mine, 'm');
        const theirs = play(base, others, 't');
        const result = rebase(base, own.edits, theirs.edits, newId);
        expect(result.edits.reduce((now, e) => apply(now, e).captions, theirs.captions)).toEqual(result.captions);
      }),
    );
  });

  it('changes nothing where both worked on different captions', () => {
    const level = caption({ id: 'b', start: 3000, end: 5000, text: 'level' });
    const own = [splice(0, 3, 'The')];
    const result = rebase([gate, level], own, [{ type: 'splice', id: 'b', from: 0, to: 1, insert: 'L' }], newId);
    expect(result).toMatchObject({ edits: own, kept: [] });
    expect(result.captions.map((c) => c.text)).toEqual(['The gate is shut', 'Level']);
  });

  it.each<[string, Edit[], Edit[], string]>([
    [
      'moves typing along what was put before it',
      [splice(9, 11, 'was')],
      [splice(0, 3, 'The lower')],
      'The lower gate was shut',
    ],
    [
      'keeps words both typed in one place, theirs first',
      [splice(4, 4, 'big ')],
      [splice(4, 4, 'old ')],
      'the old big gate is shut',
    ],
    ['keeps what was typed into text they took away', [splice(6, 6, 'X')], [splice(4, 8, '')], 'the X is shut'],
    [
      'takes a run of typing along',
      [splice(0, 1, 'T'), splice(16, 16, '.')],
      [splice(4, 8, 'sluice')],
      'The sluice is shut.',
    ],
  ])('%s', (_, own, theirs, text) => {
    expect(rebase([gate], own, theirs, newId).captions.map((c) => c.text)).toEqual([text]);
  });

  it('keeps both versions where they cannot be fitted together', () => {
    const result = rebase([gate], [splice(0, 3, 'The'), splice(16, 16, '!')], [{ type: 'remove', ids: ['a'] }], newId);
    expect(result.captions.map((c) => c.text)).toEqual(['The gate is shut!']);
    expect(result.kept).toHaveLength(1);
  });

  it('loses no word that either side has typed, whatever the edits', () => {
    fc.assert(
      fc.property(captionsArbitrary, seedsArbitrary, seedsArbitrary, fc.nat(9), (base, mine, others, at) => {
        const own = play(base, mine, 'm');
        const target = own.captions[at % Math.max(1, own.captions.length)];
        if (!target) return;
        const typed: Edit = {
          type: 'splice',
          id: target.id,
          from: target.text.length,
          to: target.text.length,
          insert: ' ZWORD',
        };
        const theirs = play(base, others, 't');
        const result = rebase(base, [...own.edits, typed], theirs.edits, newId);
        expect(result.captions.some((c) => c.text.includes('ZWORD'))).toBe(true);
      }),
    );
  });
});
