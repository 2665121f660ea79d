/**
 * What this browser has not yet been told is kept, in IndexedDB until the server has it: an edit a
 * record, in lines. A line is what one page has made on one track, on top of one edit of the server's
 * log; another page takes it over once that page is gone.
 */
import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction } from 'idb';
import type { Edit } from '../../../core/model/edits.ts';
import { filledEdit } from '../../../core/model/filled.ts';

export interface PendingEdits {
  readonly track: string;
  /** The page that makes it. */
  readonly client: string;
  /** The edit of the log its first edit was made on. */
  readonly base: number;
  /** The batch that made that edit; null where there is none, or an older page did not write it down. */
  readonly after: string | null;
}

export interface WaitingEdit {
  /** Order of making, in its line. */
  readonly seq: number;
  readonly edit: Edit;
  /** The batch it has been sent in, which may have arrived; null until it is sent. */
  readonly batch: string | null;
}

/** A line with its edits, in order. */
export interface WaitingLine extends PendingEdits {
  readonly edits: readonly WaitingEdit[];
}

/** Edits the server would not have, kept until somebody says what is to become of them. */
export interface SetAside {
  readonly id: string;
  readonly track: string;
  /** Why, as the server said it. */
  readonly reason: string;
  /** When, in ms since 1970. */
  readonly at: number;
  readonly edits: readonly Edit[];
}

type EditKey = [track: string, client: string, seq: number];
interface OutboxSchema extends DBSchema {
  lines: { key: [track: string, client: string]; value: PendingEdits; indexes: { track: string } };
  edits: { key: EditKey; value: WaitingEdit & { track: string; client: string } };
  aside: { key: string; value: SetAside; indexes: { track: string } };
}

/** A batch as pages kept it before edits had records of their own. */
export interface OldBatch {
  readonly id: string;
  readonly track: string;
  readonly client: string;
  readonly order: number;
  readonly base: number;
  readonly edits: readonly Edit[];
}

export interface Outbox {
  /** All lines of a track. */
  readonly lines: (track: string) => Promise<WaitingLine[]>;
  /** Tracks that something waits for. */
  readonly tracks: () => Promise<string[]>;
  /** Writes edits of a line, whether they are new or take the place of others. */
  readonly put: (line: PendingEdits, edits: readonly WaitingEdit[]) => Promise<void>;
  /** Takes edits away that are in the log now, and says what the rest stands on. */
  readonly delivered: (line: PendingEdits, seqs: readonly number[]) => Promise<void>;
  /** All edits of a line become others, and some are set aside, all or nothing. */
  readonly replace: (line: PendingEdits, edits: readonly WaitingEdit[], aside?: SetAside) => Promise<void>;
  /** Edits of lines whose pages are gone become edits of this one. @returns false where another page was first */
  readonly adopt: (
    gone: PendingEdits,
    line: PendingEdits,
    edits: readonly WaitingEdit[],
    aside?: SetAside,
  ) => Promise<boolean>;
  readonly asides: (track: string) => Promise<SetAside[]>;
  /** Of whatever track. */
  readonly allAsides: () => Promise<SetAside[]>;
  readonly dropAside: (id: string) => Promise<void>;
}

const all = (track: string, client: string): IDBKeyRange =>
  IDBKeyRange.bound([track, client, 0], [track, client, Infinity]);

const filledAside = (of: SetAside): SetAside => ({ ...of, edits: of.edits.map(filledEdit) });

/** Batches of an older page as lines of edits, each under the batch it may have been sent in. */
export function linesOfOld(batches: readonly OldBatch[]): WaitingLine[] {
  const lines = new Map<string, WaitingLine>();
  for (const batch of [...batches].sort((a, b) => a.order - b.order)) {
    const key = JSON.stringify([batch.track, batch.client]);
    const { track, client, base } = batch;
    const line: WaitingLine = lines.get(key) ?? { track, client, base, after: null, edits: [] };
    const edits = batch.edits.map((edit, i) => ({ seq: line.edits.length + i + 1, edit, batch: batch.id }));
    lines.set(key, { ...line, edits: [...line.edits, ...edits] });
  }
  return [...lines.values()];
}

