/** Brings batches to the server, one after the other, carried over whatever others did meanwhile. */
import type { Caption, Track } from '../../core/track/caption.ts';
import { apply, type Edit } from '../../core/track/edits.ts';
import { rebase } from '../../core/track/rebase.ts';
import { ask, Refusal } from '../api/client.ts';
import type { Batch, Outbox } from './outbox.ts';

export interface Behind {
  readonly edit: number;
  readonly since: readonly Edit[];
}

export const newId = (): string => crypto.randomUUID();

/** Sends one batch. @returns its last edit number, or what others did since its base @throws {Refusal} */
export async function post(batch: Batch): Promise<number | Behind> {
  try {
    const { edit } = await ask<{ edit: number }>('POST', `/tracks/${batch.track}/edits`, {
      id: batch.id,
      base: batch.base,
      edits: batch.edits,
    });
    return edit;
  } catch (error) {
    if (error instanceof Refusal && error.code === 'behind') return error.details as Behind;
    throw error;
  }
}

export const applyAll = (captions: readonly Caption[], edits: readonly Edit[]): readonly Caption[] =>
  edits.reduce((now, edit) => apply(now, edit).captions, captions);

/**
 * Delivers what a page left behind when it closed.
 * @returns how many captions had to be kept twice
 * @throws {Refusal} when the server is away; the batches stay where they are
 */
export async function deliverLeft(batches: readonly Batch[], outbox: Outbox): Promise<number> {
  let base = batches[0]?.base ?? 0;
  for (let i = 0; i < batches.length; i++) {
    const batch = batches[i];
    if (!batch) break;
    const answer = await post({ ...batch, base });
    if (typeof answer === 'number') {
      base = answer;
      const next = batches[i + 1];
      await outbox.exchange([batch.id], next ? { ...next, base } : null);
      continue;
    }
    const before = await ask<Track>('GET', `/tracks/${batch.track}?at=${String(base)}`);
    const rest = batches.slice(i);
    const carried = rebase(
      before.captions,
      rest.flatMap((b) => b.edits),
      answer.since,
      newId,
    );
    const next: Batch | null =
      carried.edits.length > 0 ? { ...batch, id: newId(), base: answer.edit, edits: carried.edits } : null;
    await outbox.exchange(
      rest.map((b) => b.id),
      next,
    );
    return carried.kept.length + (next ? await deliverLeft([next], outbox) : 0);
  }
  return 0;
}
