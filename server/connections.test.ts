/** What goes over a connection: bodies that are too large, stand still or nest without end, and streams of events. */
import type { FastifyInstance } from 'fastify';
import { once } from 'node:events';
import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { connect, type Socket } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildApp } from './app.ts';
import { configFor } from './config-for-tests.ts';
import { isTooDeep } from './http/bodies.ts';

let data: string;
let app: FastifyInstance;
let port: number;
const open = new Set<Socket>();
async function start(more: Parameters<typeof configFor>[1] = {}): Promise<void> {
  app = await buildApp(configFor(data, { largestRecording: 2_000_000, ...more }));
  port = Number(new URL(await app.listen({ host: '127.0.0.1', port: 0 })).port);
}
beforeEach(() => (data = mkdtempSync(join(tmpdir(), 'fenwix-wire-'))));
afterEach(async () => {
  for (const socket of open) socket.destroy();
  open.clear();
  await app.close();
  rmSync(data, { recursive: true, force: true });
});

/** A connection, and what has come over it. */
function connection(): { socket: Socket; until: (wanted: RegExp) => Promise<string> } {
  const socket = connect(port, '127.0.0.1');
  open.add(socket);
  let got = '';
  socket.on('data', (part) => (got += String(part)));
  // What is refused may be closed while it is still being sent.
  socket.on('error', () => undefined);
  return {
    socket,
    async until(wanted) {
      while (!wanted.test(got)) await once(socket, 'data');
      return got;
    },
  };
}
const head = (route: string, length: number | null, type = 'application/octet-stream'): string =>
  `${route} HTTP/1.1\r\nhost: localhost\r\ncontent-type: ${type}\r\n${length === null ? 'transfer-encoding: chunked' : `content-length: ${String(length)}`}\r\n\r\n`;
const health = 'GET /api/health HTTP/1.1\r\nhost: localhost\r\n\r\n';
const poster = `PUT /api/recordings/${'a'.repeat(64)}/poster`;
const long = Buffer.alloc(3_000_000, 7);

it.each([
  ['says its length', head(poster, long.length), long],
  [
    'does not say its length',
    head(poster, null),
    Buffer.concat([Buffer.from(`${long.length.toString(16)}\r\n`), long, Buffer.from('\r\n0\r\n\r\n')]),
  ],
])('a connection answers after a body that is too large and %s', async (_, begin, body) => {
  await start();
  const { socket, until } = connection();
  socket.write(begin);
  socket.write(body);
  await until(/ 413 [\s\S]*too-large/);
  socket.write(health);
  await until(/"fenwix":true/);
});

it('a recording that says it is too large is refused before any of it came', async () => {
  await start();
  const { socket, until } = connection();
  socket.write(head('PUT /api/recordings?name=lock.webm', 2_000_001));
  expect(await until(/ 413 [\s\S]*details/)).toContain('over the limit of 2 MB');
  expect(readdirSync(join(data, 'recordings'))).toEqual([]);
});

it('a body that stands still is given up, and nothing is kept of it', async () => {
  await start({ bodyPatience: 60 });
  const { socket, until } = connection();
  socket.write(head('PUT /api/recordings?name=lock.webm', 1_000_000));
  socket.write(Buffer.concat([Buffer.from([0x1a, 0x45, 0xdf, 0xa3]), Buffer.alloc(5000, 7)]));
  expect(await until(/ 408 [\s\S]*details/)).toContain('Nothing more of what was sent came');
  await once(socket, 'close');
  while (readdirSync(join(data, 'recordings')).length > 0) await new Promise((next) => setTimeout(next, 5));
});

it('lists inside one another without end are refused', async () => {
  await start();
  const deep = `{"id":"a","base":0,"after":null,"edits":[${'['.repeat(5_000_000)}`;
  const { socket, until } = connection();
  socket.write(head('POST /api/tracks/x/edits', deep.length, 'application/json'));
  socket.write(deep);
  expect(await until(/ 400 [\s\S]*details/)).toContain('deeper than anything is here');
});

it('depth is told from signs outside texts alone', () => {
  const brackets = '['.repeat(500);
  expect(isTooDeep(`{"a":"${brackets}","b":"\\\\","c":"\\"${brackets}"}`)).toBe(false);
  expect(isTooDeep(`{"a":"\\\\","b":${brackets}`)).toBe(true);
  expect(isTooDeep('[[1],[2],'.repeat(300))).toBe(true);
  expect(isTooDeep(`[${'[1],'.repeat(300)}[2]]`)).toBe(false);
  expect(isTooDeep('"never closed')).toBe(false);
});

it('two hundred follow what happens from one address, the next is told why it cannot, and can once one has gone', async () => {
  await start();
  const events = 'GET /api/events HTTP/1.1\r\nhost: localhost\r\n\r\n';
  const all = Array.from({ length: 200 }, connection);
  for (const { socket } of all) socket.write(events);
  await Promise.all(all.map(({ until }) => until(/retry: /)));
  const one = connection();
  one.socket.write(events);
  expect(await one.until(/ 429 [\s\S]*details/)).toContain('close windows of Fenwix that are not needed');
  all[0]?.socket.destroy();
  for (;;) {
    const next = connection();
    next.socket.write(events);
    if ((await next.until(/retry: | 429 [\s\S]*details/)).includes('retry: ')) break;
  }
});

it('nobody but its owner reads the data folder', async () => {
  await start();
  expect(statSync(data).mode & 0o077).toBe(0);
});
