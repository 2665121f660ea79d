/** Tracks: their captions, their edit log, and their files. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import { most, mostCharacters } from '../../core/contract/limits.ts';
import { trackNameFault } from '../../core/contract/title.ts';
import { writable } from '../../core/formats/registry.ts';
import { decodeEdit } from '../../core/model/decode.ts';
import { ApiError } from '../../core/contract/api-error.ts';
import type { TrackProperties } from '../../core/contract/tracks.ts';
import type { Batch } from '../../core/model/logged.ts';
import type { Changes } from '../changes.ts';
import { hourly } from '../hourly.ts';
import { route } from '../http/route.ts';
import { byId, checkedText, id, languageTag, objectOf } from '../http/validation.ts';
import { fileOf, type FileOptions } from './file.ts';
import type { EditLog } from './log.ts';
import { makeTrack } from './make-track.ts';
import { handedVersions } from './handed-versions.ts';
import { sweepTracks } from './sweep.ts';
import { decodeTrack, jobTitle, summaryOf, trackRow, type ReceivedTrack, type TrackRow } from './store.ts';

const edit = Joi.number().integer().min(0);
export const newTrack = objectOf<ReceivedTrack>({
  id: id.required(),
  kind: Joi.string().valid('machine', 'captions', 'subtitles', 'transcript').required(),
  language: languageTag.required(),
  name: checkedText(trackNameFault).required(),
  foreign: Joi.object()
    .pattern(Joi.string().max(mostCharacters.foreignKey), Joi.string().max(mostCharacters.foreignText))
    .max(most.foreignBlocks)
    .allow(null)
    .default(null),
  // Captions and edits are read by the decoder in core, and not looked at here.
  captions: Joi.array().max(most.captions).default([]),
});
const change = objectOf<TrackProperties>({
  name: checkedText(trackNameFault),
  language: languageTag,
  kind: Joi.string().valid('captions', 'subtitles', 'transcript'),
  deleted: Joi.boolean(),
}).min(1);
const batch = objectOf<Omit<Batch, 'edits'> & { readonly edits: readonly unknown[] }>({
  id: id.required(),
  base: edit.required(),
  after: id.allow(null).default(null),
  edits: Joi.array().min(1).max(most.edits).required(),
});
const at = objectOf<{ readonly at?: number }>({ at: edit });
const since = objectOf<{ readonly after: number; readonly batch: string | null }>({
  after: edit.required(),
  batch: id.default(null),
});
const wantedFile = objectOf<FileOptions>({
  format: Joi.string()
    // eslint-disable-next-line no-restricted-syntax -- a handful
    .valid(...writable.map((f) => f.name))
    .required(),
  soundNotes: Joi.boolean().default(false),
  labels: Joi.boolean().default(false),
  untimed: Joi.boolean().default(true),
  positions: Joi.boolean().default(false),
  wordTimes: Joi.boolean().default(false),
  timeMarks: Joi.boolean().default(false),
});

/** Routes of tracks, their edits and their files, as a plugin. */
export function tracks(
  app: FastifyInstance,
  { db, log, change: changing }: { db: Knex; log: EditLog } & Pick<Changes, 'change'>,
  done: () => void,
): void {
  hourly(app, () => sweepTracks(db, changing, Date.now()));

  route(app, 'POST /api/jobs/:id/tracks', { params: byId, body: newTrack }, async ({ params, body }, reply) => {
    await jobTitle(db, params.id);
    const wanted = decodeTrack(body);
    const made = await changing(async (tx, say) => {
      const isNew = await makeTrack(tx, log, params.id, wanted);
      if (isNew) say({ what: 'job', job: params.id });
      return isNew;
    });
    void reply.status(made ? 201 : 200);
    return summaryOf(await trackRow(db, body.id));
  });

  route(app, 'PATCH /api/tracks/:id', { params: byId, body: change }, async ({ params, body }) => {
    const { job, kind } = await trackRow(db, params.id);
    if (body.kind !== undefined && kind === 'machine')
      throw new ApiError('machine-draft', 'A machine draft stays one. Copy it as a new track to work on it.');
    const { deleted, ...rest } = body;
    await changing(async (tx, say) => {
      await tx<TrackRow & { readonly must_edit: number | null }>('tracks')
        .where({ id: params.id })
        .update({
          ...rest,
          ...(deleted === undefined ? {} : { deleted: deleted ? Date.now() : null }),
          // What is found in a track depends on both.
          ...(rest.language === undefined && rest.kind === undefined ? {} : { must_edit: null }),
        });
      say({ what: 'job', job });
    });
    return summaryOf(await trackRow(db, params.id));
  });

  route(app, 'GET /api/tracks/:id', { params: byId, query: at }, ({ params, query }) => log.load(params.id, query.at));

  route(app, 'GET /api/tracks/:id/versions', { params: byId }, ({ params }) => handedVersions(db, log, params.id));

  route(app, 'GET /api/tracks/:id/edits', { params: byId, query: since }, ({ params, query }) =>
    log.since(params.id, query.after, query.batch),
  );

  route(app, 'POST /api/tracks/:id/edits', { params: byId, body: batch }, async ({ params, body }) => {
    const edits = body.edits.map((each, i) => decodeEdit(each, `edit ${String(i + 1)}`));
    return { edit: await log.append(params.id, { ...body, edits }) };
  });

  route(app, 'GET /api/tracks/:id/file', { params: byId, query: wantedFile }, async ({ params, query }, reply) => {
    const file = await fileOf(db, log, params.id, query);
    return reply
      .type(`${file.mediaType}; charset=utf-8`)
      .header('content-disposition', `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`)
      .send(file.text);
  });
  done();
}
