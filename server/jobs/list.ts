/** The list of jobs, put together by one query, without looking at any caption. */
import type { Knex } from 'knex';
import {
  fairCopyOf,
  type Held,
  type JobSummary,
  type Receipt,
  type Recording,
  type TrackSummary,
} from '../../core/job/job.ts';
import { eventOf, type Changes } from '../changes.ts';
import type { TrackKind } from '../../core/model/caption.ts';

/** A job with one of its tracks, and one of the destinations that hold something of it. */
interface ListRow {
  readonly id: string;
  readonly title: string;
  readonly series: string;
  readonly language: string;
  readonly made: number;
  readonly basis: string;
  readonly style_id: string;
  readonly style_name: string;
  readonly style_version: number;
  readonly hash: string | null;
  readonly recording_name: string;
  readonly type: string;
  readonly bytes: number;
  readonly length: number | null;
  readonly width: number | null;
  readonly height: number | null;
  readonly poster: number;
  readonly name_before: string | null;
  readonly track: string | null;
  readonly kind: TrackKind;
  readonly track_language: string;
  readonly track_name: string;
  readonly edit: number;
  readonly captions: number;
  readonly proofed: number;
  readonly must: number | null;
  readonly must_edit: number | null;
  readonly must_basis: string | null;
  readonly destination: string | null;
  readonly held_state: Receipt['state'];
  readonly held_edit: number;
}

// SQLite takes the other columns of a row with max() from the row that has it (“Bare columns in an aggregate query”).
const listQuery = `
  select j.id, j.title, j.series, j.language, j.made, j.basis,
    json_extract(j.style, '$.id') style_id, json_extract(j.style, '$.name') style_name, json_extract(j.style, '$.version') style_version,
    r.hash, coalesce(j.recording_name, r.name) recording_name, r.type, r.bytes, r.length, r.width, r.height, p.hash is not null poster,
    coalesce(j.recording_before_name, b.name) name_before,
    t.id track, t.kind, t.language track_language, t.name track_name, t.edit, t.captions, t.proofed,
    t.must, t.must_edit, t.must_basis,
    d.name destination, h.state held_state, h.edit held_edit
  from jobs j
  left join recordings r on r.hash = j.recording
  left join recordings b on b.hash = j.recording_before
  left join posters p on p.hash = r.hash
  left join tracks t on t.job = j.id and t.deleted is null
  left join (select track, destination, state, edit, max(at) from receipts group by track, destination) h on h.track = t.id
  left join destinations d on d.id = h.destination`;
const inOrder = 'order by j.made desc, j.id, t.position, d.name';

const recordingOf = (row: ListRow): Recording | null =>
  row.hash === null
    ? null
    : {
        hash: row.hash,
        name: row.recording_name,
        type: row.type,
        bytes: row.bytes,
        length: row.length,
        width: row.width,
        height: row.height,
        poster: row.poster === 1,
      };

const trackOf = (row: ListRow, id: string): TrackSummary => ({
  id,
  kind: row.kind,
  language: row.track_language,
  name: row.track_name,
  edit: row.edit,
  captions: row.captions,
  proofed: row.proofed,
});

const countOf = (row: ListRow): number | null =>
  row.must_edit === row.edit && row.must_basis === row.basis ? row.must : null;

function summaryOf(rows: readonly [ListRow, ...ListRow[]]): JobSummary {
  const [first] = rows;
  const tracks = new Map<string, TrackSummary>();
  for (const row of rows) if (row.track !== null) tracks.set(row.track, trackOf(row, row.track));
  const fair = fairCopyOf({ tracks: [...tracks.values()] });
  const ofFair = rows.filter((row) => row.track === fair?.id);
  const held = ofFair.flatMap((row): Held[] =>
    row.destination === null
      ? []
      : [{ destination: row.destination, state: row.held_state, behind: row.held_edit < row.edit }],
  );
  const [counted] = ofFair;
  return {
    id: first.id,
    title: first.title,
    series: first.series,
    language: first.language,
    made: first.made,
    style: { id: first.style_id, name: first.style_name, version: first.style_version },
    recording: recordingOf(first),
    recordingBefore: first.name_before === null ? null : { name: first.name_before },
    tracks: [...tracks.values()],
    mustFindings: counted && fair ? countOf(counted) : null,
    held,
  };
}

/** @param ids only these; all where none are named */
async function readSummaries(db: Knex, ids: readonly string[] | null): Promise<JobSummary[]> {
  const rows =
    ids === null
      ? await db.raw<ListRow[]>(`${listQuery} ${inOrder}`)
      : await db.raw<ListRow[]>(`${listQuery} where j.id in (${ids.map(() => '?').join(',')}) ${inOrder}`, [...ids]);
  const jobs = new Map<string, [ListRow, ...ListRow[]]>();
  for (const row of rows) {
    const known = jobs.get(row.id);
    if (known) known.push(row);
    else jobs.set(row.id, [row]);
  }
  return [...jobs.values()].map(summaryOf);
}

/** More changed jobs than this are read together with all the others. */
const fewChanged = 20;

/**
 * The list of jobs, kept as it was read last; only jobs that something was told of since are read again,
 * so that asking for it again and again leaves the server to whoever edits.
 * @returns all jobs, the newest first
 */
export function jobList(db: Knex, { listen }: Pick<Changes, 'listen'>): () => Promise<readonly JobSummary[]> {
  let known: readonly JobSummary[] = [];
  const jobOfTrack = new Map<string, string>();
  /** Null for all. */
  let changed: Set<string> | null = null;

  function mark(job: string | null | undefined): void {
    if (job) changed?.add(job);
    else changed = null;
  }
  listen((told) => {
    const event = eventOf(told);
    if (!event) return;
    if (event.type === 'track') mark(jobOfTrack.get(event.track));
    else if (event.type === 'jobs') mark(event.job);
    else if (event.work.job !== null) mark(event.work.job);
  });

  let reading: Promise<void> = Promise.resolve();
  async function bringUp(): Promise<void> {
    if (changed?.size === 0) return;
    const ids = changed && changed.size <= fewChanged ? [...changed] : null;
    // What is told of while it is read is read again the next time.
    changed = new Set();
    const read = await readSummaries(db, ids).catch((error: unknown) => {
      changed = null;
      throw error;
    });
    known =
      ids === null
        ? read
        : [...known.filter((j) => !ids.includes(j.id)), ...read].sort(
            (a, b) => b.made - a.made || (a.id < b.id ? -1 : 1),
          );
    for (const { id, tracks } of read) for (const track of tracks) jobOfTrack.set(track.id, id);
  }

  return async () => {
    // One after another: whoever asks while it is read waits for that, and for what was told of meanwhile.
    reading = reading.then(bringUp, bringUp);
    await reading;
    return known;
  };
}
