/** Work that a server does when it has started, and every hour after that. */
import type { FastifyInstance } from 'fastify';

const hour = 3600 * 1000;

/** @param work one that fails is told in the log and tried again an hour later */
export function hourly(app: FastifyInstance, work: () => Promise<void>): void {
  const begin = (): void => {
    work().catch((error: unknown) => app.log.error(error));
  };
  const timer = setInterval(begin, hour).unref();
  app.addHook('onReady', (done) => {
    begin();
    done();
  });
  app.addHook('onClose', (_app, done) => {
    clearInterval(timer);
    done();
  });
}
