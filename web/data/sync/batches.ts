/** Edits that wait, as batches to be sent. */
import type { WaitingEdit } from './outbox.ts';

/** Most edits of a batch, and most characters of its JSON; one edit goes however long it is. */
const [mostEdits, mostCharacters] = [500, 1_000_000];

/** The first edits of a line that were sent in one batch; none where the first has not been sent. */
export function sentTogether(waiting: readonly WaitingEdit[]): readonly WaitingEdit[] {
  const batch = waiting[0]?.batch ?? null;
  if (batch === null) return [];
  const end = waiting.findIndex((w) => w.batch !== batch);
  return end < 0 ? waiting : waiting.slice(0, end);
}

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
  if (before) return { id: before, edits: sentTogether(waiting) };
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
