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
import { trackVersions, type TrackVersion } from '../../core/model/track-versions.ts';
import { changes as changesOf, type Changes } from '../changes.ts';
import { batchAt, editsAfter, everyEdit, inThisLog, lastOfBatch, snapshotBefore, writeEdits } from './edit-rows.ts';
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

/** Edits that were taken once and no longer fit: the log was changed from outside. Any other error stays what it is. */
const damaged = (error: unknown): unknown =>
  error instanceof EditRefused
    ? new ApiError(
        'damaged',
        `This track cannot be put together from its log: ${error.message} Nothing was changed; a copy of the data folder from before may help.`,
      )
    : error;

function replayed(captions: readonly Caption[], log: readonly Edit[]): readonly Caption[] {
  try {
    return applyAll(captions, log);
  } catch (error) {
    throw damaged(error);
  }
}

const aboutOf = ({ id, kind, language, name, foreign }: TrackRow) => ({
  id,
  kind,
  language,
  name,
  foreign: foreign === null ? null : (JSON.parse(foreign) as Foreign),
});

/** @throws {ApiError} where a batch cannot be taken as it is: `other-history`, `behind`, `machine-draft` */
async function checkFits(tx: Knex, row: TrackRow, { base, after }: Batch): Promise<void> {
  await inThisLog(tx, row.id, row.edit, base, after);
  if (base !== row.edit)
    throw new ApiError('behind', 'Somebody else has changed this track since.', {
      edit: row.edit,
      batch: await batchAt(tx, row.id, row.edit),
      since: await editsAfter(tx, row.id, base),
    });
  if (row.kind === 'machine' && row.edit > 0)
    throw new ApiError(
      'machine-draft',
      'A machine draft stays as the recogniser left it. Nothing was changed; work on a copy of it.',
    );
}

export interface LogOptions {
  /** Left out where nobody else listens to what changes. */
  readonly changes?: Changes;
  readonly now?: () => number;
  readonly cachedCaptions?: number;
}

/** The edit log over a database, with the captions of tracks that were asked for last in memory. */
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

  async function versions(id: string, marked: ReadonlySet<number>): Promise<readonly TrackVersion[]> {
    await trackRow(db, id);
    try {
      return await trackVersions(everyEdit(db, id), marked);
    } catch (error) {
      throw damaged(error);
    }
  }

  async function load(tx: Knex, row: TrackRow, at?: number): Promise<LoggedTrack> {
    const { id } = row;
    const number = at ?? row.edit;
    const about = aboutOf(row);
    const known = cache.get(id);
    if (known?.edit === number) return { ...about, ...known };
    if (number > row.edit)
      throw new ApiError('missing', `The track has ${String(row.edit)} edits; there is no edit ${String(number)}.`);
    const snapshot = await snapshotBefore(tx, id, number);
    const track: LoggedTrack = {
      ...about,
      edit: number,
      batch: await batchAt(tx, id, number),
      captions: replayed(snapshot.captions, await editsAfter(tx, id, snapshot.edit, number)),
    };
    if (at === undefined) remember(track);
    return track;
  }

  async function append(id: string, batch: Batch): Promise<number> {
    const after = await changes.change(async (tx, say): Promise<LoggedTrack | number> => {
      const row = await trackRow(tx, id);
      const known = await lastOfBatch(tx, id, batch.id);
      if (known !== null) return known;
      await checkFits(tx, row, batch);
      const track = await load(tx, row);
      const captions = applyAll(track.captions, batch.edits);
      const edit = await writeEdits(tx, id, track.edit, batch, captions, now());
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
    return { edit: row.edit, batch: await batchAt(db, id, row.edit), since: await editsAfter(db, id, after, row.edit) };
  }

  return {
    load: async (id, at) => load(db, await trackRow(db, id), at),
    append,
    since,
    versions,
    async begin(tx, row, captions) {
      await tx('tracks').insert(row);
      const edits: readonly Edit[] = [{ type: 'insert', captions }];
      const sorted = applyAll([], edits);
      if (captions.length > 0)
        await writeEdits(tx, row.id, 0, { id: row.id, base: 0, after: null, edits }, sorted, now());
    },
  };
}
