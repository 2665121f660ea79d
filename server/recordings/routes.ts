/** Recordings: taken in by one streamed upload, given out with byte ranges. */
import fastifyStatic from '@fastify/static';
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import { mkdirSync } from 'node:fs';
import { Readable } from 'node:stream';
import type { Config } from '../config.ts';
import { missing, Problem } from '../problem.ts';
import { checked } from '../checked.ts';
import { folderOf, keepRecording, type Kept } from './keep.ts';
import { openRecording, type RecordingRow } from './store.ts';
import { sweepRecordings, sweepUploads } from './sweep.ts';

const hash = Joi.string().hex().length(64).required();
const measured = Joi.object<{ length: number; width: number; height: number }>({
  length: Joi.number().integer().min(1).required(),
  width: Joi.number().integer().min(0).max(32_768).required(),
  height: Joi.number().integer().min(0).max(32_768).required(),
});

export async function recordings(app: FastifyInstance, { db, config }: { db: Knex; config: Config }): Promise<void> {
  app.addContentTypeParser('application/octet-stream', (_request, body, done) => done(null, body));
  mkdirSync(folderOf(config.data), { recursive: true });
  await app.register(fastifyStatic, {
    root: folderOf(config.data),
    serve: false,
    cacheControl: false,
  });
  sweepUploads(config.data);
  const sweep = (): void => {
    sweepRecordings(db, config.data, Date.now()).catch((error: unknown) => app.log.error(error));
  };
  const timer = setInterval(sweep, 3600 * 1000).unref();
  app.addHook('onReady', (done) => {
    sweep();
    done();
  });
  app.addHook('onClose', (_app, done) => {
    clearInterval(timer);
    done();
  });

  app.put('/api/recordings', { bodyLimit: config.largestRecording }, async (request, reply) => {
    const { name } = checked(Joi.object<{ name: string }>({ name: Joi.string().max(300).required() }), request.query);
    if (!(request.body instanceof Readable))
      throw new Problem(
        415,
        'not-a-recording',
        'A recording is sent as plain bytes (application/octet-stream). Nothing was kept of this.',
      );
    const keep = async (kept: Kept): Promise<RecordingRow | undefined> => {
      await db('recordings')
        .insert({ ...kept, name, idle: Date.now() })
        .onConflict('hash')
        .merge({ idle: Date.now() });
      return db<RecordingRow>('recordings').where({ hash: kept.hash }).first();
    };
    const row = await keepRecording(config.data, request.body, config.largestRecording, keep).catch(
      (error: unknown) => {
        // The rest of a refused upload is not waited for, so nothing else can come over this connection.
        void reply.header('connection', 'close');
        throw error;
      },
    );
    if (!row) throw missing('This recording');
    return openRecording(row);
  });

  app.patch('/api/recordings/:hash', async (request) => {
    const key = checked(Joi.object<{ hash: string }>({ hash }), request.params);
    const changed = await db('recordings').where(key).update(checked(measured, request.body));
    const row = changed === 0 ? undefined : await db<RecordingRow>('recordings').where(key).first();
    if (!row) throw missing('This recording');
    return openRecording(row);
  });

  app.get('/api/recordings/:hash/file', async (request, reply) => {
    const key = checked(Joi.object<{ hash: string }>({ hash }), request.params);
    const row = await db<RecordingRow>('recordings').where(key).first();
    if (!row) throw missing('This recording');
    return reply.type(row.type).header('cache-control', 'private, no-store').sendFile(row.hash, { contentType: false });
  });
}
