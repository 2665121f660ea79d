/** Errors a person meets: a code for programs and a sentence for people. */
import { NotDecoded } from '../core/track/decode.ts';
import { EditRefused } from '../core/track/edits.ts';
import type { FastifyError, FastifyInstance } from 'fastify';

export class Problem extends Error {
  override readonly name = 'Problem';
  readonly status: number;
  readonly code: string;
  readonly details: unknown;

  constructor(status: number, code: string, message: string, details: unknown = null) {
    super(message);
    this.status = status;
    this.code = code;
    this.details = details;
  }
}

export const missing = (what: string): Problem =>
  new Problem(404, 'missing', `${what} is not here; it may have been deleted.`);

/** An id is made by whoever asks, once for each thing. */
export const idTaken = (what: 'job' | 'track'): Problem =>
  new Problem(409, 'id-taken', `There is another ${what} with this id already. Nothing was changed; try again.`);

function problemOf(error: unknown): Problem {
  if (error instanceof Problem) return error;
  if (error instanceof EditRefused || error instanceof NotDecoded)
    return new Problem(422, 'edit-refused', `The change was not made, and nothing else was touched. ${error.message}`);
  const known = error as Partial<FastifyError>;
  if (known.code === 'FST_ERR_CTP_BODY_TOO_LARGE')
    return new Problem(413, 'too-large', 'What was sent is larger than is taken here. Nothing was changed.');
  if (String(known.code).startsWith('SQLITE_BUSY'))
    return new Problem(
      503,
      'busy',
      'Another program has the database, so this was not kept yet. What was kept before is safe; try again.',
    );
  if (known.code === 'SQLITE_FULL' || known.code === 'ENOSPC')
    return new Problem(
      507,
      'disk-full',
      'The disk is full, so this was not kept. Free some space; what was kept before is safe.',
    );
  if (known.statusCode !== undefined && known.statusCode < 500)
    return new Problem(known.statusCode, 'not-understood', known.message ?? 'The request was not understood.');
  return new Problem(
    500,
    'unexpected',
    'Something went wrong on the server and this was not kept. What was kept before is safe; try again.',
  );
}

/** What is written down of an error: where it was, and nothing that was sent; messages of the database carry what somebody wrote. */
function toLog(error: unknown): object {
  const { name, code, stack } = error as Partial<Error & { code: unknown }>;
  return { name, code, at: (stack ?? '').split('\n').filter((line) => /^\s+at /.test(line)) };
}

/** Answers every error as `{code, message, details}`. */
export function answerProblems(app: FastifyInstance): void {
  app.setErrorHandler((error, request, reply) => {
    const problem = problemOf(error);
    if (problem.code === 'unexpected') request.log.error(toLog(error), 'unexpected');
    return reply
      .status(problem.status)
      .send({ code: problem.code, message: problem.message, details: problem.details });
  });
}
