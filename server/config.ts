/** How a server is set up; everything comes from the environment and has a default that is safe. */
import { resolve } from 'node:path';

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
}

export function configFrom(env: Readonly<Record<string, string | undefined>>): Config {
  return {
    data: resolve(env['FENWIX_DATA'] ?? 'data'),
    host: '127.0.0.1',
    port: Number(env['FENWIX_PORT'] ?? 4410),
    web: resolve('dist/web'),
    largestRecording: Number(env['FENWIX_LARGEST_RECORDING'] ?? 8 * 1024 ** 3),
  };
}
