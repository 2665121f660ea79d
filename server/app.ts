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
import { answerProblems, Problem } from './problem.ts';
import { recordings } from './recordings/routes.ts';
import { styles } from './styles/routes.ts';
import { editLog } from './tracks/log.ts';
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
      throw new Problem(403, 'other-host', 'Fenwix answers on this machine only.');
    const { origin } = request.headers;
    if (request.method !== 'GET' && request.method !== 'HEAD' && origin !== undefined && origin !== `http://${host}`) {
      throw new Problem(403, 'other-origin', 'Changes are taken from Fenwix’s own pages only. Nothing was changed.');
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
  const app = fastify({ logger: { level: process.env['FENWIX_LOG'] ?? 'warn' }, forceCloseConnections: true });
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
  answerProblems(app);
  guard(app);
  await app.register(helmet, { contentSecurityPolicy: false });
  await app.register(rateLimit, { max: requestsAMinute, timeWindow: '1 minute' });
  const log = editLog(db);
  app.get('/api/health', () => ({ fenwix: true }));
  await app.register(styles, { db });
  await app.register(jobs, { db, config, log });
  await app.register(recordings, { db, config });
  await app.register(tracks, { db, log });
  await app.register(destinations, { db, log, config });
  if (config.web) await pages(app, { web: config.web });
  return app;
}
