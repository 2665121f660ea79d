/** Recordings: taken in by one streamed upload, given out with byte ranges. */
import fastifyStatic from '@fastify/static';
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import { mkdirSync } from 'node:fs';
import type { Readable } from 'node:stream';
import type { Recording } from '../../core/job/job.ts';
import type { Config } from '../config.ts';
import { missing } from '../problem.ts';
import { checked } from '../checked.ts';
import { folderOf, keepRecording } from './keep.ts';

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
    cacheControl: true,
    maxAge: '1y',
    immutable: true,
  });

  app.put('/api/recordings', { bodyLimit: config.largestRecording }, async (request, reply) => {
    const { name } = checked(Joi.object<{ name: string }>({ name: Joi.string().max(300).required() }), request.query);
    const kept = await keepRecording(config.data, request.body as Readable, config.largestRecording).catch(
      (error: unknown) => {
        // The rest of a refused upload is not waited for, so nothing else can come over this connection.
        void reply.header('connection', 'close');
        throw error;
      },
    );
    await db('recordings')
      .insert({ ...kept, name })
      .onConflict('hash')
      .ignore();
    return db<Recording>('recordings').where({ hash: kept.hash }).first();
  });

  app.patch('/api/recordings/:hash', async (request) => {
    const key = checked(Joi.object<{ hash: string }>({ hash }), request.params);
    const changed = await db('recordings').where(key).update(checked(measured, request.body));
    if (changed === 0) throw missing('This recording');
    return db<Recording>('recordings').where(key).first();
  });

  app.get('/api/recordings/:hash/file', async (request, reply) => {
    const key = checked(Joi.object<{ hash: string }>({ hash }), request.params);
    const row = await db<Recording>('recordings').where(key).first();
    if (!row) throw missing('This recording');
    return reply.type(row.type).sendFile(row.hash, { contentType: false });
  });
}
