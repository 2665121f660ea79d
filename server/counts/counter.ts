/**
 * Counts the findings that have to go of each job’s fair copy: after edits, once nothing was asked for a
 * moment, in a thread of its own, one track at a time. What is shown rests on the edit and the basis it
 * was counted on; anything else is counted again.
 */
import { Worker } from 'node:worker_threads';
import type { FastifyBaseLogger } from 'fastify';
import type { Knex } from 'knex';
import type { Changes } from '../changes.ts';
import { toLog } from '../http/errors.ts';
import { countMust, type Counted } from './count.ts';
import type { EditLog } from '../tracks/log.ts';

/** Nothing has changed for so long, in ms, before anything is counted. */
const quiet = 1500;

export interface Counter {
  readonly close: () => Promise<void>;
}

/** Counts one track at a time. */
export interface FindingCounts {
  readonly count: (track: string) => Promise<Counted>;
  readonly close: () => Promise<void>;
}

/** On the thread of the server itself. */
export const countingHere = (db: Knex, log: EditLog): FindingCounts => ({
  count: (track) => countMust(db, log, track),
  close: () => Promise.resolve(),
});

/** In a thread that reads the data folder by itself, begun when it is first needed. @param program the built thread */
export function countingApart(program: string, folder: string): FindingCounts {
  let worker: Worker | null = null;
  let waiting: { readonly resolve: (counted: Counted) => void; readonly reject: (error: Error) => void } | null = null;

  function startThread(): Worker {
    const thread = new Worker(program, { workerData: folder });
    const lost = (error: unknown): void => {
      // One that is late to go takes nothing of the next one's.
      if (worker !== thread) return;
      worker = null;
      waiting?.reject(
        error instanceof Error ? error : new Error(`The thread that counts ended with ${String(error)}.`),
      );
      waiting = null;
    };
    thread.on('error', lost);
    thread.on('exit', lost);
    thread.on('message', (answer: Counted | { readonly trouble: string }) => {
      if (worker !== thread) return;
      const asker = waiting;
      waiting = null;
      if ('trouble' in answer) asker?.reject(new Error(answer.trouble));
      else asker?.resolve(answer);
    });
    // It ends with the server, and does not hold that up.
    thread.unref();
    return thread;
  }

  return {
    count: (track) =>
      new Promise((resolve, reject) => {
        waiting = { resolve, reject };
        (worker ??= startThread()).postMessage(track);
      }),
    async close() {
      await worker?.terminate();
    },
  };
}

/** Fair copies whose count rests on another edit or another basis than they have now. */
const uncounted = (db: Knex): Knex.QueryBuilder =>
  db('tracks')
    .join('jobs', 'jobs.id', 'tracks.job')
    .where('tracks.kind', 'captions')
    .whereNull('tracks.deleted')
    .whereRaw('(tracks.must_edit is not tracks.edit or tracks.must_basis is not jobs.basis)')
    .whereNotExists(
      db('tracks as earlier').whereRaw(
        'earlier.job = tracks.job and earlier.kind = tracks.kind and earlier.position < tracks.position and earlier.deleted is null',
      ),
    )
    .orderBy('jobs.made', 'desc')
    .select('tracks.id', 'tracks.job');

/** Counts the findings of tracks whose counts are out of date, one track at a time, while nothing else waits. */
export function counter(
  db: Knex,
  { change, listen }: Changes,
  counting: FindingCounts,
  log: FastifyBaseLogger,
): Counter {
  let timer: NodeJS.Timeout | undefined;
  let working: Promise<void> | null = null;
  const closing = new AbortController();
  const isClosed = (): boolean => closing.signal.aborted;
  let changed = 0;
  /** Tracks that could not be counted as they are; they wait for their next edit, or the next start. */
  const failedTracks = new Set<string>();

  function soon(): void {
    changed++;
    if (working) return;
    clearTimeout(timer);
    if (!isClosed()) timer = setTimeout(begin, quiet).unref();
  }
  function begin(): void {
    working = countAll()
      .catch((error: unknown) => {
        log.error(toLog(error), 'counts');
        return true;
      })
      .then((finished) => {
        working = null;
        // Somebody was at work meanwhile: it goes on when they are not.
        if (!finished) soon();
      });
  }

  /** @returns whether all is counted; false where it left off because somebody is at work */
  async function countAll(): Promise<boolean> {
    const at = changed;
    for (;;) {
      const rows = (await uncounted(db)) as readonly { readonly id: string; readonly job: string }[];
      const next = rows.find(({ id }) => !failedTracks.has(id));
      if (isClosed()) return true;
      if (!next) return changed === at;
      if (changed !== at) return false;
      try {
        const { must, edit, basis } = await counting.count(next.id);
        if (isClosed()) return true;
        await change(async (tx, say) => {
          await tx('tracks').where({ id: next.id }).update({ must, must_edit: edit, must_basis: basis });
          say({ what: 'counted', job: next.job });
        });
      } catch (error) {
        failedTracks.add(next.id);
        if (!isClosed()) log.error(toLog(error), 'counts');
      }
    }
  }

  const stop = listen((told) => {
    if (told.what === 'edits') failedTracks.delete(told.track);
    if (told.what === 'edits' || told.what === 'job' || told.what === 'recording') soon();
  });
  soon();
  return {
    async close() {
      closing.abort();
      stop();
      clearTimeout(timer);
      await counting.close();
      await working;
    },
  };
}
