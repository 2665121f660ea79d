/** Bodies as they arrive: none stands still for long, none is nested without end. */
import type { FastifyInstance } from 'fastify';
import { ApiError } from '../../core/contract/api-error.ts';

/** No request of the contract nests deeper than this. */
const deepest = 64;

/** Whether a JSON text has lists and objects inside one another deeper than that; told from its signs alone, so in one pass. */
export function isTooDeep(json: string): boolean {
  let depth = 0;
  for (let i = 0; i < json.length; i++) {
    const sign = json.charCodeAt(i);
    if (sign === 0x22) {
      // A text, up to the quote that no backslash stands before.
      do {
        i = json.indexOf('"', i + 1);
        if (i < 0) return false;
      } while (isEscaped(json, i));
    } else if (sign === 0x5b || sign === 0x7b) {
      if (++depth > deepest) return true;
    } else if (sign === 0x5d || sign === 0x7d) depth--;
  }
  return false;
}

function isEscaped(json: string, at: number): boolean {
  let before = at;
  while (json.charCodeAt(before - 1) === 0x5c) before--;
  return (at - before) % 2 === 1;
}

const tooDeep = (): ApiError =>
  new ApiError(
    'not-understood',
    'What was sent has lists inside one another deeper than anything is here. Nothing was changed.',
  );
const stalled = (): ApiError =>
  new ApiError(
    'stalled',
    'Nothing more of what was sent came for a while, so it was not waited for. Nothing was kept of it; try again.',
  );

/** @param patience how long a body may bring no byte, in ms; the whole of it may take as long as it takes */
export function watchBodies(app: FastifyInstance, patience: number): void {
  const parse = app.getDefaultJsonParser('error', 'error');
  app.addContentTypeParser<string>('application/json', { parseAs: 'string' }, (request, body, done) => {
    if (isTooDeep(body)) done(tooDeep());
    else void parse(request, body, done);
  });

  app.addHook('onRequest', ({ raw }, reply, done) => {
    const { socket, headers } = raw;
    // Most requests bring no body, and nothing has to be waited for.
    if (headers['content-length'] === undefined && headers['transfer-encoding'] === undefined) {
      done();
      return;
    }
    let before = socket.bytesRead;
    const stop = (): void => clearInterval(timer);
    const timer = setInterval(() => {
      if (raw.complete || reply.sent) stop();
      else if (socket.bytesRead !== before) before = socket.bytesRead;
      else {
        stop();
        void reply.header('connection', 'close').send(stalled());
        // Whoever was reading it is told too, and lets go of what came.
        reply.raw.once('finish', () => raw.destroy());
      }
    }, patience).unref();
    raw.once('end', stop);
    raw.once('close', stop);
    done();
  });
}
