// @ts-check
/** Starts the built server and stand-ins as processes of their own, and stops all of them together. */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { root, stop } from './setup.mjs';

/** @type {Set<import('node:child_process').ChildProcess>} */
const running = new Set();

/** Ends every process that was started here. */
export async function stopAll() {
  await Promise.all(
    [...running].map(
      (child) =>
        new Promise((done) => {
          child.once('exit', done);
          child.kill('SIGTERM');
        }),
    ),
  );
}

for (const signal of ['SIGINT', 'SIGTERM']) {
  process.once(signal, () => {
    void stopAll().then(() => process.exit(0));
  });
}

/**
 * Starts one of the built programs and waits for the address it prints.
 * @param {string} name its file in dist, without ending
 * @param {Record<string, string>} env
 * @returns {Promise<string>} the address it listens at
 */
export async function startService(name, env) {
  const child = spawn(process.execPath, ['--enable-source-maps', join(root, 'dist', `${name}.mjs`)], {
    cwd: root,
    env: { ...process.env, ...env, FENWIX_PARENT: String(process.pid) },
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  });
  running.add(child);
  child.once('exit', () => running.delete(child));
  return await new Promise((resolve) => {
    child.once('exit', (code) =>
      stop(`${name} ended with ${String(code)} before it was ready; the reason stands above.`),
    );
    createInterface({ input: /** @type {import('node:stream').Readable} */ (child.stdout) }).on('line', (line) => {
      if (line.startsWith('{"listening"')) {
        child.removeAllListeners('exit');
        child.once('exit', () => running.delete(child));
        resolve(JSON.parse(line).listening);
      } else console.log(line);
    });
  });
}
