/** Tracks: their captions, their edit log, and their files. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import { randomUUID } from 'node:crypto';
import type { Knex } from 'knex';
import type { FormatName, WriteOptions } from '../../core/formats/format.ts';
import { writable } from '../../core/formats/registry.ts';
import { leaveOut, type LeftOut } from '../../core/handover/leave-out.ts';
import { fileName, usualPattern } from '../../core/handover/naming.ts';
import type { Foreign, TrackKind } from '../../core/track/caption.ts';
import { decodeEdit } from '../../core/track/decode.ts';
import type { Edit } from '../../core/track/edits.ts';
import { checked } from '../checked.ts';
import { jobRow } from '../jobs/store.ts';
import { missing } from '../problem.ts';
import type { Batch, EditLog } from './log.ts';

const id = Joi.string().max(64).required();
const language = Joi.string()
  .pattern(/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/)
  .required();
const newTrack = Joi.object<{ kind: TrackKind; language: string; name: string; foreign: Foreign | null }>({
  kind: Joi.valid('machine', 'captions', 'subtitles', 'transcript').required(),
  language,
  name: Joi.string().trim().max(120).required(),
  foreign: Joi.object().pattern(Joi.string().max(64), Joi.string().max(1_000_000)).max(20).allow(null).default(null),
});
const batch = Joi.object<Batch>({
  id,
  base: Joi.number().integer().min(0).required(),
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
const editBodyLimit = 64 * 1024 * 1024;

/** The bytes of a track in a format, under the name they go by. */
export async function fileOf(
  db: Knex,
  log: EditLog,
  trackId: string,
  wanted: Wanted,
): Promise<{ name: string; text: string; mediaType: string; edit: number; job: string }> {
  const row = await db<{ id: string; job: string }>('tracks').where({ id: trackId }).first();
  if (!row) throw missing('This track');
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
  app.post('/api/jobs/:id/tracks', async (request, reply) => {
    const key = checked(Joi.object<{ id: string }>({ id }), request.params);
    const wanted = checked(newTrack, request.body);
    await jobRow(db, key.id);
    const count = await db('tracks').where({ job: key.id }).count({ n: '*' }).first();
    const track = {
      id: randomUUID(),
      job: key.id,
      ...wanted,
      foreign: wanted.foreign === null ? null : JSON.stringify(wanted.foreign),
      edit: 0,
      captions: 0,
      proofed: 0,
      position: Number(count?.['n'] ?? 0),
    };
    await db('tracks').insert(track);
    return reply.status(201).send(track);
  });

  app.get('/api/tracks/:id', async (request) => {
    const key = checked(Joi.object<{ id: string }>({ id }), request.params);
    const { at } = checked(Joi.object<{ at?: number }>({ at: Joi.number().integer().min(0) }), request.query);
    return log.load(key.id, at);
  });

  app.get('/api/tracks/:id/edits', async (request) => {
    const key = checked(Joi.object<{ id: string }>({ id }), request.params);
    const { after } = checked(
      Joi.object<{ after: number }>({ after: Joi.number().integer().min(0).required() }),
      request.query,
    );
    return { edits: await log.since(key.id, after) };
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
