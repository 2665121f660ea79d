/**
 * Runs the work that the server does: each kind by its handler, some at once, picked up again after a
 * restart, tried again after growing pauses.
 *
 * Invariants:
 * - A row says `running` before its handler begins, and what it comes to is written in one transaction
 *   with what follows from it. A kill between the two leaves `running`, which is begun again; so a
 *   handler that has acted on the world asks first whether it already has (`tries` over 1).
 * - Work that was stopped by hand is never written to by the handler that was still on it.
 */
import type { FastifyBaseLogger } from 'fastify';
import type { Knex } from 'knex';
import { ApiError } from '../../core/contract/api-error.ts';
import type { ErrorCode } from '../../core/contract/error-codes.ts';
import { pauseAfter, type Work, type WorkKind } from '../../core/job/work.ts';
import type { Changes, Say } from '../changes.ts';
import { apiErrorOf, toLog } from '../http/errors.ts';
import { changeWork, openWork, workRow, type WorkRow } from './store.ts';

/** What a handler is given. */
export interface WorkRun {
  readonly work: Work;
  /** Aborted where the work is stopped, or the server. */
  readonly signal: AbortSignal;
  /** @param share that is done, 0 to 1 */
  readonly progress: (share: number) => void;
}

/** It is done, with what that changes; or it goes on later, after a pause in ms. */
export type Outcome = { readonly done: (tx: Knex, say: Say) => Promise<void> } | { readonly later: number };
export type WorkHandler = (run: WorkRun) => Promise<Outcome>;

export interface WorkQueue {
  /** Says who does a kind of work. */
  readonly handle: (kind: WorkKind, handler: WorkHandler) => void;
  /** Looks for work that is due. */
  readonly wake: () => void;
  /** @throws {ApiError} when there is no such work */
  readonly stop: (id: string) => Promise<Work>;
  readonly again: (id: string) => Promise<Work>;
  readonly close: () => Promise<void>;
}

interface Running {
  readonly job: string | null;
  readonly aborting: AbortController;
  readonly ended: Promise<void>;
}

/** So many run at once. */
const atOnce = 4;
/** Progress is written down this often, in ms. */
const progressEvery = 400;
/** The longest a look for work is put off, in ms; timers count no further than 24 days. */
const longestWait = 3600 * 1000;

const passing: ReadonlySet<ErrorCode> = new Set(['destination-away', 'busy', 'disk-full']);

