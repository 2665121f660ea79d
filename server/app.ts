/** The server: one plugin per resource, each with its routes, schemas and store. */
import helmet from '@fastify/helmet';
import rateLimit from '@fastify/rate-limit';
import fastify, { type FastifyInstance } from 'fastify';
import type { Config } from './config.ts';
import { takeFolder, type Folder } from './database/folder.ts';
import { openDatabase } from './database/open.ts';
import { destinations } from './destinations/routes.ts';
import { jobs } from './jobs/routes.ts';
import { pages } from './pages/routes.ts';
import { ApiError } from '../core/contract/api-error.ts';
import { changes } from './changes.ts';
import { events } from './events.ts';
import { watchBodies } from './http/bodies.ts';
import { answerError, answerErrors, nothingHere } from './http/errors.ts';
import { route } from './http/route.ts';
import { validateByJoi } from './http/validation.ts';
import { counter, countingApart, countingHere } from './counts/counter.ts';
import { workQueue } from './work/queue.ts';
import { work } from './work/routes.ts';
import { recordings } from './recordings/routes.ts';
import { styles } from './styles/routes.ts';
import { editLog } from './tracks/log.ts';
import { moves } from './tracks/moves.ts';
import { tracks } from './tracks/routes.ts';

const loopback = new Set(['localhost', '127.0.0.1', '[::1]']);

/**
 * Keeps other sites out: requests have to name this machine as their host, so that a foreign name
 * pointed here gets nothing, and changes have to come from a page of this server.
 */
function guard(app: FastifyInstance): void {
  app.addHook('onRequest', (request, _reply, done) => {
    const host = request.headers.host ?? '';
    if (!loopback.has(host.replace(/:\d+$/, '')))
      throw new ApiError('other-host', 'Fenwix answers on this machine only.');
    const { origin } = request.headers;
    if (request.method !== 'GET' && request.method !== 'HEAD' && origin !== undefined && origin !== `http://${host}`) {
      throw new ApiError('other-origin', 'Changes are taken from Fenwix’s own pages only. Nothing was changed.');
    }
    done();
  });
}

declare module 'fastify' {
  interface FastifyInstance {
    /** The data folder this server has taken. */
    readonly folder: Folder;
    /** Every route, as `GET /api/jobs/:id`. */
    readonly routes: readonly string[];
  }
}

/** From one address: fifty editors behind one, an edit each second, with room for what else their pages ask. */
const requestsAMinute = 20_000;

/** A server that is ready to listen. Closing it closes its database. */
export async function buildApp(config: Config): Promise<FastifyInstance> {
  const folder = takeFolder(config.data);
  const db = await openDatabase(config.data).catch((error: unknown) => {
    folder.release();
    throw error;
  });
  const app = fastify({
    logger: { level: config.log },
    forceCloseConnections: true,
    frameworkErrors: (error, request, reply) => void answerError(error, request, reply),
  });
  app.addHook('onClose', async () => {
    await db.destroy();
    folder.release();
  });
  app.decorate('folder', folder);
  const routes: string[] = [];
  app.addHook('onRoute', ({ method, url }) => {
    for (const each of [method].flat()) if (each !== 'HEAD') routes.push(`${each} ${url}`);
  });
  app.decorate('routes', routes);
  answerErrors(app);
  validateByJoi(app);
  guard(app);
  watchBodies(app, config.bodyPatience);
  await app.register(helmet, { contentSecurityPolicy: false });
  await app.register(rateLimit, { max: requestsAMinute, timeWindow: '1 minute' });
  const kept = changes(db);
  const { change, listen } = kept;
  const log = editLog(db, { changes: kept });
  const queue = workQueue(db, kept, app.log);
  const counting = config.countWorker ? countingApart(config.countWorker, config.data) : countingHere(db, log);
  const counts = counter(db, kept, counting, app.log);
  app.addHook('preClose', async () => {
    await counts.close();
    await queue.close();
  });
  route(app, 'GET /api/health', {}, () => ({ fenwix: true }));
  // What counts rest on may have changed with the rules.
  app.addHook('onReady', kept.raiseAll);
  // Work that a stop or a kill has broken off goes on.
  app.addHook('onReady', (ready) => {
    queue.wake();
    ready();
  });
  await app.register(events, { listen });
  await app.register(work, { db, change, queue });
  await app.register(styles, { db, change });
  await app.register(jobs, { db, config, log, changes: kept });
  await app.register(recordings, { db, config, change });
  await app.register(tracks, { db, log, change });
  await app.register(moves, { db, log, change, queue });
  await app.register(destinations, { db, log, config, change, queue });
  if (config.web === null)
    app.setNotFoundHandler(() => {
      throw nothingHere();
    });
  else await pages(app, { web: config.web });
  return app;
}
