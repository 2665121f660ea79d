import type { Edit } from '../../core/model/edits.ts';
import { setAsideFile, wordsOfAll } from './set-aside-file.ts';

const typed = (from: number, insert: string, id = 'a'): Edit => ({ type: 'splice', id, from, to: from, insert });

it('what was typed in one go is one text, and goes before the edits', () => {
  const edits: Edit[] = [typed(8, ' of'), typed(11, ' the'), typed(0, 'Now '), typed(0, '!', 'b')];
  expect(wordsOfAll(edits)).toEqual([' of the', 'Now ', '!']);
  const together: Edit = { type: 'together', edits };
  expect(wordsOfAll([together, { type: 'remove', ids: ['a'] }])).toHaveLength(4);
  const file = JSON.parse(setAsideFile({ reason: 'It is gone.', at: null, edits })) as object;
  expect(file).toMatchObject({ reason: 'It is gone.', at: null, words: [' of the', 'Now ', '!'], edits });
  expect(Object.keys(file)).toEqual(['reason', 'at', 'words', 'edits']);
});
