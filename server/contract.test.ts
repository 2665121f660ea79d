/** Every route, called through the contract, and every answer held against it. */
import type { FastifyInstance } from 'fastify';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  urlOf,
  wireRequest,
  type Arguments,
  type Ask,
  type JsonRoute,
  type RouteName,
} from '../core/contract/contract.ts';
import type { NewTrack } from '../core/contract/tracks.ts';
import type { ServerEvent } from '../core/contract/work.ts';
import { shippedStyle } from '../core/style/shipped.ts';
import { caption } from '../core/model/caption.ts';
import { buildHost } from '../standins/video-host/host.ts';
import { answers, askAndHold } from './answers-for-tests.ts';
import { buildApp } from './app.ts';
import { configFor } from './config-for-tests.ts';

let data: string;
let app: FastifyInstance;
let host: FastifyInstance;
let place: string;
beforeAll(async () => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-contract-'));
  app = await buildApp(configFor(data));
  const recording = {
    id: 'lock',
    title: 'Lock',
    file: '',
    mediaType: 'video/webm',
    machineTrack: 'WEBVTT\n',
    language: 'en',
  };
  host = await buildHost({ token: 'secret', recordings: [recording], folder: join(data, 'host'), processing: 1 });
  place = await host.listen({ host: '127.0.0.1', port: 0 });
});
afterAll(async () => {
  await app.close();
  await host.close();
  rmSync(data, { recursive: true, force: true });
});

const called = new Set<RouteName>();
const held = askAndHold(() => app);
const ask: Ask = (route, ...args) => {
  called.add(route);
  return held(route, ...args);
};
/** Routes whose bodies or answers are bytes. */
async function bytes<R extends Exclude<RouteName, JsonRoute>>(route: R, payload: Buffer | null, ...args: Arguments<R>) {
  called.add(route);
  const { method, url } = wireRequest(route, ...args);
  const headers = { host: 'localhost', ...(payload ? { 'content-type': 'application/octet-stream' } : {}) };
  return app.inject({ method, url, headers, ...(payload ? { payload } : {}) });
}

const webm = Buffer.concat([
  Buffer.from([0x1a, 0x45, 0xdf, 0xa3]),
  Buffer.from('....................webm'),
  Buffer.alloc(500, 7),
]);
const jpeg = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(60, 1)]);
const gate = caption({ id: 'a', start: 1000, end: 3000, text: 'the gate' });
const track = (id: string): NewTrack => ({ id, kind: 'captions', language: 'en', name: 'fair copy', captions: [gate] });

