/** The table of work: what there is to do, how far it has come, and who is on it. */
import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import { workKinds, type Work, type WorkKind } from '../../core/job/work.ts';
import { missing } from '../http/errors.ts';

export interface WorkRow extends Work {
  /** The page that is on it, and until when, in ms since 1970. */
  readonly holder: string | null;
  readonly until: number | null;
}

export interface NewWork {
  readonly kind: WorkKind;
  readonly subject: string;
  readonly job: string | null;
  /** Not before this moment, in ms since 1970. */
  readonly next?: number;
}

/** Work as it is given out. */
export const openWork = ({ holder: _h, until: _u, ...work }: WorkRow): Work => work;

/** Writes work down, once for each kind and subject. */
export async function addWork(
  tx: Knex,
  say: (changed: { readonly what: 'new work' }) => void,
  { kind, subject, job, next }: NewWork,
): Promise<void> {
  const now = Date.now();
  const row: WorkRow = {
    id: randomUUID(),
    kind,
    subject,
    job,
    by: workKinds[kind],
    state: 'waiting',
    progress: 0,
    tries: 0,
    reason: null,
    next: next ?? now,
    holder: null,
    until: null,
    made: now,
    changed: now,
  };
  await tx('work').insert(row).onConflict(['kind', 'subject']).ignore();
  say({ what: 'new work' });
}

/** @throws {ApiError} when there is no such work */
export async function workRow(db: Knex, id: string): Promise<WorkRow> {
  const row = await db<WorkRow>('work').where({ id }).first();
  if (!row) throw missing('This work');
  return row;
}

/** Changes work. @returns it as it is now; null where it is gone, or no longer as `where` has it */
export async function changeWork(
  tx: Knex,
  where: Partial<WorkRow> & { readonly id: string },
  change: Partial<WorkRow>,
): Promise<WorkRow | null> {
  const changed = await tx<WorkRow>('work')
    .where(where)
    .update({ ...change, changed: Date.now() });
  return changed === 0 ? null : workRow(tx, where.id);
}

/** Work of a job, or all there is, the oldest first. */
export const listWork = (db: Knex, job?: string): Promise<WorkRow[]> =>
  db<WorkRow>('work')
    .where(job === undefined ? {} : { job })
    .orderBy('made');
