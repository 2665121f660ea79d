/**
 * Requests as nobody would send them, at every route there is: none is answered with a 500, and whatever
 * is refused is refused with a code and a sentence; every answer is as the contract has it. `FENWIX_FUZZ=200` tries so many of each route.
 */
import type { FastifyInstance } from 'fastify';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { shippedStyles } from '../core/style/shipped.ts';
import { caption } from '../core/model/caption.ts';
import type { RouteName } from '../core/contract/contract.ts';
import { holdAnswer } from './answers-for-tests.ts';
import { buildApp } from './app.ts';
import { configFor } from './config-for-tests.ts';

const cases = Number(process.env['FENWIX_FUZZ'] ?? 60);

/** Numbers from a seed (mulberry32, from memory), so that a run can be done again. */
function numbers(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Stands for a value 5,000 levels deep, which is put in as text: this side could not write it. */
const deep = 'five thousand levels';
const json = (value: unknown): string =>
  JSON.stringify(value).replaceAll(`"${deep}"`, `${'{"a":'.repeat(5000)}1${'}'.repeat(5000)}`);
const odd: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1.5,
  1e308,
  Number.MAX_SAFE_INTEGER,
  '',
  ' ',
  'a'.repeat(5000),
  '\u0000',
  '\ud800',
  '../../etc',
  "'; drop table jobs; --",
  'javascript:alert(1)',
  'http://[::1',
  '__proto__',
  [],
  {},
  [[[]]],
  [null],
  { __proto__: null, constructor: 1 },
  deep,
  [{ type: 'splice' }],
  { numerator: 1, denominator: 0 },
];

let data: string;
let app: FastifyInstance;
beforeAll(async () => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-fuzz-'));
  app = await buildApp(configFor(data, { largestRecording: 5000 }));
});
afterAll(async () => {
  await app.close();
  rmSync(data, { recursive: true, force: true });
});

const [job, track] = ['job', 'track'];
const gate = caption({ id: 'a', start: 0, end: 1000, text: 'the gate' });
const newTrack = { id: track, kind: 'captions', language: 'en', name: 'fair copy', foreign: null, captions: [gate] };
const hash = 'a'.repeat(64);

/** Never comes to an end, and is tried in a test of its own. */
const stream = 'GET /api/events';
/** Routes whose body is bytes. */
const takesBytes: ReadonlySet<string> = new Set([
  'PUT /api/recordings',
  'PUT /api/recordings/:hash/poster',
  'PUT /api/recordings/:hash/peaks',
]);

/** What a sound request of each route carries. */
const sound: Readonly<Record<Exclude<RouteName, typeof stream>, { readonly query?: object; readonly body?: unknown }>> =
  {
    'GET /api/health': {},
    'GET /api/styles': {},
    'POST /api/styles': { body: shippedStyles[0] },
    'PUT /api/styles/:id': { body: shippedStyles[0] },
    'DELETE /api/styles/:id': { query: { instead: 'lecture-38' } },
    'GET /api/jobs': {},
    'POST /api/jobs': { body: { id: job, title: 'Lock', language: 'en', style: 'lecture-38', tracks: [newTrack] } },
    'GET /api/jobs/:id': {},
    'GET /api/jobs/:id/opening': { query: { track } },
    'PATCH /api/jobs/:id': {
      body: {
        title: 'Gate',
        style: shippedStyles[0],
        recording: 'a'.repeat(64),
        soundTrack: 1,
        stretch: { start: 0, end: 900 },
      },
    },
    'DELETE /api/jobs/:id': {},
    'PUT /api/recordings': { query: { name: 'lock.webm' }, body: 'bytes' },
    'PATCH /api/recordings/:hash': { body: { length: 1000, width: 10, height: 10 } },
    'GET /api/recordings/:hash/file': {},
    'PATCH /api/tracks/:id': { body: { name: 'fair copy', kind: 'subtitles', language: 'fr', deleted: false } },
    'POST /api/jobs/:id/tracks': { body: { ...newTrack, id: 'second' } },
    'POST /api/jobs/:id/moves': { body: { id: 'm', tracks: [track], move: { pieces: [[0, 500]] } } },
    'GET /api/tracks/:id': { query: { at: 1 } },
    'GET /api/tracks/:id/versions': {},
    'GET /api/tracks/:id/edits': { query: { after: 0, batch: 'b' } },
    'POST /api/tracks/:id/edits': {
      body: { id: 'b', base: 1, after: track, edits: [{ type: 'splice', id: 'a', from: 0, to: 0, insert: 'x' }] },
    },
    'GET /api/tracks/:id/file': { query: { format: 'srt', soundNotes: true } },
    'GET /api/destinations': {},
    'PUT /api/destinations/:id': { body: { name: 'Q', kind: 'video-host', url: 'http://127.0.0.1:9', token: 't' } },
    'GET /api/destinations/:id/recordings': {},
    'POST /api/jobs/:id/receipts': { body: { id: 'r', track, destination: 'q', place: 'p', format: 'srt' } },
    'GET /api/jobs/:id/receipts': {},
    'PUT /api/recordings/:hash/poster': { body: 'bytes' },
    'GET /api/recordings/:hash/poster': {},
    'PUT /api/recordings/:hash/peaks': { query: { track: 0 }, body: 'bytes' },
    'GET /api/recordings/:hash/peaks': { query: { track: 0 } },
    'PUT /api/recordings/:hash/regions': { query: { track: 1 }, body: { speech: [{ start: 0, end: 900 }], sound: [] } },
    'GET /api/recordings/:hash/regions': { query: { track: 1 } },
    'GET /api/style-uses': {},
    'GET /api/work': { query: { job } },
    'POST /api/work/:id/stop': {},
    'POST /api/work/:id/again': {},
    'POST /api/work/:id/lease': { body: { page: 'p', progress: 0.5 } },
    'PUT /api/work/:id/parts/:number': { body: { page: 'p', progress: 0.5, part: { peaks: [1, 2] } } },
    'POST /api/work/:id/end': { body: { page: 'p', reason: null } },
  };

