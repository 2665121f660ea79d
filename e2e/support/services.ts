/** Starts the built programs for a test, each with a data folder of its own. */
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { asking } from './ask.ts';

/** Waits for a line of a program's output that matches; fails with all of it when the program ends first. */
function lineOf(child: ChildProcess, wanted: RegExp): Promise<RegExpExecArray> {
  return new Promise((resolve, reject) => {
    const seen: string[] = [];
    child.once('exit', (code) => {
      reject(new Error(`It ended with ${String(code)} after saying:\n${seen.join('\n')}`));
    });
    for (const stream of [child.stdout, child.stderr]) {
      if (!stream) continue;
      createInterface({ input: stream }).on('line', (line) => {
        seen.push(line);
        const match = wanted.exec(line);
        if (match) resolve(match);
      });
    }
  });
}

async function stop(child: ChildProcess): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const gone = once(child, 'exit');
  child.kill('SIGTERM');
  await gone;
}

const start = (args: readonly string[], env: Record<string, string>): ChildProcess =>
  spawn(process.execPath, args, { env: { ...process.env, ...env }, stdio: ['ignore', 'pipe', 'pipe'] });

export interface Demo {
  readonly address: string;
  readonly stop: () => Promise<void>;
}

/** `npm run demo` on an empty data folder, at ports that are free. */
export async function startDemo(): Promise<Demo> {
  const data = mkdtempSync(join(tmpdir(), 'fenwix-demo-'));
  const child = start(['scripts/demo.mjs'], { FENWIX_DATA: data, FENWIX_PORT: '0', STANDIN_PORT: '0' });
  const [, address = ''] = await lineOf(child, /Fenwix is ready: (\S+)/);
  return {
    address,
    async stop() {
      await stop(child);
      rmSync(data, { recursive: true, force: true });
    },
  };
}

export interface Services {
  readonly address: string;
  readonly host: string;
  readonly token: string;
  readonly stopServer: () => Promise<void>;
  /** Ends the server without a word, as a power cut would. */
  readonly killServer: () => Promise<void>;
  readonly startServer: () => Promise<void>;
  /** Starts a second server on the same folder, and tells how that ended. */
  readonly startAnother: () => Promise<{ readonly code: number | null; readonly said: string }>;
  /** Folder of the server's data. */
  readonly data: string;
  readonly stopHost: () => Promise<void>;
  readonly stop: () => Promise<void>;
}

const token = 'a-token-for-tests';
const setupIn = (folder: string): string => join(folder, 'host.json');
const fill = async (...args: string[]): Promise<void> => {
  const child = start(['dist/fill-demo.mjs', ...args], {});
  const [code] = (await once(child, 'exit')) as [number];
  if (code !== 0) throw new Error(`Filling the demo ended with ${String(code)}`);
};

/** A data folder with the demo’s job in it, as `before-all.mjs` made it; none where a program is run by itself. */
const template = process.env['FENWIX_TEST_TEMPLATE'];

/** What the stand-in serves, in a folder of its own. */
async function setUp(data: string): Promise<void> {
  if (template === undefined) return fill('host-setup', setupIn(data), token);
  cpSync(template, data, { recursive: true });
  const setup = JSON.parse(readFileSync(setupIn(data), 'utf8')) as object;
  writeFileSync(setupIn(data), JSON.stringify({ ...setup, folder: join(data, 'video-host') }));
}

/** Tells the server where the stand-in is this time. */
const moveHost = (address: string, url: string) =>
  asking(() => address)('PUT /api/destinations/:id', {
    params: { id: 'quayside' },
    body: { name: 'Quayside', kind: 'video-host', url, token },
  });

/** The server and the video host apart, so that a test can stop either. */
export async function startServices(env: Record<string, string> = {}): Promise<Services> {
  const data = mkdtempSync(join(tmpdir(), 'fenwix-e2e-'));
  await setUp(data);
  const listening = /^\{"listening":"(.+)"\}$/;
  const startHost = async () => {
    const child = start(['dist/video-host.mjs'], { STANDIN_SETUP: setupIn(data), STANDIN_PORT: '0' });
    const [, host = ''] = await lineOf(child, listening);
    return { child, host };
  };
  let port = '0';
  let server: ChildProcess;
  const startServer = async (): Promise<string> => {
    server = start(['--enable-source-maps', 'dist/server.mjs'], { ...env, FENWIX_DATA: data, FENWIX_PORT: port });
    const [, address = ''] = await lineOf(server, listening);
    port = new URL(address).port;
    return address;
  };
  const [{ child: hostProcess, host }, address] = await Promise.all([startHost(), startServer()]);
  if (template === undefined) await fill('fill', address, host, token, 'lock-after-dark');
  else await moveHost(address, host);
  return {
    address,
    host,
    token,
    data,
    stopServer: () => stop(server),
    async killServer() {
      const gone = once(server, 'exit');
      server.kill('SIGKILL');
      await gone;
    },
    async startServer() {
      await startServer();
    },
    async startAnother() {
      const other = start(['--enable-source-maps', 'dist/server.mjs'], { ...env, FENWIX_DATA: data, FENWIX_PORT: '0' });
      let said = '';
      other.stderr?.on('data', (part: Buffer) => (said += part.toString()));
      const [code] = (await once(other, 'close')) as [number | null];
      return { code, said };
    },
    stopHost: () => stop(hostProcess),
    async stop() {
      await stop(server);
      await stop(hostProcess);
      rmSync(data, { recursive: true, force: true });
    },
  };
}
