/**
 * The edit log: the only way a track changes. A batch goes in whole or not at all, in one
 * transaction; it is known by its id, so that sending it again changes nothing.
 */
import type { Knex } from 'knex';
import type { TrackSummary } from '../../core/job/job.ts';
import type { Caption, Foreign, Track } from '../../core/track/caption.ts';
import { apply, type Edit } from '../../core/track/edits.ts';
import { missing, Problem } from '../problem.ts';

/** A track as its table has it. */
export interface TrackRow extends TrackSummary {
  readonly job: string;
  readonly position: number;
  /** JSON of what its file held besides captions. */
  readonly foreign: string | null;
}

export interface Batch {
  /** Made by whoever sends it. */
  readonly id: string;
  /** The edit number the edits were made on. */
  readonly base: number;
  readonly edits: readonly Edit[];
}

/** A whole track is written down after so many edits, so that loading replays few. */
const snapshotEvery = 200;
const cachedTracks = 24;

export interface EditLog {
  /** A track as it stands, or as it stood after an edit. @throws {Problem} when there is none */
  readonly load: (id: string, at?: number) => Promise<Track>;
  /** Takes a batch. @returns the number of its last edit @throws {Problem} `behind` with the edits since, when others were first */
  readonly append: (id: string, batch: Batch) => Promise<number>;
  /** Edits after a number, in order. */
  readonly since: (id: string, after: number) => Promise<Edit[]>;
}

export function editLog(db: Knex, now: () => number = Date.now): EditLog {
  const cache = new Map<string, Track>();
  const remember = (track: Track): void => {
    cache.delete(track.id);
    cache.set(track.id, track);
    const oldest = cache.size > cachedTracks ? cache.keys().next().value : undefined;
    if (oldest !== undefined) cache.delete(oldest);
  };

  async function edits(tx: Knex, id: string, after: number, upTo = Number.MAX_SAFE_INTEGER): Promise<Edit[]> {
    const rows = await tx<{ edit: string; number: number; track: string }>('edits')
      .where({ track: id })
      .where('number', '>', after)
      .where('number', '<=', upTo)
      .orderBy('number')
      .select('edit');
    return rows.map((row) => JSON.parse(row.edit) as Edit);
  }

  async function load(tx: Knex, id: string, at?: number): Promise<Track> {
    const row = await tx<TrackRow>('tracks').where({ id }).first();
    if (!row) throw missing('This track');
    const number = at ?? row.edit;
    const known = cache.get(id);
    if (known?.edit === number) return known;
    if (number > row.edit)
      throw new Problem(404, 'missing', `The track has ${String(row.edit)} edits; there is no edit ${String(number)}.`);
    const snapshot = await tx<{ track: string; edit: number; captions: string }>('snapshots')
      .where({ track: id })
      .where('edit', '<=', number)
      .orderBy('edit', 'desc')
      .first();
    let captions: readonly Caption[] = snapshot ? (JSON.parse(snapshot.captions) as Caption[]) : [];
    for (const edit of await edits(tx, id, snapshot?.edit ?? 0, number)) captions = apply(captions, edit).captions;
    const track: Track = {
      id,
      kind: row.kind,
      language: row.language,
      name: row.name,
      edit: number,
      captions,
      foreign: row.foreign === null ? null : (JSON.parse(row.foreign) as Foreign),
    };
    if (at === undefined) remember(track);
    return track;
  }

  async function append(id: string, batch: Batch): Promise<number> {
    const after = await db.transaction(async (tx): Promise<Track | number> => {
      const track = await load(tx, id);
      const before = await tx<{ track: string; batch: string; number: number }>('edits')
        .where({ track: id, batch: batch.id })
        .max({ last: 'number' })
        .first();
      const last: unknown = before?.['last'];
      if (typeof last === 'number') return last;
      if (batch.base !== track.edit) {
        throw new Problem(409, 'behind', 'Somebody else has changed this track since.', {
          edit: track.edit,
          since: await edits(tx, id, batch.base),
        });
      }
      if (track.kind === 'machine' && track.edit > 0)
        throw new Problem(
          409,
          'machine-draft',
          'A machine draft stays as the recogniser left it. Nothing was changed; work on a copy of it.',
        );
      const at = now();
      let captions = track.captions;
      const rows = batch.edits.map((edit, i) => {
        captions = apply(captions, edit).captions;
        return { track: id, number: track.edit + i + 1, batch: batch.id, edit: JSON.stringify(edit), at };
      });
      const number = track.edit + rows.length;
      for (let i = 0; i < rows.length; i += 150) await tx('edits').insert(rows.slice(i, i + 150));
      const large = rows.some((row) => row.edit.length > 200_000);
      if (large || Math.floor(number / snapshotEvery) > Math.floor(track.edit / snapshotEvery)) {
        await tx('snapshots').insert({ track: id, edit: number, captions: JSON.stringify(captions) });
      }
      await tx('tracks')
        .where({ id })
        .update({ edit: number, captions: captions.length, proofed: captions.filter((c) => c.proofed).length });
      return { ...track, edit: number, captions };
    });
    if (typeof after === 'number') return after;
    remember(after);
    return after.edit;
  }

  return { load: (id, at) => load(db, id, at), append, since: (id, after) => edits(db, id, after) };
}
