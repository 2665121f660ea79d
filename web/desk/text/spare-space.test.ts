import { EditorState } from '@codemirror/state';
import { spareSpaceAt } from './spare-space.ts';

it.each([
  ['the | is shut', { from: 4, to: 5 }],
  ['the| is shut', null],
  ['the |is shut', null],
  ['| is shut', { from: 0, to: 1 }],
  ['the gate |', { from: 8, to: 9 }],
  ['the gate |\nis shut', { from: 8, to: 9 }],
  ['the gate\n| is shut', { from: 9, to: 10 }],
  ['|', null],
])('%j', (text, spare) => {
  const at = text.indexOf('|');
  const state = EditorState.create({ doc: text.replace('|', '') });
  expect(spareSpaceAt(state, at)).toEqual(spare);
});
