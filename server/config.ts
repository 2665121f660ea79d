/** How a server is set up; everything comes from the environment and has a default that is safe. */
import Joi from 'joi';
import { resolve } from 'node:path';
import { CannotStart } from './start.ts';

export interface Config {
  /** Folder of the database and the recordings. */
  readonly data: string;
  readonly host: string;
  /** The port to try first; a free one is taken when it is not free. */
  readonly port: number;
  /** Folder of the built interface; null to serve none. */
  readonly web: string | null;
  /** Most bytes of one recording. */
  readonly largestRecording: number;
  /** How long a body may bring no byte, in ms. */
  readonly bodyPatience: number;
  /** What is written to the log. */
  readonly log: LogLevel;
  /** The built program of the thread that counts findings; null to count on the server’s own. */
  readonly countWorker: string | null;
}

const logLevels = ['silent', 'fatal', 'error', 'warn', 'info', 'debug', 'trace'] as const;
export type LogLevel = (typeof logLevels)[number];

const environment = Joi.object<{ data: string; port: number; largest: number; log: LogLevel }>({
  data: Joi.string().default('data'),
  port: Joi.number().port().default(4410),
  largest: Joi.number()
    .integer()
    .min(1)
    .default(8 * 1024 ** 3),
  log: Joi.string()
    // eslint-disable-next-line no-restricted-syntax -- a handful
    .valid(...logLevels)
    .default('warn'),
});

const asks: Readonly<Record<string, string>> = {
  data: 'FENWIX_DATA names the folder of your data',
  port: 'FENWIX_PORT is a port from 0 to 65535',
  largest: 'FENWIX_LARGEST_RECORDING is a number of bytes',
  log: `FENWIX_LOG is one of ${logLevels.join(', ')}`,
};

/** @throws {CannotStart} naming the variable that is not what it should be */
export function configFrom(env: Readonly<Record<string, string | undefined>>): Config {
  const checked = environment.validate({
    data: env['FENWIX_DATA'],
    port: env['FENWIX_PORT'],
    largest: env['FENWIX_LARGEST_RECORDING'],
    log: env['FENWIX_LOG'],
  });
  if (checked.error) {
    const detail = checked.error.details[0];
    const given: unknown = detail?.context?.value;
    throw new CannotStart(`${asks[String(detail?.path[0])] ?? 'A setting'}; it is set to “${String(given)}”.`);
  }
  const { value } = checked;
  return {
    data: resolve(value.data),
    host: '127.0.0.1',
    port: value.port,
    web: resolve('dist/web'),
    largestRecording: value.largest,
    bodyPatience: 30_000,
    log: value.log,
    countWorker: resolve('dist/count-worker.mjs'),
  };
}
