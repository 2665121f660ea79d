/**
 * The edit log: the only way a track changes. A batch goes in whole or not at all, in one
 * transaction; it is known by its id, so that sending it again changes nothing.
 */
import type { Knex } from 'knex';
import { LRUCache } from 'lru-cache';
import { ApiError } from '../../core/contract/api-error.ts';
import type { Caption, Foreign } from '../../core/model/caption.ts';
import { applyAll } from '../../core/model/apply.ts';
import { EditRefused, type Edit } from '../../core/model/edits.ts';
import type { Batch, LoggedTrack, Since } from '../../core/model/logged.ts';
import { trackVersions, type LoggedEdit, type TrackVersion } from '../../core/model/track-versions.ts';
import { changes as changesOf, type Changes } from '../changes.ts';
import { keptSnapshots, snapshotEvery } from './snapshots.ts';
import { trackRow, type TrackRow } from './store.ts';

/** So many captions of tracks are held in memory, the least recently used let go first. */
const usualCachedCaptions = 150_000;

export interface EditLog {
  /** A track as it stands, or as it stood after an edit. @throws {ApiError} when there is none */
  readonly load: (id: string, at?: number) => Promise<LoggedTrack>;
  /**
   * Takes a batch.
   * @returns the number of its last edit
   * @throws {ApiError} `behind` with the edits since, when others were first; `other-history` when its base is not in this log
   */
  readonly append: (id: string, batch: Batch) => Promise<number>;
  /** Edits after a number, in order. @throws {ApiError} `other-history` */
  readonly since: (id: string, after: number, batch: string | null) => Promise<Since>;
  /** The versions of a track, oldest first; edits whose number is marked end one. @throws {ApiError} `damaged` */
  readonly versions: (id: string, marked: ReadonlySet<number>) => Promise<readonly TrackVersion[]>;
  /** Writes the first captions of a track that was just made, inside the transaction that makes it. */
  readonly begin: (tx: Knex, row: TrackRow, captions: readonly Caption[]) => Promise<void>;
}

const otherHistory = (): ApiError =>
  new ApiError(
    'other-history',
    'This track has another history on the server than on this page: its data folder was put back to another state. Nothing was changed there.',
  );

/** Edits that were taken once and no longer fit: the log was changed from outside. Any other error stays what it is. */
const damaged = (error: unknown): unknown =>
  error instanceof EditRefused
    ? new ApiError(
        'damaged',
        `This track cannot be put together from its log: ${error.message} Nothing was changed; a copy of the data folder from before may help.`,
      )
    : error;

interface EditRow {
  readonly track: string;
  readonly number: number;
  readonly batch: string;
  readonly edit: string;
  readonly at: number;
}

export interface LogOptions {
  /** Left out where nobody else listens to what changes. */
  readonly changes?: Changes;
  readonly now?: () => number;
  readonly cachedCaptions?: number;
}

