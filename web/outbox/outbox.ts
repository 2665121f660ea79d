/** What this browser has not yet been told is kept: batches of edits in IndexedDB, until the server has them. */
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Edit } from '../../core/track/edits.ts';

export interface Batch {
  readonly id: string;
  readonly track: string;
  /** The page that made it; another page takes it over once that one is gone. */
  readonly client: string;
  /** Order of making. */
  readonly order: number;
  /** The edit number its edits were made on, as far as is known. */
  readonly base: number;
  readonly edits: readonly Edit[];
}

interface Shape extends DBSchema {
  batches: { key: string; value: Batch; indexes: { track: string } };
}

export interface Outbox {
  readonly put: (batch: Batch) => Promise<void>;
  /** Puts one batch in the place of others, all or nothing. */
  readonly exchange: (gone: readonly string[], put: Batch | null) => Promise<void>;
  /** All batches of a track in order of making. */
  readonly all: (track: string) => Promise<Batch[]>;
}

export async function openOutbox(): Promise<Outbox> {
  const db: IDBPDatabase<Shape> = await openDB<Shape>('fenwix', 1, {
    upgrade(fresh) {
      fresh.createObjectStore('batches', { keyPath: 'id' }).createIndex('track', 'track');
    },
  });
  return {
    async put(batch) {
      await db.put('batches', batch);
    },
    async exchange(gone, put) {
      const tx = db.transaction('batches', 'readwrite', { durability: 'strict' });
      await Promise.all([...gone.map((id) => tx.store.delete(id)), ...(put ? [tx.store.put(put)] : []), tx.done]);
    },
    async all(track) {
      return (await db.getAllFromIndex('batches', 'track', track)).sort((a, b) => a.order - b.order);
    },
  };
}

const lockName = (client: string): string => `fenwix-page-${client}`;

/** A name for this page, held as long as it lives, so that other pages can tell whether it still does. */
export async function livePage(): Promise<string> {
  const client = crypto.randomUUID();
  await new Promise<void>((held) => {
    void navigator.locks.request(lockName(client), () => {
      held();
      return new Promise(() => undefined);
    });
  });
  return client;
}

/** Batches whose pages are gone: a closed tab, a crash. */
export async function orphans(batches: readonly Batch[]): Promise<Batch[]> {
  const { held } = await navigator.locks.query();
  const alive = new Set((held ?? []).map((lock) => lock.name));
  return batches.filter((batch) => !alive.has(lockName(batch.client)));
}
