/** Routes of long work: looked at, stopped, tried again, and taken by pages that do it. */
import type { FastifyInstance } from 'fastify';
import Joi from 'joi';
import type { Knex } from 'knex';
import { mostCharacters } from '../../core/contract/limits.ts';
import type { Changes } from '../changes.ts';
import { route } from '../http/route.ts';
import { byId, id, objectOf } from '../http/validation.ts';
import { leases } from './leases.ts';
import type { WorkQueue } from './queue.ts';
import { listWork, openWork } from './store.ts';

const page = id.required();
const share = Joi.number().min(0).max(1);

const ofJob = objectOf<{ readonly job?: string }>({ job: id });
const lease = objectOf<{ readonly page: string; readonly progress?: number }>({ page, progress: share });
const onePart = objectOf<{ readonly id: string; readonly number: string }>({
  id: id.required(),
  number: Joi.string()
    .pattern(/^\d{1,7}$/)
    .required(),
});
const part = objectOf<{ readonly page: string; readonly progress: number; readonly part: unknown }>({
  page,
  progress: share.required(),
  part: Joi.any().required(),
});
const end = objectOf<{ readonly page: string; readonly reason: string | null }>({
  page,
  reason: Joi.string().max(mostCharacters.reason).allow(null).required(),
});

/** Routes of work: what is under way, and leases of what pages do, as a plugin. */
export function work(
  app: FastifyInstance,
  { db, change, queue }: { db: Knex; queue: WorkQueue } & Pick<Changes, 'change'>,
  done: () => void,
): void {
  const held = leases({ change });

  route(app, 'GET /api/work', { query: ofJob }, async ({ query }) => (await listWork(db, query.job)).map(openWork));
  route(app, 'POST /api/work/:id/stop', { params: byId }, ({ params }) => queue.stop(params.id));
  route(app, 'POST /api/work/:id/again', { params: byId }, ({ params }) => queue.again(params.id));
  route(app, 'POST /api/work/:id/lease', { params: byId, body: lease }, ({ params, body }) =>
    held.take(params.id, body.page, body.progress),
  );
  route(app, 'PUT /api/work/:id/parts/:number', { params: onePart, body: part }, ({ params, body }) =>
    held.part(params.id, body.page, Number(params.number), body.part, body.progress),
  );
  route(app, 'POST /api/work/:id/end', { params: byId, body: end }, ({ params, body }) =>
    held.end(params.id, body.page, body.reason),
  );
  done();
}
