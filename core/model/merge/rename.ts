/** Edits of a caption that goes by another id from here on. */
import type { Single } from '../edits.ts';
import type { Cross } from './cross.ts';
import { after, type Rename } from './parts.ts';

function renamed(edit: Single, { id: from, to }: Rename): Single {
  const id = (of: string): string => (of === from ? to : of);
  const each = <T extends { readonly id: string }>(list: readonly T[]): readonly T[] =>
    list.map((c) => ({ ...c, id: id(c.id) }));
  switch (edit.type) {
    case 'join':
      return { ...edit, id: id(edit.id), next: id(edit.next) };
    case 'retime':
      return { ...edit, captions: each(edit.captions) };
    case 'setWords':
      return { ...edit, captions: each(edit.captions) };
    case 'setCaptions':
    case 'insert':
      return { ...edit, captions: each(edit.captions) };
    case 'remove':
    case 'proof':
      return { ...edit, ids: edit.ids.map(id) };
    case 'replace':
      return { ...edit, removed: edit.removed.map(id), captions: each(edit.captions) };
    default:
      return { ...edit, id: id(edit.id) };
  }
}

/** The own edit names the caption again; nothing is left to rename once it takes the caption away. */
export const overRename: Cross<Single, Rename> = (own, theirs, at) => ({
  own: [renamed(own, theirs)],
  theirs: after(at, [own]).has(theirs.id) ? [theirs] : [],
});