it('a whole job can be done through the contract, by every route there is', async () => {
  await ask('GET /api/health');
  const recording = (await bytes('PUT /api/recordings', webm, { query: { name: 'lock.webm' } })).json<{
    hash: string;
  }>();
  const params = { hash: recording.hash };
  await ask('PATCH /api/recordings/:hash', { params, body: { length: 5000, width: 16, height: 9 } });
  const [drawing] = await ask('GET /api/work');
  expect(drawing).toMatchObject({ kind: 'draw-poster', subject: recording.hash, state: 'waiting', by: 'page' });

  const lecture = shippedStyle('lecture-38');
  if (!lecture || !drawing) throw new Error('Both are there.');
  const style = await ask('POST /api/styles', { body: { ...lecture, name: 'Evening class' } });
  await ask('PUT /api/styles/:id', { params: { id: style.id }, body: style });
  expect((await ask('GET /api/styles')).own).toEqual([style.id]);

  const [job, fair] = [randomUUID(), randomUUID()];
  const made = {
    id: job,
    title: 'Lock',
    language: 'en',
    style: style.id,
    recording: recording.hash,
    tracks: [track(fair)],
  };
  await ask('POST /api/jobs', { body: made });
  await ask('POST /api/jobs/:id/tracks', { params: { id: job }, body: track(randomUUID()) });
  await ask('PATCH /api/jobs/:id', { params: { id: job }, body: { title: 'Working a lock' } });
  const renamed = { params: { id: fair }, body: { name: ' for the reach ' } };
  expect(await ask('PATCH /api/tracks/:id', renamed)).toMatchObject({ id: fair, name: 'for the reach' });
  const asDeleted = (deleted: boolean) => ask('PATCH /api/tracks/:id', { params: { id: fair }, body: { deleted } });
  await asDeleted(true);
  const without = await ask('GET /api/jobs/:id', { params: { id: job } });
  expect([without.tracks.some((t) => t.id === fair), without.deleted.map((t) => t.id)]).toEqual([false, [fair]]);
  await asDeleted(false);
  const other = { params: { id: fair }, body: { language: 'cy', kind: 'subtitles' } } as const;
  expect(await ask('PATCH /api/tracks/:id', other)).toMatchObject(other.body);
  await ask('PATCH /api/tracks/:id', { params: { id: fair }, body: { language: 'en', kind: 'captions' } });
  const rate = { numerator: 30000, denominator: 1001 };
  expect(await ask('PATCH /api/jobs/:id', { params: { id: job }, body: { rate } })).toMatchObject({
    title: 'Working a lock',
    rate,
  });
  expect(await ask('GET /api/jobs/:id', { params: { id: job } })).toMatchObject({ title: 'Working a lock' });
  const opened = await ask('GET /api/jobs/:id/opening', { params: { id: job } });
  expect([opened.job.id, opened.track?.id, opened.track?.edit]).toEqual([job, fair, 1]);
  expect(await ask('GET /api/style-uses')).toMatchObject([{ job: { id: job }, standing: 'same' }]);

  const batch = { id: 'b1', base: 1, edits: [{ type: 'splice', id: 'a', from: 8, to: 8, insert: '!' }] } as const;
  expect(await ask('POST /api/tracks/:id/edits', { params: { id: fair }, body: batch })).toEqual({ edit: 2 });
  expect((await ask('GET /api/tracks/:id', { params: { id: fair } })).captions[0]?.text).toBe('the gate!');
  expect((await ask('GET /api/tracks/:id/edits', { params: { id: fair }, query: { after: 1 } })).since).toHaveLength(1);
  expect(await ask('GET /api/tracks/:id/versions', { params: { id: fair } })).toMatchObject([{ edit: 2, captions: 1 }]);
  const file = await bytes('GET /api/tracks/:id/file', null, { params: { id: fair }, query: { format: 'srt' } });
  expect(file.body).toContain('the gate!');

  await ask('POST /api/work/:id/lease', { params: { id: drawing.id }, body: { page: 'p' } });
  const one = { id: drawing.id, number: '0' };
  await ask('PUT /api/work/:id/parts/:number', {
    params: one,
    body: { page: 'p', progress: 0.5, part: { half: true } },
  });
  await ask('POST /api/work/:id/end', {
    params: { id: drawing.id },
    body: { page: 'p', reason: 'It would not be drawn.' },
  });
  await ask('POST /api/work/:id/again', { params: { id: drawing.id } });
  await ask('POST /api/work/:id/stop', { params: { id: drawing.id } });
  expect((await bytes('PUT /api/recordings/:hash/poster', jpeg, { params })).statusCode).toBe(204);
  expect((await bytes('GET /api/recordings/:hash/poster', null, { params })).headers['content-type']).toBe(
    'image/jpeg',
  );
  expect((await bytes('GET /api/recordings/:hash/peaks', null, { params })).statusCode).toBe(404);
  const cells = Buffer.alloc(500, 128);
  // Neither is one that stops long before the recording does, nor what was heard behind its end.
  expect((await bytes('PUT /api/recordings/:hash/peaks', cells.subarray(0, 1), { params })).statusCode).toBe(400);
  const behind = { speech: [{ start: 100, end: 900_000 }], sound: [] };
  await expect(ask('PUT /api/recordings/:hash/regions', { params, body: behind })).rejects.toThrow(/after the end/);
  expect((await bytes('PUT /api/recordings/:hash/peaks', cells, { params })).statusCode).toBe(204);
  expect((await bytes('GET /api/recordings/:hash/peaks', null, { params })).rawPayload).toEqual(cells);
  const heard = { speech: [{ start: 100, end: 900 }], sound: [] };
  await ask('PUT /api/recordings/:hash/regions', { params, body: heard });
  expect(await ask('GET /api/recordings/:hash/regions', { params })).toEqual(heard);
  // Each sound track is heard for itself.
  const second = { query: { track: 1 } };
  await expect(ask('GET /api/recordings/:hash/regions', { params, ...second })).rejects.toThrow(/speech/);
  await ask('PUT /api/recordings/:hash/regions', { params, ...second, body: { speech: [], sound: [] } });
  expect(await ask('GET /api/recordings/:hash/regions', { params })).toEqual(heard);
  const part = { soundTrack: 1, stretch: { start: 500, end: 2500 } };
  expect(await ask('PATCH /api/jobs/:id', { params: { id: job }, body: part })).toMatchObject(part);
  await expect(
    ask('PATCH /api/jobs/:id', { params: { id: job }, body: { stretch: { start: 500, end: 500 } } }),
  ).rejects.toThrow(/nothing was changed/);
  const all = { soundTrack: 0, stretch: null };
  expect(await ask('PATCH /api/jobs/:id', { params: { id: job }, body: all })).toMatchObject(all);
  const cut = Buffer.concat([webm, Buffer.alloc(9, 1)]);
  const again = (await bytes('PUT /api/recordings', cut, { query: { name: 'cut.webm' } })).json<{ hash: string }>();
  const asNow = (hash: string) => ask('PATCH /api/jobs/:id', { params: { id: job }, body: { recording: hash } });
  const cuts = { recording: { name: 'cut.webm' }, recordingBefore: { name: 'lock.webm' } };
  expect(await asNow(again.hash)).toMatchObject(cuts);
  // Said twice it is done once: the one before stays the one before.
  expect(await asNow(again.hash)).toMatchObject(cuts);
  await expect(asNow('0'.repeat(64))).rejects.toThrow(/is not here/);
  expect(await asNow(recording.hash)).toMatchObject({
    recording: cuts.recordingBefore,
    recordingBefore: cuts.recording,
  });
  expect((await bytes('GET /api/recordings/:hash/file', null, { params })).rawPayload).toEqual(webm);
  expect(await ask('GET /api/work')).toMatchObject([{ state: 'done' }]);

  const to = { name: 'Quayside', kind: 'video-host', url: place, token: 'secret' } as const;
  await ask('PUT /api/destinations/:id', { params: { id: 'q' }, body: to });
  expect(JSON.stringify(await ask('GET /api/destinations'))).not.toContain('secret');
  expect(await ask('GET /api/destinations/:id/recordings', { params: { id: 'q' } })).toMatchObject([{ id: 'lock' }]);
  const receipt = { id: randomUUID(), track: fair, destination: 'q', place: 'lock', format: 'srt' } as const;
  await ask('POST /api/jobs/:id/receipts', { params: { id: job }, body: receipt });
  expect(await ask('GET /api/jobs/:id/receipts', { params: { id: job } })).toMatchObject([{ id: receipt.id, edit: 2 }]);
  expect(await ask('GET /api/jobs')).toMatchObject([
    { id: job, recording: { poster: true }, recordingBefore: { name: 'cut.webm' }, held: [{ behind: false }] },
  ]);

  const isThere = async (hash: string) =>
    (await bytes('GET /api/recordings/:hash/file', null, { params: { hash } })).statusCode === 200;
  expect([await isThere(recording.hash), await isThere(again.hash)]).toEqual([true, true]);
  const move = { id: 'm', tracks: [fair], move: { pieces: [[0, 0]] } } as const;
  await ask('POST /api/jobs/:id/moves', { params: { id: job }, body: move });
  await ask('DELETE /api/jobs/:id', { params: { id: job } });
  expect([await isThere(recording.hash), await isThere(again.hash)]).toEqual([false, false]);
  await ask('DELETE /api/styles/:id', { params: { id: style.id } });
  expect(await ask('GET /api/work')).toEqual([]);
  called.add('GET /api/events');
  expect([...called].sort()).toEqual(Object.keys(answers).sort());
});

