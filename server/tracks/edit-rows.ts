/** The rows of the edit log: edits by number, and snapshots of the captions after some of them. */
import type { Knex } from 'knex';
import { ApiError } from '../../core/contract/api-error.ts';
import type { Caption } from '../../core/model/caption.ts';
import type { Edit } from '../../core/model/edits.ts';
import { filledCaptions, filledEdit } from '../../core/model/filled.ts';
import type { Batch } from '../../core/model/logged.ts';
import type { LoggedEdit } from '../../core/model/track-versions.ts';
import { keptSnapshots, snapshotEvery } from './snapshots.ts';

interface EditRow {
  readonly track: string;
  readonly number: number;
  readonly batch: string;
  readonly edit: string;
  readonly at: number;
}

const otherHistory = (): ApiError =>
  new ApiError(
    'other-history',
    'This track has another history on the server than on this page: its data folder was put back to another state. Nothing was changed there.',
  );

/** Edits of a track after a number, in order. */
export async function editsAfter(tx: Knex, id: string, after: number, upTo = Number.MAX_SAFE_INTEGER): Promise<Edit[]> {
  const rows = await tx<EditRow>('edits')
    .where({ track: id })
    .where('number', '>', after)
    .where('number', '<=', upTo)
    .orderBy('number')
    .select('edit');
  return rows.map((row) => filledEdit(JSON.parse(row.edit) as Edit));
}

/** The batch that made an edit; null where there is none. */
export async function batchAt(tx: Knex, id: string, number: number): Promise<string | null> {
  const row = await tx<EditRow>('edits').where({ track: id, number }).select('batch').first();
  return row?.batch ?? null;
}

/** The number of the last edit of a batch; null where the log does not have it. */
export async function lastOfBatch(tx: Knex, track: string, batch: string): Promise<number | null> {
  const found = await tx<EditRow>('edits').where({ track, batch }).max({ last: 'number' }).first();
  const last: unknown = found?.['last'];
  return typeof last === 'number' ? last : null;
}

/** The captions after an edit of this number or one before it, whichever was written down last. */
export async function snapshotBefore(
  tx: Knex,
  track: string,
  number: number,
): Promise<{ readonly edit: number; readonly captions: readonly Caption[] }> {
  const found = await tx<{ track: string; edit: number; captions: string }>('snapshots')
    .where({ track })
    .where('edit', '<=', number)
    .orderBy('edit', 'desc')
    .first();
  return found
    ? { edit: found.edit, captions: filledCaptions(JSON.parse(found.captions) as Caption[]) }
    : { edit: 0, captions: [] };
}

/** @param last number of the track's last edit @throws {ApiError} `other-history` where this edit of this batch is not in its log */
export async function inThisLog(tx: Knex, id: string, last: number, base: number, batch: string | null): Promise<void> {
  if (base > last || (batch !== null && base > 0 && (await batchAt(tx, id, base)) !== batch)) throw otherHistory();
}

/** A whole log, from the first edit on, a part at a time: edits of a long track can be large. */
export async function* everyEdit(db: Knex, id: string): AsyncGenerator<LoggedEdit> {
  for (let after = 0; ;) {
    const rows = await db<EditRow>('edits')
      .where({ track: id })
      .where('number', '>', after)
      .orderBy('number')
      .limit(100)
      .select('number', 'at', 'edit');
    for (const { number, at, edit } of rows) yield { number, at, edit: filledEdit(JSON.parse(edit) as Edit) };
    const last = rows.at(-1);
    if (!last) return;
    after = last.number;
  }
}

async function thinOut(tx: Knex, id: string, last: number): Promise<void> {
  const rows = await tx<{ track: string; edit: number }>('snapshots').where({ track: id }).select('edit');
  const kept = keptSnapshots(
    rows.map((row) => row.edit),
    last,
  );
  if (kept.length < rows.length) await tx('snapshots').where({ track: id }).whereNotIn('edit', kept).delete();
}

/**
 * Writes edits and what follows from them.
 * @param before number of the edit they come after
 * @param captions after all of them
 * @param at when they were made, in ms since 1970
 * @returns the number of the last
 */
export async function writeEdits(
  tx: Knex,
  id: string,
  before: number,
  batch: Batch,
  captions: readonly Caption[],
  at: number,
): Promise<number> {
  const rows = batch.edits.map((edit, i): EditRow => ({
    track: id,
    number: before + i + 1,
    batch: batch.id,
    edit: JSON.stringify(edit),
    at,
  }));
  const number = before + rows.length;
  for (let i = 0; i < rows.length; i += 150) await tx('edits').insert(rows.slice(i, i + 150));
  const large = rows.some((row) => row.edit.length > 200_000);
  if (large || Math.floor(number / snapshotEvery) > Math.floor(before / snapshotEvery)) {
    await tx('snapshots').insert({ track: id, edit: number, captions: JSON.stringify(captions) });
    await thinOut(tx, id, number);
  }
  await tx('tracks')
    .where({ id })
    .update({ edit: number, captions: captions.length, proofed: captions.filter((c) => c.proofed).length });
  return number;
}
