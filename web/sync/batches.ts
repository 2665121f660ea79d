/** Edits that wait, as batches to be sent. */
import type { WaitingEdit } from './outbox.ts';

/** Most edits of a batch, and most characters of its JSON; one edit goes however long it is. */
const [mostEdits, mostCharacters] = [500, 1_000_000];

/**
 * The batch to be sent next: the one that was sent before, as it was, or as many edits as go into one.
 * @param most fewer edits than a batch may have
 */
export function nextBatch(
  waiting: readonly WaitingEdit[],
  newId: () => string,
  most = mostEdits,
): { readonly id: string; readonly edits: readonly WaitingEdit[] } {
  const before = waiting[0]?.batch;
  if (before) {
    const end = waiting.findIndex((w) => w.batch !== before);
    return { id: before, edits: end < 0 ? waiting : waiting.slice(0, end) };
  }
  const id = newId();
  let characters = 0;
  const edits: WaitingEdit[] = [];
  for (const w of waiting) {
    characters += JSON.stringify(w.edit).length;
    if (w.batch !== null || edits.length === most || (edits.length > 0 && characters > mostCharacters)) break;
    edits.push({ ...w, batch: id });
  }
  return { id, edits };
}
