/** What happens on the server, told to pages as it happens: one stream of server-sent events for each browser. */
import type { FastifyInstance } from 'fastify';
import { PassThrough } from 'node:stream';
import type { ServerEvent } from '../core/contract/work.ts';
import { route } from './http/route.ts';

export interface Events {
  readonly emit: (event: ServerEvent) => void;
  /** @returns stops listening */
  readonly listen: (listener: (event: ServerEvent) => void) => () => void;
}

export function eventBus(): Events {
  const listeners = new Set<(event: ServerEvent) => void>();
  return {
    emit: (event) => listeners.forEach((listener) => listener(event)),
    listen(listener) {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
  };
}

/** A comment is sent so often, in ms, so that a connection nobody reads is found out. */
const heartbeat = 15_000;
/** How long a browser waits before it asks again, in ms. */
const askAgain = 1000;
/** A stream of which so many bytes were not read is cut off: its page asks again and looks for itself. */
const mostUnread = 1_000_000;

export function events(app: FastifyInstance, { bus }: { bus: Events }, done: () => void): void {
  const streams = new Set<PassThrough>();
  // Before the server waits for its connections to end.
  app.addHook('preClose', (closed) => {
    for (const stream of streams) stream.end();
    closed();
  });

  route(app, 'GET /api/events', {}, ({ raw }, reply) => {
    const stream = new PassThrough();
    streams.add(stream);
    const write = (text: string): void => {
      if (stream.readableLength > mostUnread) stream.end();
      else if (!stream.writableEnded) stream.write(text);
    };
    const stop = bus.listen((event) => write(`data: ${JSON.stringify(event)}\n\n`));
    const beat = setInterval(() => write(':\n\n'), heartbeat);
    raw.once('close', () => stream.end());
    stream.once('close', () => {
      stop();
      clearInterval(beat);
      streams.delete(stream);
    });
    write(`retry: ${String(askAgain)}\n\n`);
    return reply.type('text/event-stream').header('cache-control', 'no-store').send(stream);
  });
  done();
}
