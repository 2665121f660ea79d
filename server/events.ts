/** What happens on the server, told to pages as it happens: one stream of server-sent events for each browser. */
import type { FastifyInstance } from 'fastify';
import { PassThrough } from 'node:stream';
import { ApiError } from '../core/contract/api-error.ts';
import { eventOf, type Changes } from './changes.ts';
import { route } from './http/route.ts';

/** A comment is sent so often, in ms, so that a connection nobody reads is found out. */
const heartbeat = 15_000;
/** Streams of one address; a browser has one. */
const mostStreams = 200;
/** How long a browser waits before it asks again, in ms. */
const askAgain = 1000;
/** A stream of which so many bytes were not read is cut off: its page asks again and looks for itself. */
const mostUnread = 1_000_000;

/** Tells pages what changes, as a stream of events for each. */
export function events(app: FastifyInstance, { listen }: Pick<Changes, 'listen'>, done: () => void): void {
  const streams = new Set<PassThrough>();
  // Before the server waits for its connections to end.
  app.addHook('preClose', (closed) => {
    for (const stream of streams) stream.end();
    closed();
  });

  /** How many streams each address has. */
  const held = new Map<string, number>();
  route(app, 'GET /api/events', {}, ({ raw }, reply) => {
    const address = raw.socket.remoteAddress ?? '';
    const many = held.get(address) ?? 0;
    if (many >= mostStreams)
      throw new ApiError(
        'too-many',
        `This machine follows what happens here ${String(mostStreams)} times already. Nothing is lost; close windows of Fenwix that are not needed, and this one goes on.`,
      );
    held.set(address, many + 1);
    const stream = new PassThrough();
    streams.add(stream);
    const write = (text: string): void => {
      if (stream.readableLength > mostUnread) stream.end();
      else if (!stream.writableEnded) stream.write(text);
    };
    const stop = listen((changed) => {
      const event = eventOf(changed);
      if (event) write(`data: ${JSON.stringify(event)}\n\n`);
    });
    const beat = setInterval(() => write(':\n\n'), heartbeat);
    raw.once('close', () => stream.end());
    stream.once('close', () => {
      stop();
      clearInterval(beat);
      streams.delete(stream);
      const left = (held.get(address) ?? 1) - 1;
      if (left > 0) held.set(address, left);
      else held.delete(address);
    });
    write(`retry: ${String(askAgain)}\n\n`);
    return reply.type('text/event-stream').header('cache-control', 'no-store').send(stream);
  });
  done();
}
