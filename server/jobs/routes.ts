/** Jobs: made, listed, changed, deleted with everything of theirs. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import type { FrameRate } from '../../core/time/frames.ts';
import { hashOf } from '../asked.ts';
import { checked, languageTag } from '../checked.ts';
import type { Config } from '../config.ts';
import { emptyLog } from '../database/open.ts';
import { writing } from '../database/writing.ts';
import { idTaken, missing } from '../problem.ts';
import { removeUnused } from '../recordings/sweep.ts';
import { styleFrom } from '../styles/routes.ts';
import { styleOf } from '../styles/store.ts';
import { standingOf } from './standing.ts';
import type { EditLog, TrackRow } from '../tracks/log.ts';
import { editBodyLimit, makeTrack, newTrack, type NewTrack } from '../tracks/routes.ts';
import { allJobs, jobOf, jobRow, type JobRow } from './store.ts';

const key = Joi.object<{ id: string }>({ id: Joi.string().max(64).required() });
const styleId = Joi.string().max(64);
const newJob = Joi.object<{
  id: string;
  title: string;
  series: string;
  language: string;
  rate: FrameRate;
  style: string;
  recording: string | null;
  tracks: readonly NewTrack[];
}>({
  id: Joi.string().max(64).required(),
  title: Joi.string().trim().min(1).max(200).required(),
  series: Joi.string().trim().allow('').max(200).default(''),
  language: languageTag.required(),
  rate: Joi.object({
    numerator: Joi.number().integer().min(1).required(),
    denominator: Joi.number().integer().min(1).required(),
  }).default({ numerator: 25, denominator: 1 }),
  style: styleId.required(),
  recording: Joi.string().hex().length(64).allow(null).default(null),
  tracks: Joi.array().items(newTrack).max(50).default([]),
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

  app.post('/api/jobs', { bodyLimit: editBodyLimit }, async (request, reply) => {
    const { tracks, ...wanted } = checked(newJob, request.body);
    const asked = hashOf({ ...wanted, tracks });
    const style = JSON.stringify(await styleOf(db, wanted.style));
    const made = await writing(db, async (tx) => {
      const before = await tx<JobRow>('jobs').where({ id: wanted.id }).first();
      if (before && before.asked !== asked) throw idTaken('job');
      if (before) return false;
      if (wanted.recording && !(await tx('recordings').where({ hash: wanted.recording }).first()))
        throw missing('The recording of this job');
      await tx('jobs').insert({ ...wanted, rate: JSON.stringify(wanted.rate), style, made: Date.now(), asked });
      for (const track of tracks) await makeTrack(tx, log, wanted.id, track);
      return true;
    });
    return reply.status(made ? 201 : 200).send(await jobOf(db, wanted.id));
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
    const tracks = await db<TrackRow>('tracks').where({ job: id }).select('id');
    await writing(db, (tx) => tx('jobs').where({ id }).delete());
    log.forget(tracks.map((t) => t.id));
    if (recording) await removeUnused(db, config.data, recording);
    await emptyLog(db);
    return reply.status(204).send();
  });
  done();
}