export function editLog(
  db: Knex,
  { changes = changesOf(db), now = Date.now, cachedCaptions = usualCachedCaptions }: LogOptions = {},
): EditLog {
  // Names, languages and kinds change without an edit, and are not kept here.
  const cache = new LRUCache<string, Pick<LoggedTrack, 'edit' | 'batch' | 'captions'>>({
    maxSize: cachedCaptions,
    sizeCalculation: ({ captions }) => captions.length + 1,
  });
  const remember = ({ id, edit, batch, captions }: LoggedTrack): void => void cache.set(id, { edit, batch, captions });
  changes.listen((changed) => {
    if (changed.what === 'gone') for (const id of changed.tracks) cache.delete(id);
  });

  async function edits(tx: Knex, id: string, after: number, upTo = Number.MAX_SAFE_INTEGER): Promise<Edit[]> {
    const rows = await tx<EditRow>('edits')
      .where({ track: id })
      .where('number', '>', after)
      .where('number', '<=', upTo)
      .orderBy('number')
      .select('edit');
    return rows.map((row) => JSON.parse(row.edit) as Edit);
  }

  /** The batch that made an edit; null where there is none. */
  async function batchAt(tx: Knex, id: string, number: number): Promise<string | null> {
    const row = await tx<EditRow>('edits').where({ track: id, number }).select('batch').first();
    return row?.batch ?? null;
  }

  async function inThisLog(tx: Knex, id: string, last: number, base: number, batch: string | null): Promise<void> {
    if (base > last || (batch !== null && base > 0 && (await batchAt(tx, id, base)) !== batch)) throw otherHistory();
  }

  function replayed(captions: readonly Caption[], log: readonly Edit[]): readonly Caption[] {
    try {
      return applyAll(captions, log);
    } catch (error) {
      throw damaged(error);
    }
  }

  /** A whole log, from the first edit on, a part at a time: edits of a long track can be large. */
  async function* everyEdit(id: string): AsyncGenerator<LoggedEdit> {
    for (let after = 0; ;) {
      const rows = await db<EditRow>('edits')
        .where({ track: id })
        .where('number', '>', after)
        .orderBy('number')
        .limit(100)
        .select('number', 'at', 'edit');
      for (const { number, at, edit } of rows) yield { number, at, edit: JSON.parse(edit) as Edit };
      const last = rows.at(-1);
      if (!last) return;
      after = last.number;
    }
  }

  async function versions(id: string, marked: ReadonlySet<number>): Promise<readonly TrackVersion[]> {
    await trackRow(db, id);
    try {
      return await trackVersions(everyEdit(id), marked);
    } catch (error) {
      throw damaged(error);
    }
  }

  async function load(tx: Knex, row: TrackRow, at?: number): Promise<LoggedTrack> {
    const { id } = row;
    const number = at ?? row.edit;
    const about = {
      id,
      kind: row.kind,
      language: row.language,
      name: row.name,
      foreign: row.foreign === null ? null : (JSON.parse(row.foreign) as Foreign),
    };
    const known = cache.get(id);
    if (known?.edit === number) return { ...about, ...known };
    if (number > row.edit)
      throw new ApiError('missing', `The track has ${String(row.edit)} edits; there is no edit ${String(number)}.`);
    const snapshot = await tx<{ track: string; edit: number; captions: string }>('snapshots')
      .where({ track: id })
      .where('edit', '<=', number)
      .orderBy('edit', 'desc')
      .first();
    const track: LoggedTrack = {
      ...about,
      edit: number,
      batch: await batchAt(tx, id, number),
      captions: replayed(
        snapshot ? (JSON.parse(snapshot.captions) as Caption[]) : [],
        await edits(tx, id, snapshot?.edit ?? 0, number),
      ),
    };
    if (at === undefined) remember(track);
    return track;
  }

  /** Writes edits and what follows from them. @param captions after all of them */
  async function write(
    tx: Knex,
    id: string,
    before: number,
    batch: Batch,
    captions: readonly Caption[],
  ): Promise<number> {
    const at = now();
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

  async function thinOut(tx: Knex, id: string, last: number): Promise<void> {
    const rows = await tx<{ track: string; edit: number }>('snapshots').where({ track: id }).select('edit');
    const kept = keptSnapshots(
      rows.map((row) => row.edit),
      last,
    );
    if (kept.length < rows.length) await tx('snapshots').where({ track: id }).whereNotIn('edit', kept).delete();
  }

  async function append(id: string, batch: Batch): Promise<number> {
    const after = await changes.change(async (tx, say): Promise<LoggedTrack | number> => {
      const row = await trackRow(tx, id);
      const before = await tx<EditRow>('edits').where({ track: id, batch: batch.id }).max({ last: 'number' }).first();
      const last: unknown = before?.['last'];
      if (typeof last === 'number') return last;
      await inThisLog(tx, id, row.edit, batch.base, batch.after);
      if (batch.base !== row.edit)
        throw new ApiError('behind', 'Somebody else has changed this track since.', {
          edit: row.edit,
          batch: await batchAt(tx, id, row.edit),
          since: await edits(tx, id, batch.base),
        });
      if (row.kind === 'machine' && row.edit > 0)
        throw new ApiError(
          'machine-draft',
          'A machine draft stays as the recogniser left it. Nothing was changed; work on a copy of it.',
        );
      const track = await load(tx, row);
      const captions = applyAll(track.captions, batch.edits);
      const edit = await write(tx, id, track.edit, batch, captions);
      say({ what: 'edits', track: id, edit });
      return { ...track, edit, batch: batch.id, captions };
    });
    if (typeof after === 'number') return after;
    remember(after);
    return after.edit;
  }

  async function since(id: string, after: number, batch: string | null): Promise<Since> {
    const row = await trackRow(db, id);
    await inThisLog(db, id, row.edit, after, batch);
    return { edit: row.edit, batch: await batchAt(db, id, row.edit), since: await edits(db, id, after, row.edit) };
  }

  return {
    load: async (id, at) => load(db, await trackRow(db, id), at),
    append,
    since,
    versions,
    async begin(tx, row, captions) {
      await tx('tracks').insert(row);
      const sorted = applyAll([], [{ type: 'insert', captions }]);
      if (captions.length > 0)
        await write(tx, row.id, 0, { id: row.id, base: 0, after: null, edits: [{ type: 'insert', captions }] }, sorted);
    },
  };
}
