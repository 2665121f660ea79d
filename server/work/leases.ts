/** Work that pages run: one of them at a time, which says again and again that it is still there. */
import type { Knex } from 'knex';
import { ApiError } from '../../core/contract/api-error.ts';
import { leaseMs } from '../../core/contract/limits.ts';
import type { Leased } from '../../core/contract/work.ts';
import { isOver, type Work } from '../../core/job/work.ts';
import type { Changes } from '../changes.ts';
import { changeWork, openWork, workRow, type WorkRow } from './store.ts';

interface PartRow {
  readonly work: string;
  readonly number: number;
  readonly part: string;
}

export interface Leases {
  /** Takes work for a page, or renews what it has. @throws {ApiError} `leased` where it is not this page’s to do */
  readonly take: (id: string, page: string, progress?: number) => Promise<Leased>;
  /** Keeps a part that is done, once. @throws {ApiError} `leased` */
  readonly part: (id: string, page: string, number: number, part: unknown, progress: number) => Promise<Work>;
  /** @param reason why it cannot be done; null where it is done @throws {ApiError} `leased` */
  readonly end: (id: string, page: string, reason: string | null) => Promise<Work>;
}

const notYours = (): ApiError =>
  new ApiError('leased', 'Another page is on this work, or it is over. Nothing is lost: what was done of it is kept.');

/**
 * Work that pages do: each is leased to one page for a while.
 * @param now in ms since 1970
 */
export function leases({ change: changing }: Pick<Changes, 'change'>, now: () => number = Date.now): Leases {
  const mayTake = (row: WorkRow, page: string): boolean =>
    row.by === 'page' && !isOver(row) && (row.holder === page || row.holder === null || (row.until ?? 0) <= now());

  /** Changes work that a page may have, in one transaction with what else is done. */
  async function change<T>(
    id: string,
    may: (row: WorkRow) => boolean,
    to: (row: WorkRow) => Partial<WorkRow>,
    also: (tx: Knex) => Promise<T>,
  ): Promise<{ readonly row: WorkRow; readonly result: T }> {
    return changing(async (tx, say) => {
      const row = await workRow(tx, id);
      if (!may(row)) throw notYours();
      const result = await also(tx);
      const now = (await changeWork(tx, { id }, to(row))) ?? row;
      say({ what: 'work', row: now });
      return { row: now, result };
    });
  }
  const nothing = (): Promise<void> => Promise.resolve();

  return {
    async take(id, page, progress) {
      const { row, result } = await change(
        id,
        (found) => mayTake(found, page),
        (found) => ({
          state: 'running',
          holder: page,
          until: now() + leaseMs,
          tries: found.tries + (found.holder === page ? 0 : 1),
          ...(progress === undefined ? {} : { progress }),
        }),
        (tx) => tx<PartRow>('work_parts').where({ work: id }).orderBy('number'),
      );
      return {
        work: openWork(row),
        parts: result.map(({ number, part }) => ({ number, part: JSON.parse(part) as unknown })),
      };
    },
    async part(id, page, number, part, progress) {
      const { row } = await change(
        id,
        (found) => found.holder === page && mayTake(found, page),
        () => ({ until: now() + leaseMs, progress }),
        async (tx) => {
          const kept: PartRow = { work: id, number, part: JSON.stringify(part) };
          await tx('work_parts').insert(kept).onConflict(['work', 'number']).ignore();
        },
      );
      return openWork(row);
    },
    async end(id, page, reason) {
      const over = { holder: null, until: null, next: null, reason };
      const { row } = await change(
        id,
        (found) => found.holder === page && mayTake(found, page),
        () => (reason === null ? { ...over, state: 'done', progress: 1 } : { ...over, state: 'failed' }),
        nothing,
      );
      return openWork(row);
    },
  };
}
