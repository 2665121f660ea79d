import fc from 'fast-check';
import { captionsArbitrary, editFrom, seedsArbitrary } from './arbitrary.ts';
import { editInWords } from './edit-in-words.ts';
import type { Edit } from './edits.ts';

const splice = (id: string, from: number, to: number, insert: string): Edit => ({
  type: 'splice',
  id,
  from,
  to,
  insert,
});
const setWords: Edit = { type: 'setWords', captions: [{ id: 'a', words: [] }] };

it.each<readonly [Edit, string]>([
  [splice('a', 3, 3, 'x'), 'typed text'],
  [splice('a', 3, 5, ''), 'deleted text'],
  [splice('a', 3, 5, 'x'), 'replaced text'],
  [{ type: 'remove', ids: ['a'] }, 'one caption deleted'],
  [{ type: 'remove', ids: ['a', 'b'] }, '2 captions deleted'],
  [{ type: 'proof', ids: ['a'], proofed: false }, 'one caption no longer proofed'],
  // What came with it goes without saying.
  [
    { type: 'together', edits: [setWords, setWords, { type: 'join', id: 'a', next: 'b', between: ' ' }] },
    'two captions joined',
  ],
  [{ type: 'together', edits: [splice('a', 0, 1, 'A'), splice('b', 0, 1, 'B')] }, 'changes to the text of 2 captions'],
  [{ type: 'together', edits: [{ type: 'together', edits: [splice('a', 0, 0, 'x')] }] }, 'typed text'],
])('%j is “%s”', (edit, says) => {
  expect(editInWords(edit)).toBe(says);
});

it('has words for every edit there is', () => {
  fc.assert(
    fc.property(captionsArbitrary, seedsArbitrary, (captions, seeds) => {
      for (const seed of seeds) {
        const edit = editFrom(captions, seed, 'n');
        if (edit) expect(editInWords(edit)).toMatch(/^[a-z0-9][^.:]+$/);
      }
    }),
  );
});
