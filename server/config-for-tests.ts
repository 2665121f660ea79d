/** A server for tests and benchmarks: no interface, no log, everything in one folder. */
import type { Config } from './config.ts';

/**
 * The configuration of a server in a test.
 * @param data folder of its own
 * @param more what the test wants otherwise
 */
export const configFor = (data: string, more: Partial<Config> = {}): Config => ({
  data,
  host: '127.0.0.1',
  port: 0,
  web: null,
  largestRecording: 4000,
  bodyPatience: 30_000,
  log: 'silent',
  countWorker: null,
  ...more,
});
