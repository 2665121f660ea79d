/**
 * The one way anything here changes: a transaction that writes, and says what it changes. What counts of findings rest on is
 * raised in the same transaction. Once it is kept, whoever holds something of it in memory lets go, work that came is
 * begun, and pages are told. No route does one of these by itself, so none can forget to.
 */
import type { Knex } from 'knex';
import type { ServerEvent } from '../core/contract/work.ts';
import { setBasis } from './counts/basis.ts';
import { writing } from './database/writing.ts';
import { openWork, type WorkRow } from './work/store.ts';

/** Something that has changed. */
export type Changed =
  /** A job, its tracks, or what was handed over of it. */
  | { readonly what: 'job'; readonly job: string }
  /** Tracks that are there no more, with their whole job or without it. */
  | { readonly what: 'gone'; readonly job: string | null; readonly tracks: readonly string[] }
  /** What is known of a recording, whichever jobs have it. */
  | { readonly what: 'recording'; readonly hash: string }
  /** What the list of jobs shows beside them. */
  | { readonly what: 'list' }
  /** How many findings a track of a job has. */
  | { readonly what: 'counted'; readonly job: string }
  | { readonly what: 'edits'; readonly track: string; readonly edit: number }
  | { readonly what: 'work'; readonly row: WorkRow }
  /** Work was written down that waits. */
  | { readonly what: 'new work' };

/** Says in a transaction what it changes. */
export type Say = (changed: Changed) => void;

export interface Changes {
  /** @returns what the work gives, once it is kept @throws {ApiError} `busy` when the database stays taken */
  readonly change: <T>(work: (tx: Knex.Transaction, say: Say) => Promise<T>) => Promise<T>;
  /** What counts rest on may have changed with the rules: to be called once at the start. */
  readonly raiseAll: () => Promise<void>;
  /** Told what has changed, after it is kept. @returns stops listening */
  readonly listen: (listener: (changed: Changed) => void) => () => void;
}

/** What pages are told of a change; null where it is none of theirs. */
export function eventOf(changed: Changed): ServerEvent | null {
  switch (changed.what) {
    case 'job':
    case 'counted':
      return { type: 'jobs', job: changed.job };
    case 'gone':
      return changed.job === null ? null : { type: 'jobs', job: changed.job };
    case 'recording':
    case 'list':
      return { type: 'jobs', job: null };
    case 'edits':
      return { type: 'track', track: changed.track, edit: changed.edit };
    case 'work':
      return { type: 'work', work: openWork(changed.row) };
    case 'new work':
      return null;
  }
}

/**
 * The one door to the database for whatever changes something.
 * @returns who may change, and who listens
 */
export function changes(db: Knex): Changes {
  const listeners = new Set<(changed: Changed) => void>();
  return {
    async change(work) {
      let said: Changed[] = [];
      const result = await writing(db, async (tx) => {
        // Tried again, it says everything again.
        said = [];
        const given = await work(tx, (changed) => void said.push(changed));
        for (const id of new Set(said.flatMap((c) => (c.what === 'job' ? [c.job] : [])))) await setBasis(tx, { id });
        for (const recording of new Set(said.flatMap((c) => (c.what === 'recording' ? [c.hash] : []))))
          await setBasis(tx, { recording });
        return given;
      });
      for (const changed of said) for (const listener of listeners) listener(changed);
      return result;
    },
    raiseAll: () => writing(db, (tx) => setBasis(tx)),
    listen(listener) {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
  };
}