it('the stream of events tells of work, edits and jobs as they happen', async () => {
  const address = await app.listen({ host: '127.0.0.1', port: 0 });
  const stop = new AbortController();
  const response = await fetch(`${address}${urlOf('GET /api/events')}`, { signal: stop.signal });
  expect(response.headers.get('content-type')).toBe('text/event-stream');
  const [job, fair] = [randomUUID(), randomUUID()];
  await ask('POST /api/jobs', {
    body: { id: job, title: 'Lock', language: 'en', style: 'lecture-38', tracks: [track(fair)] },
  });
  const batch = { id: 'b1', base: 1, edits: [{ type: 'splice', id: 'a', from: 8, to: 8, insert: '!' }] } as const;
  await ask('POST /api/tracks/:id/edits', { params: { id: fair }, body: batch });
  let said = '';
  const decoder = new TextDecoder();
  for await (const part of response.body as unknown as AsyncIterable<Uint8Array>) {
    said += decoder.decode(part, { stream: true });
    if (said.includes('"track"')) break;
  }
  stop.abort();
  const events = [...said.matchAll(/^data: (.+)$/gm)].map((m) => JSON.parse(m[1] ?? '') as ServerEvent);
  expect(events).toEqual([
    { type: 'jobs', job },
    { type: 'track', track: fair, edit: 2 },
  ]);
});
