/** Tracks: their captions, their edit log, and their files. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import type { FormatName, WriteOptions } from '../../core/formats/format.ts';
import { writable } from '../../core/formats/registry.ts';
import { leaveOut, type LeftOut } from '../../core/handover/leave-out.ts';
import { fileName, usualPattern } from '../../core/handover/naming.ts';
import type { TrackSummary } from '../../core/job/job.ts';
import type { Caption, Foreign, TrackKind } from '../../core/track/caption.ts';
import { decodeCaption, decodeEdit } from '../../core/track/decode.ts';
import type { Edit } from '../../core/track/edits.ts';
import type { Batch } from '../../core/track/logged.ts';
import { checked, languageTag } from '../checked.ts';
import { writing } from '../database/writing.ts';
import { jobRow } from '../jobs/store.ts';
import { idTaken, missing } from '../problem.ts';
import { hashOf } from '../asked.ts';
import type { EditLog, TrackRow } from './log.ts';

const id = Joi.string().max(64).required();
/** A track to be made, with its first captions. */
export interface NewTrack {
  readonly id: string;
  readonly kind: TrackKind;
  readonly language: string;
  readonly name: string;
  readonly foreign: Foreign | null;
  readonly captions: readonly Caption[];
}
export const newTrack = Joi.object<NewTrack>({
  id,
  kind: Joi.valid('machine', 'captions', 'subtitles', 'transcript').required(),
  language: languageTag.required(),
  name: Joi.string().trim().max(120).required(),
  foreign: Joi.object().pattern(Joi.string().max(64), Joi.string().max(1_000_000)).max(20).allow(null).default(null),
  captions: Joi.array()
    .items(Joi.any().custom((value: unknown): Caption => decodeCaption(value)))
    .max(200_000)
    .default([]),
});
const batch = Joi.object<Batch>({
  id,
  base: Joi.number().integer().min(0).required(),
  after: Joi.string().max(64).allow(null).default(null),
  edits: Joi.array()
    .items(Joi.any().custom((value: unknown): Edit => decodeEdit(value)))
    .min(1)
    .max(5000)
    .required(),
});
/** How a file is wanted: its format, what is left out, what is written besides. */
export interface Wanted extends LeftOut, WriteOptions {
  readonly format: FormatName;
}
const exported = Joi.object<Wanted>({
  format: Joi.valid(...writable.map((f) => f.name)).required(),
  soundNotes: Joi.boolean().default(false),
  labels: Joi.boolean().default(false),
  positions: Joi.boolean().default(false),
  wordTimes: Joi.boolean().default(false),
  timeMarks: Joi.boolean().default(false),
});

/** A reflow of a long track is several megabytes of JSON; no other route takes as much. */
export const editBodyLimit = 64 * 1024 * 1024;

export async function trackRow(db: Knex, id: string): Promise<TrackRow> {
  const row = await db<TrackRow>('tracks').where({ id }).first();
  if (!row) throw missing('This track');
  return row;
}

/** A track as it is given out. */
export const summaryOf = ({ id, kind, language, name, edit, captions, proofed }: TrackRow): TrackSummary => ({
  id,
  kind,
  language,
  name,
  edit,
  captions,
  proofed,
});

/**
 * Makes a track with its captions, whole or not at all.
 * @returns false where the same was made before
 * @throws {Problem} `id-taken` where another goes by this id
 */
export async function makeTrack(tx: Knex, log: EditLog, job: string, wanted: NewTrack): Promise<boolean> {
  const asked = hashOf(wanted);
  const before = await tx<TrackRow>('tracks').where({ id: wanted.id }).first();
  if (before) {
    if (before.asked === asked && before.job === job) return false;
    throw idTaken('track');
  }
  const last = await tx('tracks').where({ job }).max({ position: 'position' }).first();
  const { captions, foreign, ...rest } = wanted;
  const row: TrackRow = {
    ...rest,
    job,
    foreign: foreign === null ? null : JSON.stringify(foreign),
    edit: 0,
    captions: 0,
    proofed: 0,
    position: Number(last?.['position'] ?? -1) + 1,
    asked,
  };
  await log.begin(tx, row, captions);
  return true;
}

/** The bytes of a track in a format, under the name they go by. */
export async function fileOf(
  db: Knex,
  log: EditLog,
  trackId: string,
  wanted: Wanted,
): Promise<{ name: string; text: string; mediaType: string; edit: number; job: string }> {
  const row = await trackRow(db, trackId);
  const job = await jobRow(db, row.job);
  const track = await log.load(trackId);
  const format = writable.find((f) => f.name === wanted.format);
  if (!format) throw missing('This format');
  const sheet = {
    captions: leaveOut(track.captions, wanted),
    title: job.title,
    language: track.language,
    foreign: track.foreign,
  };
  return {
    name: fileName(usualPattern(format), job.title, track.language),
    text: format.writer.write(sheet, wanted),
    mediaType: format.mediaType,
    edit: track.edit,
    job: row.job,
  };
}

export function tracks(app: FastifyInstance, { db, log }: { db: Knex; log: EditLog }, done: () => void): void {
  app.post('/api/jobs/:id/tracks', { bodyLimit: editBodyLimit }, async (request, reply) => {
    const key = checked(Joi.object<{ id: string }>({ id }), request.params);
    const wanted = checked(newTrack, request.body);
    const job = await jobRow(db, key.id);
    const made = await writing(db, (tx) => makeTrack(tx, log, job.id, wanted));
    return reply.status(made ? 201 : 200).send(summaryOf(await trackRow(db, wanted.id)));
  });

  app.get('/api/tracks/:id', async (request) => {
    const key = checked(Joi.object<{ id: string }>({ id }), request.params);
    const { at } = checked(Joi.object<{ at?: number }>({ at: Joi.number().integer().min(0) }), request.query);
    return log.load(key.id, at);
  });

  app.get('/api/tracks/:id/edits', async (request) => {
    const key = checked(Joi.object<{ id: string }>({ id }), request.params);
    const { after, batch } = checked(
      Joi.object<{ after: number; batch: string | null }>({
        after: Joi.number().integer().min(0).required(),
        batch: Joi.string().max(64).default(null),
      }),
      request.query,
    );
    return log.since(key.id, after, batch);
  });

  app.post('/api/tracks/:id/edits', { bodyLimit: editBodyLimit }, async (request) => {
    const key = checked(Joi.object<{ id: string }>({ id }), request.params);
    return { edit: await log.append(key.id, checked(batch, request.body)) };
  });

  app.get('/api/tracks/:id/file', async (request, reply) => {
    const key = checked(Joi.object<{ id: string }>({ id }), request.params);
    const file = await fileOf(db, log, key.id, checked(exported, request.query));
    return reply
      .type(`${file.mediaType}; charset=utf-8`)
      .header('content-disposition', `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`)
      .send(file.text);
  });
  done();
}
