/** Changes of the document as edits of the track. */
import type { Edit } from '../../../core/model/edits.ts';
import { joint } from '../../../core/operations/joint.ts';
import type { HouseStyle } from '../../../core/style/style.ts';
import { spotAt, type Layout, type TextChange } from './layout.ts';

export interface EditOfChange {
  readonly edit: Edit;
  /** Whether the document after the change is already what the track says, so that it can stand as typed. */
  readonly asTyped: boolean;
  /** Whether it is typing that may merge with the typing before it. */
  readonly mergeable: boolean;
}

function across(layout: Layout, change: TextChange, style: HouseStyle): Edit | null {
  const from = spotAt(layout, change.from);
  const to = spotAt(layout, change.to);
  const first = layout.captions[from.index];
  const last = layout.captions[to.index];
  if (!first || !last) return null;
  if (to.index === from.index + 1 && from.offset === first.text.length && to.offset === 0 && change.insert === '') {
    return { type: 'join', id: first.id, next: last.id, between: joint(first, last, style) };
  }
  const middle = layout.captions.slice(from.index + 1, to.index).map((c) => c.id);
  const keepsFirst = from.offset > 0 || change.insert !== '';
  const keepsLast = to.offset < last.text.length;
  const gone = [...(keepsFirst ? [] : [first.id]), ...middle, ...(keepsLast ? [] : [last.id])];
  const edits: Edit[] = [];
  if (keepsFirst && (from.offset < first.text.length || change.insert !== ''))
    edits.push({ type: 'splice', id: first.id, from: from.offset, to: first.text.length, insert: change.insert });
  if (keepsLast && to.offset > 0) edits.push({ type: 'splice', id: last.id, from: 0, to: to.offset, insert: '' });
  if (gone.length > 0) edits.push({ type: 'remove', ids: gone });
  return { type: 'together', edits };
}

/**
 * Translates the changes of one transaction.
 * @param changes in document order, positions in the document before all of them
 * @returns null when there is nothing to change
 */
export function editOfChange(layout: Layout, changes: readonly TextChange[], style: HouseStyle): EditOfChange | null {
  let asTyped = true;
  const edits = [...changes].reverse().flatMap((raw): Edit[] => {
    const change = { ...raw, insert: raw.insert.replace(/\r\n?/g, '\n') };
    const from = spotAt(layout, change.from);
    const to = spotAt(layout, change.to);
    const caption = layout.captions[from.index];
    if (!caption) return [];
    if (from.index === to.index)
      return [{ type: 'splice', id: caption.id, from: from.offset, to: to.offset, insert: change.insert }];
    asTyped = false;
    const edit = across(layout, change, style);
    return edit ? [edit] : [];
  });
  const [only] = edits;
  if (!only) return null;
  return {
    edit: edits.length === 1 ? only : { type: 'together', edits },
    asTyped,
    mergeable: edits.length === 1 && only.type === 'splice' && !only.insert.includes('\n'),
  };
}
