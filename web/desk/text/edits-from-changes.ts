/** Changes by hand as edits: what is typed, cut or dropped becomes an edit of captions before it happens. */
import { EditorState } from '@codemirror/state';
import { apply } from '../../../core/model/apply.ts';
import type { Edit } from '../../../core/model/edits.ts';
import { cleaned } from './clipboard.ts';
import { specFor } from './edit-commands.ts';
import { documentOf, type TextChange } from './layout.ts';
import { aroundField, fromTrack, layoutField, setCaptions, surfaceStyle, trackChange } from './state.ts';
import { editOfChange } from './edit-of-change.ts';

export const editsFromChanges = EditorState.transactionFilter.of((tr) => {
  if (!tr.docChanged || tr.annotation(fromTrack) || tr.annotation(trackChange)) return tr;
  const changes: TextChange[] = [];
  let written = 0;
  tr.changes.iterChanges((from, to, _fromB, _toB, text) => {
    const insert = cleaned(text.toString());
    written += text.length;
    changes.push({ from, to, insert });
  });
  const isClean = changes.reduce((sum, c) => sum + c.insert.length, 0) === written;
  const layout = tr.startState.field(layoutField);
  const result = editOfChange(layout, changes, surfaceStyle(tr.startState));
  if (!result) return [];
  const first = changes[0]?.from ?? 0;
  if (!result.asTyped || !isClean) {
    const caret = first + (changes[0]?.insert.length ?? 0);
    return specFor(tr.startState, result.edit, false, (captions) => Math.min(caret, documentOf(captions).length));
  }
  const keeps = tr.startState.field(aroundField)?.keepsProof === true && result.edit.type === 'splice';
  const edit: Edit = keeps ? { ...result.edit, keeps } : result.edit;
  const applied = apply(layout.captions, edit);
  return [
    tr,
    {
      effects: setCaptions.of(applied.captions),
      annotations: trackChange.of({ edit, applied, mergeable: result.mergeable }),
    },
  ];
});