async function bringUp(
  db: IDBPDatabase<OutboxSchema>,
  tx: IDBPTransaction<OutboxSchema, never, 'versionchange'>,
): Promise<void> {
  const lines = db.createObjectStore('lines', { keyPath: ['track', 'client'] });
  lines.createIndex('track', 'track');
  const edits = db.createObjectStore('edits', { keyPath: ['track', 'client', 'seq'] });
  db.createObjectStore('aside', { keyPath: 'id' }).createIndex('track', 'track');
  const old = db as unknown as IDBPDatabase;
  if (!old.objectStoreNames.contains('batches')) return;
  const before = tx as unknown as IDBPTransaction<unknown, string[], 'versionchange'>;
  for (const { edits: waiting, ...line } of linesOfOld((await before.objectStore('batches').getAll()) as OldBatch[])) {
    await lines.put(line);
    for (const edit of waiting) await edits.put({ ...edit, track: line.track, client: line.client });
  }
  old.deleteObjectStore('batches');
}

/** @param onBlocked told when a window with an older page keeps this one waiting */
export async function openOutbox(onBlocked: () => void = () => undefined): Promise<Outbox> {
  const db = await openDB<OutboxSchema>('fenwix', 2, {
    upgrade(fresh, _from, _to, tx) {
      void bringUp(fresh, tx as unknown as IDBPTransaction<OutboxSchema, never, 'versionchange'>);
    },
    blocked: onBlocked,
    // A later page wants to bring the outbox up to date: this one lets go, and says that nothing more is kept here.
    blocking: (_current, _wanted, event) => (event.target as IDBDatabase).close(),
  });
  const writing = () => db.transaction(['lines', 'edits', 'aside'], 'readwrite', { durability: 'strict' });
  type Tx = ReturnType<typeof writing>;
  const putAll = async (tx: Tx, line: PendingEdits, edits: readonly WaitingEdit[]): Promise<void> => {
    const { track, client, base, after } = line;
    if (edits.length > 0) await tx.objectStore('lines').put({ track, client, base, after });
    for (const { seq, edit, batch } of edits) await tx.objectStore('edits').put({ track, client, seq, edit, batch });
  };
  const drop = async (tx: Tx, { track, client }: PendingEdits): Promise<void> => {
    await tx.objectStore('edits').delete(all(track, client));
    await tx.objectStore('lines').delete([track, client]);
  };
  return {
    async lines(track) {
      const tx = db.transaction(['lines', 'edits']);
      const lines = await tx.objectStore('lines').index('track').getAll(track);
      return Promise.all(
        lines.map(async (line) => ({
          ...line,
          edits: (await tx.objectStore('edits').getAll(all(line.track, line.client))).map(({ seq, edit, batch }) => ({
            seq,
            edit: filledEdit(edit),
            batch,
          })),
        })),
      );
    },
    async tracks() {
      const lines = await db.getAll('lines');
      return [...new Set(lines.map((line) => line.track))];
    },
    async put(line, edits) {
      const tx = writing();
      await Promise.all([putAll(tx, line, edits), tx.done]);
    },
    async delivered(line, seqs) {
      const tx = writing();
      const work = async (): Promise<void> => {
        const { track, client, base, after } = line;
        for (const seq of seqs) await tx.objectStore('edits').delete([track, client, seq]);
        const left = await tx.objectStore('edits').count(all(track, client));
        if (left === 0) await tx.objectStore('lines').delete([track, client]);
        else await tx.objectStore('lines').put({ track, client, base, after });
      };
      await Promise.all([work(), tx.done]);
    },
    async replace(line, edits, aside) {
      const tx = writing();
      const work = async (): Promise<void> => {
        await drop(tx, line);
        await putAll(tx, line, edits);
        if (aside) await tx.objectStore('aside').put(aside);
      };
      await Promise.all([work(), tx.done]);
    },
    async adopt(gone, line, edits, aside) {
      const tx = writing();
      const work = async (): Promise<boolean> => {
        if (!(await tx.objectStore('lines').get([gone.track, gone.client]))) return false;
        await drop(tx, gone);
        await putAll(tx, line, edits);
        if (aside) await tx.objectStore('aside').put(aside);
        return true;
      };
      const [done] = await Promise.all([work(), tx.done]);
      return done;
    },
    asides: async (track) => (await db.getAllFromIndex('aside', 'track', track)).map(filledAside),
    allAsides: async () => (await db.getAll('aside')).map(filledAside),
    async dropAside(id) {
      await db.delete('aside', id);
    },
  };
}
