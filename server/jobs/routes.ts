/** Jobs: made, listed, changed, deleted with everything of theirs. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Knex } from 'knex';
import type { FrameRate } from '../../core/time/frames.ts';
import { checked } from '../checked.ts';
import type { Config } from '../config.ts';
import { missing } from '../problem.ts';
import { folderOf } from '../recordings/keep.ts';
import { styleFrom } from '../styles/routes.ts';
import { styleOf } from '../styles/store.ts';
import { standingOf } from './standing.ts';
import type { EditLog } from '../tracks/log.ts';
import { allJobs, jobOf, jobRow } from './store.ts';

const key = Joi.object<{ id: string }>({ id: Joi.string().max(64).required() });
const styleId = Joi.string().max(64);
const newJob = Joi.object<{
  title: string;
  series: string;
  language: string;
  rate: FrameRate;
  style: string;
  recording: string | null;
}>({
  title: Joi.string().trim().min(1).max(200).required(),
  series: Joi.string().trim().allow('').max(200).default(''),
  language: Joi.string().max(35).required(),
  rate: Joi.object({
    numerator: Joi.number().integer().min(1).required(),
    denominator: Joi.number().integer().min(1).required(),
  }).default({ numerator: 25, denominator: 1 }),
  style: styleId.required(),
  recording: Joi.string().hex().length(64).allow(null).default(null),
});
const change = Joi.object<{ title?: string; style?: string | object }>({
  title: Joi.string().trim().min(1).max(200),
  // By its name, or whole: changed for this job only.
  style: Joi.alternatives(styleId, Joi.object()),
}).min(1);

export function jobs(
  app: FastifyInstance,
  { db, config, log }: { db: Knex; config: Config; log: EditLog },
  done: () => void,
): void {
  app.get('/api/jobs', () => allJobs(db));

  app.post('/api/jobs', async (request, reply) => {
    const wanted = checked(newJob, request.body);
    if (wanted.recording && !(await db('recordings').where({ hash: wanted.recording }).first()))
      throw missing('The recording of this job');
    const id = randomUUID();
    await db('jobs').insert({
      ...wanted,
      id,
      rate: JSON.stringify(wanted.rate),
      style: JSON.stringify(await styleOf(db, wanted.style)),
      made: Date.now(),
    });
    return reply.status(201).send(await jobOf(db, id));
  });

  app.get('/api/jobs/:id', (request) => jobOf(db, checked(key, request.params).id));

  app.get('/api/jobs/:id/standing', (request) => standingOf(db, log, checked(key, request.params).id));

  app.patch('/api/jobs/:id', async (request) => {
    const { id } = checked(key, request.params);
    const { title, style } = checked(change, request.body);
    await jobRow(db, id);
    const chosen = typeof style === 'string' ? await styleOf(db, style) : style === undefined ? null : styleFrom(style);
    await db('jobs')
      .where({ id })
      .update({
        ...(title === undefined ? {} : { title }),
        ...(chosen === null ? {} : { style: JSON.stringify(chosen) }),
      });
    return jobOf(db, id);
  });

  app.delete('/api/jobs/:id', async (request, reply) => {
    const { id } = checked(key, request.params);
    const { recording } = await jobRow(db, id);
    await db('jobs').where({ id }).delete();
    if (recording && !(await db('jobs').where({ recording }).first())) {
      await db('recordings').where({ hash: recording }).delete();
      await rm(join(folderOf(config.data), recording), { force: true });
    }
    return reply.status(204).send();
  });
  done();
}