/** A value with one part of it, anywhere, become something odd, or left out. */
function spoilt(value: unknown, random: () => number): unknown {
  const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(random() * list.length)];
  if (typeof value !== 'object' || value === null || random() < 0.15) return pick(odd);
  const keys = Object.keys(value);
  const key = pick(keys);
  if (key === undefined) return pick(odd);
  const part = (value as Record<string, unknown>)[key];
  const copy: Record<string, unknown> | unknown[] = Array.isArray(value) ? [...(value as unknown[])] : { ...value };
  const into = copy as Record<string, unknown>;
  if (random() < 0.1) Reflect.deleteProperty(into, key);
  else into[key] = random() < 0.5 ? spoilt(part, random) : pick(odd);
  return copy;
}

it('knows a sound request of every route', () => {
  expect([...new Set(app.routes)].sort()).toEqual([...Object.keys(sound), stream].sort());
});

it.each(Object.keys(sound) as (keyof typeof sound)[])(
  '%s answers whatever comes, by the contract',
  async (route) => {
    const [method, path] = route.split(' ') as ['GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE', string];
    const random = numbers(Object.keys(sound).indexOf(route) + 20_261_125);
    await app.inject({
      method: 'POST',
      url: '/api/jobs',
      headers: { host: 'localhost' },
      payload: sound['POST /api/jobs'].body as object,
    });
    await app.inject({
      method: 'PUT',
      url: '/api/destinations/q',
      headers: { host: 'localhost' },
      payload: sound['PUT /api/destinations/:id'].body as object,
    });
    const ids = [job, track, 'q', 'lecture-38', hash, randomUUID(), '%00', '%F0%9F%94%92', 'a'.repeat(200), '..%2f..'];
    for (let i = 0; i < cases; i++) {
      const { query, body } = sound[route];
      const wholly = i % 2 === 1;
      const right = path.includes('/tracks/')
        ? track
        : path.includes('/recordings/:hash')
          ? hash
          : path.includes('destinations')
            ? 'q'
            : job;
      const id = random() < 0.6 ? right : (ids[Math.floor(random() * ids.length)] ?? job);
      const asked = wholly && query ? (spoilt(query, random) as object | null) : query;
      const sent =
        body === undefined
          ? undefined
          : wholly && random() < 0.3
            ? odd[Math.floor(random() * odd.length)]
            : spoilt(body, random);
      const search = new URLSearchParams(
        Object.entries(asked ?? {}).map(([k, v]): [string, string] => [
          k,
          typeof v === 'string' ? v : JSON.stringify(v),
        ]),
      ).toString();
      const answer = await app.inject({
        method,
        url: `${path.replace(/:\w+/, id).replace(':number', String(i % 9))}${search ? `?${search.slice(0, 2000)}` : ''}`,
        headers: {
          host: 'localhost',
          ...(sent === undefined
            ? {}
            : {
                'content-type': takesBytes.has(route) && i % 3 ? 'application/octet-stream' : 'application/json',
              }),
        },
        ...(sent === undefined ? {} : { payload: json(sent) }),
      });
      const about = `${route}, case ${String(i)}: ${JSON.stringify(sent ?? null).slice(0, 300)} ${search} ${answer.body.slice(0, 300)}`;
      if (answer.statusCode === 500) throw new Error(`500 at ${about}`);
      const isJson = String(answer.headers['content-type']).startsWith('application/json');
      if (answer.statusCode >= 400 || isJson)
        holdAnswer(route, answer.statusCode, answer.body === '' ? null : answer.json());
    }
  },
  120_000,
);
