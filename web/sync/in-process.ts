/** The real server's log without a network between, for tests. */
import type { FastifyInstance } from 'fastify';
import { refusalOf } from '../api/client.ts';
import type { LoggedTrack, Since } from '../../core/track/logged.ts';
import type { Log } from './log.ts';

type Method = 'GET' | 'POST';
export type AskInProcess = <T>(method: Method, url: string, payload?: object) => Promise<T>;

/** Asks a server. @throws {Refusal} */
export const askInProcess =
  (app: () => FastifyInstance): AskInProcess =>
  async <T>(method: Method, url: string, payload?: object): Promise<T> => {
    const answer = await app().inject({
      method,
      url: `/api${url}`,
      headers: { host: 'localhost' },
      ...(payload ? { payload } : {}),
    });
    const body: unknown = answer.json();
    if (answer.statusCode >= 300) throw refusalOf(answer.statusCode, body);
    return body as T;
  };

export function inProcessLog(app: () => FastifyInstance, ask: AskInProcess = askInProcess(app)): Log {
  return {
    load: (id, at) => ask<LoggedTrack>('GET', `/tracks/${id}${at === undefined ? '' : `?at=${String(at)}`}`),
    since: (id, after, batch) =>
      ask<Since>('GET', `/tracks/${id}/edits?after=${String(after)}${batch === null ? '' : `&batch=${batch}`}`),
    append: (id, batch) =>
      ask<{ edit: number }>('POST', `/tracks/${id}/edits`, batch).then(
        ({ edit }) => edit,
        (error: unknown) => {
          const refusal = error as { code?: string; details?: Since };
          if (refusal.code === 'behind' && refusal.details) return refusal.details;
          throw error;
        },
      ),
  };
}
