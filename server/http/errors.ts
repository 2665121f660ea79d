/** Every error that leaves the server, as the one error of the contract. */
import type { FastifyError, FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import { ApiError } from '../../core/contract/api-error.ts';
import { NotDecoded } from '../../core/model/decode.ts';
import { EditRefused } from '../../core/model/edits.ts';

/** @param what begins a sentence: “The track” */
export const missing = (what: string): ApiError =>
  new ApiError('missing', `${what} is not here; it may have been deleted.`);

/** No route has this address. */
export const nothingHere = (): ApiError => new ApiError('missing', 'There is nothing at this address.');

/** An id is made by whoever asks, once for each thing. */
export const idTaken = (what: 'job' | 'track' | 'receipt' | 'move'): ApiError =>
  new ApiError('id-taken', `There is another ${what} with this id already. Nothing was changed; try again.`);

/** The database could not be had in time. */
export const busy = (): ApiError =>
  new ApiError(
    'busy',
    'Another program has the database, so this was not kept yet. What was kept before is safe; try again.',
  );

/** What Fastify itself refuses, by its status. */
function refusedByFastify({ statusCode = 400, message }: Partial<FastifyError>): ApiError {
  if (statusCode === 413)
    return new ApiError('too-large', 'What was sent is larger than is taken here. Nothing was changed.');
  if (statusCode === 429)
    return new ApiError(
      'too-many',
      'Too many requests came from here in a minute. Nothing was changed; try again soon.',
    );
  return new ApiError('not-understood', message ?? 'The request was not understood.', null, statusCode);
}

/** Whatever was thrown, as the error that a page is told; what nobody foresaw becomes `unexpected`. */
export function apiErrorOf(error: unknown): ApiError {
  if (error instanceof ApiError) return error as ApiError;
  if (error instanceof EditRefused || error instanceof NotDecoded)
    return new ApiError('edit-refused', `The change was not made, and nothing else was touched. ${error.message}`);
  const known = error as Partial<FastifyError>;
  if (String(known.code).startsWith('SQLITE_BUSY')) return busy();
  if (known.code === 'SQLITE_FULL' || known.code === 'ENOSPC')
    return new ApiError(
      'disk-full',
      'The disk is full, so this was not kept. Free some space; what was kept before is safe.',
    );
  if (known.statusCode !== undefined && known.statusCode < 500) return refusedByFastify(known);
  return new ApiError(
    'unexpected',
    'Something went wrong on the server and this was not kept. What was kept before is safe; try again.',
  );
}

/** What is written down of an error: where it was, and nothing that was sent; messages of the database carry what somebody wrote. */
export function toLog(error: unknown): object {
  const { name, code, stack } = error as Partial<Error & { code: unknown }>;
  return { name, code, at: (stack ?? '').split('\n').filter((line) => /^\s+at /.test(line)) };
}

/** Answers an error as `{code, message, details}`. */
export function answerError(error: unknown, request: FastifyRequest, reply: FastifyReply): FastifyReply {
  const problem = apiErrorOf(error);
  if (problem.code === 'unexpected') request.log.error(toLog(error), 'unexpected');
  return reply.status(problem.status).send(problem.toBody());
}

/** Answers every error of a server as {@link ApiError}. */
export function answerErrors(app: FastifyInstance): void {
  app.setErrorHandler(answerError);
}
