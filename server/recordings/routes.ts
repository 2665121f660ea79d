/** Recordings: taken in by one streamed upload, given out with byte ranges. */
import fastifyStatic from '@fastify/static';
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import { mkdirSync } from 'node:fs';
import { Readable } from 'node:stream';
import type { Config } from '../config.ts';
import { ApiError } from '../../core/contract/api-error.ts';
import type { Measured } from '../../core/contract/recordings.ts';
import { mostCharacters, mostPixels } from '../../core/contract/limits.ts';
import type { Recording } from '../../core/job/job.ts';
import type { Changes } from '../changes.ts';
import { missing } from '../http/errors.ts';
import { route } from '../http/route.ts';
import { byHash, objectOf } from '../http/validation.ts';
import { peaks } from './peaks.ts';
import { regions } from './regions.ts';
import { posters, wantPoster } from './posters.ts';
import { folderOf, keepRecording, type KeptFile } from './keep.ts';
import { recordingOf, type RecordingRow } from './store.ts';
import { hourly } from '../hourly.ts';
import { sweepRecordings, sweepStray, sweepUploads } from './sweep.ts';

const named = objectOf<{ readonly name: string }>({ name: Joi.string().max(mostCharacters.recordingName).required() });
const pixels = Joi.number().integer().min(0).max(mostPixels).required();
const measured = objectOf<Measured>({
  length: Joi.number().integer().min(1).required(),
  width: pixels,
  height: pixels,
});

/** Routes of recordings: put up in pieces, and served by ranges, as a plugin. */
export async function recordings(
  app: FastifyInstance,
  { db, config, change }: { db: Knex; config: Config } & Pick<Changes, 'change'>,
): Promise<void> {
  app.addContentTypeParser('application/octet-stream', (_request, body, done) => done(null, body));
  mkdirSync(folderOf(config.data), { recursive: true });
  await app.register(fastifyStatic, {
    root: folderOf(config.data),
    serve: false,
    cacheControl: false,
  });
  sweepUploads(config.data);
  await sweepStray(db, config.data);
  hourly(app, () => sweepRecordings(db, config.data, Date.now()));

  await app.register(posters, { db, change });
  await app.register(peaks, { db, change });
  await app.register(regions, { db, change });

  const limit = { query: named, bodyLimit: config.largestRecording };
  route(app, 'PUT /api/recordings', limit, async ({ query: { name }, body }, reply) => {
    if (!(body instanceof Readable))
      throw new ApiError(
        'not-a-recording',
        'A recording is sent as plain bytes (application/octet-stream). Nothing was kept of this.',
      );
    const keep = (kept: KeptFile): Promise<Recording> =>
      change(async (tx) => {
        await tx('recordings')
          .insert({ ...kept, name, idle: Date.now() })
          .onConflict('hash')
          .merge({ idle: Date.now() });
        return recordingOf(tx, kept.hash);
      });
    return keepRecording(config.data, body, config.largestRecording, keep).catch((error: unknown) => {
      // The rest of a refused upload is not waited for, so nothing else can come over this connection.
      void reply.header('connection', 'close');
      throw error;
    });
  });

  route(app, 'PATCH /api/recordings/:hash', { params: byHash, body: measured }, ({ params, body }) =>
    change(async (tx, say) => {
      await tx<RecordingRow>('recordings').where(params).update(body);
      const recording = await recordingOf(tx, params.hash);
      await wantPoster(tx, say, recording);
      say({ what: 'recording', hash: params.hash });
      return recording;
    }),
  );

  route(app, 'GET /api/recordings/:hash/file', { params: byHash }, async ({ params }, reply) => {
    const row = await db<RecordingRow>('recordings').where(params).first();
    if (!row) throw missing('This recording');
    return reply.type(row.type).header('cache-control', 'private, no-store').sendFile(row.hash, { contentType: false });
  });
}