/** Work that the server does: each kind by its handler, again after a failure that may pass. */
export function workQueue(db: Knex, { change: changing, listen }: Changes, log: FastifyBaseLogger): WorkQueue {
  const handlers = new Map<WorkKind, WorkHandler>();
  const running = new Map<string, Running>();
  let timer: NodeJS.Timeout | undefined;
  let closed = false;

  /** Changes work that is still as `where` has it. @param also what is done in the same transaction */
  const changed = (
    where: Partial<WorkRow> & { readonly id: string },
    to: Partial<WorkRow>,
    also?: (tx: Knex, say: Say) => Promise<void>,
  ): Promise<WorkRow | null> =>
    changing(async (tx, say) => {
      const row = await changeWork(tx, where, to);
      if (!row) return null;
      await also?.(tx, say);
      say({ what: 'work', row });
      return row;
    });

  /** Server’s work that is not over and that nobody here is on. */
  const open = () =>
    db<WorkRow>('work')
      .where({ by: 'server' })
      .whereIn('state', ['waiting', 'running'])
      .whereNotIn('id', [...running.keys()])
      .whereIn('kind', [...handlers.keys()]);

  let looking = false;
  let lookAgain = false;
  async function look(): Promise<void> {
    lookAgain = true;
    if (looking) return;
    looking = true;
    try {
      while (lookAgain && !closed) {
        lookAgain = false;
        const due = await open()
          .where('next', '<=', Date.now())
          .orderBy('next')
          .limit(Math.max(0, atOnce - running.size));
        for (const row of due) begin(row);
        const later = await open().min({ next: 'next' }).first();
        const next: unknown = later?.['next'];
        clearTimeout(timer);
        if (typeof next === 'number' && running.size < atOnce)
          timer = setTimeout(wake, Math.min(longestWait, Math.max(10, next - Date.now()))).unref();
      }
    } catch (error) {
      log.error(toLog(error), 'work');
      timer = setTimeout(wake, 1000).unref();
    } finally {
      looking = false;
    }
  }
  function wake(): void {
    if (!closed) void look();
  }

  function begin(row: WorkRow): void {
    const aborting = new AbortController();
    const ended = run(row, aborting.signal).catch((error: unknown) => log.error(toLog(error), 'work'));
    running.set(row.id, {
      job: row.job,
      aborting,
      ended: ended.finally(() => {
        running.delete(row.id);
        wake();
      }),
    });
  }

  async function run(due: WorkRow, signal: AbortSignal): Promise<void> {
    const row = await changed({ id: due.id, state: due.state }, { state: 'running', tries: due.tries + 1 });
    const handler = row && handlers.get(row.kind);
    if (!row || !handler) return;
    const { id } = row;
    let written = 0;
    const progress = (share: number): void => {
      if (Date.now() - written < progressEvery) return;
      written = Date.now();
      changed({ id, state: 'running' }, { progress: share }).catch(() => undefined);
    };
    /** Writes down what it came to, unless it was stopped meanwhile. */
    const end = (to: Partial<WorkRow>, also?: (tx: Knex, say: Say) => Promise<void>): Promise<WorkRow | null> =>
      changed({ id, state: 'running' }, to, also);
    try {
      const outcome = await handler({ work: openWork(row), signal, progress });
      if ('done' in outcome) await end({ state: 'done', progress: 1, reason: null, next: null }, outcome.done);
      else await end({ state: 'waiting', reason: null, next: Date.now() + outcome.later });
    } catch (error) {
      // Stopped by hand it is written down already; with the server, it is begun again at the next start.
      if (signal.aborted) return;
      const problem = apiErrorOf(error);
      if (problem.code === 'unexpected') log.error(toLog(error), 'work');
      const { message: reason } = problem;
      if (passing.has(problem.code)) await end({ state: 'waiting', reason, next: Date.now() + pauseAfter(row.tries) });
      else await end({ state: 'failed', reason, next: null });
    }
  }

  async function change(id: string, to: Partial<WorkRow>): Promise<Work> {
    return openWork((await changed({ id }, to)) ?? (await workRow(db, id)));
  }

  listen((told) => {
    if (told.what === 'new work') wake();
    // Whatever runs of a job that is gone is broken off.
    if (told.what === 'gone' && told.job !== null)
      for (const { job, aborting } of running.values())
        if (job === told.job) aborting.abort(new ApiError('stopped', 'Its job was deleted.'));
  });

  return {
    handle: (kind, handler) => void handlers.set(kind, handler),
    wake,
    async stop(id) {
      const row = await workRow(db, id);
      if (row.state === 'done' || row.state === 'stopped') return openWork(row);
      const work = await change(id, { state: 'stopped', next: null, reason: null, holder: null, until: null });
      running.get(id)?.aborting.abort(new ApiError('stopped', 'It was stopped by hand.'));
      return work;
    },
    async again(id) {
      const row = await workRow(db, id);
      if (row.state === 'done' || row.state === 'running') return openWork(row);
      // Begun again only after what was stopped has let go of it.
      await running.get(id)?.ended;
      const work = await change(id, { state: 'waiting', next: Date.now(), reason: null });
      wake();
      return work;
    },
    async close() {
      closed = true;
      clearTimeout(timer);
      const all = [...running.values()];
      for (const { aborting } of all) aborting.abort();
      await Promise.all(all.map(({ ended }) => ended));
    },
  };
}
