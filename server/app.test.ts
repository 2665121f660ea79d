import type { FastifyInstance } from 'fastify';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { caption, type Track } from '../core/model/caption.ts';
import type { Edit } from '../core/model/edits.ts';
import { buildApp } from './app.ts';
import { configFor } from './config-for-tests.ts';
import type { Job } from '../core/job/job.ts';
import { shippedStyles } from '../core/style/shipped.ts';
import type { HouseStyle } from '../core/style/style.ts';

let data: string;
let app: FastifyInstance;
const config = () => configFor(data, { largestRecording: 2000 });
beforeEach(async () => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-server-'));
  app = await buildApp(config());
});
afterEach(async () => {
  await app.close();
  rmSync(data, { recursive: true, force: true });
});

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
async function ask<T>(method: Method, url: string, payload?: object): Promise<{ status: number; body: T }> {
  const response = await app.inject({ method, url, headers: { host: 'localhost' }, ...(payload ? { payload } : {}) });
  return { status: response.statusCode, body: (response.body === '' ? null : JSON.parse(response.body)) as T };
}
interface Said {
  code: string;
  message: string;
  details: { edit: number; since: Edit[] };
}

const webm = Buffer.concat([
  Buffer.from([0x1a, 0x45, 0xdf, 0xa3]),
  Buffer.from('....................webm'),
  Buffer.alloc(500, 7),
]);
const upload = (bytes: Buffer) =>
  app.inject({
    method: 'PUT',
    url: '/api/recordings?name=lock.webm',
    headers: { host: 'localhost', 'content-type': 'application/octet-stream' },
    payload: bytes,
  });

const newJob = (more: object = {}) =>
  ask<Job>('POST', '/api/jobs', {
    id: randomUUID(),
    title: 'Working a lock',
    language: 'en-GB',
    style: 'lecture-38',
    ...more,
  });
async function newTrack(kind = 'captions'): Promise<{ job: string; track: string }> {
  const track = { id: randomUUID(), kind, language: 'en-GB', name: 'fair copy' };
  const job = await newJob({ tracks: [track] });
  return { job: job.body.id, track: track.id };
}
const gate = caption({ id: 'a', start: 1000, end: 3000, text: 'the gate' });
const insert: Edit = { type: 'insert', captions: [gate] };
const typed = (text: string): Edit => ({ type: 'splice', id: 'a', from: 8, to: 8, insert: text });
const send = <T = Said>(track: string, id: string, base: number, edits: readonly unknown[]) =>
  ask<T>('POST', `/api/tracks/${track}/edits`, { id, base, edits });

describe('the edit log', () => {
  it('numbers each edit and keeps the track over a restart', async () => {
    const { track } = await newTrack();
    expect((await send(track, 'b1', 0, [insert, typed(' is')])).body).toEqual({ edit: 2 });
    expect((await send(track, 'b2', 2, [typed(' shut')])).body).toEqual({ edit: 3 });
    await app.close();
    app = await buildApp(config());
    const kept = await ask<Track>('GET', `/api/tracks/${track}`);
    expect(kept.body.edit).toBe(3);
    expect(kept.body.captions[0]?.text).toBe('the gate shut is');
    expect((await ask<Track>('GET', `/api/tracks/${track}?at=2`)).body.captions[0]?.text).toBe('the gate is');
  });

  it('takes a batch once, however often it is sent', async () => {
    const { track } = await newTrack();
    await send(track, 'b1', 0, [insert]);
    for (let i = 0; i < 3; i++) expect((await send(track, 'b2', 1, [typed('!')])).body).toEqual({ edit: 2 });
    expect((await ask<Track>('GET', `/api/tracks/${track}`)).body.captions[0]?.text).toBe('the gate!');
  });

  it('refuses a batch on an old base with what came since', async () => {
    const { track } = await newTrack();
    await send(track, 'b1', 0, [insert]);
    await send(track, 'b2', 1, [typed('!')]);
    const late = await send(track, 'b3', 1, [typed('?')]);
    expect(late.status).toBe(409);
    expect(late.body).toMatchObject({ code: 'behind', details: { edit: 2, since: [typed('!')] } });
  });

  it('takes a batch whole or not at all', async () => {
    const { track } = await newTrack();
    await send(track, 'b1', 0, [insert]);
    const refused = await send(track, 'b2', 1, [typed('!'), { type: 'remove', ids: ['gone'] }]);
    expect(refused.status).toBe(422);
    expect(refused.body.message).toContain('was not made');
    expect((await ask<Track>('GET', `/api/tracks/${track}`)).body).toMatchObject({ edit: 1, captions: [gate] });
  });

  it('replays from snapshots what it replays from the beginning', async () => {
    const { track } = await newTrack();
    await send(track, 'b0', 0, [insert]);
    await send(
      track,
      'b1',
      1,
      Array.from({ length: 450 }, () => typed('x')),
    );
    await app.close();
    app = await buildApp(config());
    const at = async (edit: number) =>
      (await ask<Track>('GET', `/api/tracks/${track}?at=${String(edit)}`)).body.captions[0]?.text.length;
    expect([await at(1), await at(200), await at(201), await at(450)]).toEqual([8, 207, 208, 457]);
  });

  it('never changes a machine draft once it has its words', async () => {
    const { track } = await newTrack('machine');
    expect((await send(track, 'b1', 0, [insert])).status).toBe(200);
    expect((await send(track, 'b2', 1, [typed('!')])).body.code).toBe('machine-draft');
  });
});

describe('recordings', () => {
  it('are kept once by what they hold, and given out by byte ranges with their type', async () => {
    const first = (await upload(webm)).json<{ hash: string; type: string }>();
    expect((await upload(webm)).json()).toEqual(first);
    expect(readdirSync(join(data, 'recordings'))).toEqual([first.hash]);
    const part = await app.inject({
      url: `/api/recordings/${first.hash}/file`,
      headers: { host: 'localhost', range: 'bytes=24-27' },
    });
    expect([part.statusCode, part.headers['content-type'], part.body]).toEqual([206, 'video/webm', 'webm']);
  });

  it.each([
    ['a text file', Buffer.from('Dear all, the minutes are attached to this message.'), 415, 'not a recording'],
    ['an empty file', Buffer.alloc(0), 415, 'empty'],
    ['a file over the limit', Buffer.concat([webm, Buffer.alloc(3000)]), 413, 'over the limit'],
  ])('%s is refused with a sentence and leaves nothing behind', async (_, bytes, status, says) => {
    const answer = await upload(bytes);
    expect(answer.statusCode).toBe(status);
    expect(answer.json<Said>().message).toContain(says);
    expect(readdirSync(join(data, 'recordings'))).toEqual([]);
  });

  it('go with the last job that uses them', async () => {
    const { hash } = (await upload(webm)).json<{ hash: string }>();
    const make = () => newJob({ recording: hash });
    const [one, two] = [await make(), await make()];
    await ask('DELETE', `/api/jobs/${one.body.id}`);
    expect(readdirSync(join(data, 'recordings'))).toEqual([hash]);
    await ask('DELETE', `/api/jobs/${two.body.id}`);
    expect(readdirSync(join(data, 'recordings'))).toEqual([]);
  });
});

describe('the door', () => {
  it('answers to this machine’s names only, and takes changes from its own pages only', async () => {
    expect((await app.inject({ url: '/api/jobs', headers: { host: 'evil.test' } })).statusCode).toBe(403);
    const foreign = await app.inject({
      method: 'POST',
      url: '/api/jobs',
      headers: { host: 'localhost', origin: 'http://evil.test' },
      payload: { title: 'A', language: 'en', style: 'lecture-38' },
    });
    expect(foreign.statusCode).toBe(403);
    expect((await ask<Job[]>('GET', '/api/jobs')).body).toEqual([]);
  });

  it('names what was wrong with a request', async () => {
    const answer = await ask<Said>('POST', '/api/jobs', { title: '', style: 38 });
    expect(answer.status).toBe(400);
    expect(answer.body.message).toMatch(/title.*language.*style/);
  });
});

describe('house styles', () => {
  interface Styles {
    styles: HouseStyle[];
    own: string[];
  }
  const [lecture] = shippedStyles;
  const make = async (name: string): Promise<HouseStyle> =>
    (await ask<HouseStyle>('POST', '/api/styles', { ...lecture, name })).body;

  it('are made from a copy, under a name and an id of their own', async () => {
    const evening = await make('Evening class');
    expect(evening).toMatchObject({ id: 'evening-class', name: 'Evening class', version: 1 });
    expect(await make('Evening class')).toMatchObject({ id: 'evening-class-2', name: 'Evening class (2)' });
    const { body } = await ask<Styles>('GET', '/api/styles');
    expect(body.own).toEqual(['evening-class', 'evening-class-2']);
    expect(body.styles).toHaveLength(shippedStyles.length + 2);
  });

  it('leave the jobs that use them as they are when they change', async () => {
    const evening = await make('Evening class');
    const job = await newJob({ style: evening.id });
    const speed = { ...evening.reading, speed: { ...evening.reading.speed, limit: 18 } };
    const changed = await ask<HouseStyle>('PUT', `/api/styles/${evening.id}`, { ...evening, reading: speed });
    expect(changed.body).toMatchObject({ version: 2, reading: { speed: { limit: 18 } } });
    const kept = (await ask<Job>('GET', `/api/jobs/${job.body.id}`)).body.style;
    expect(kept).toMatchObject({ version: 1, reading: { speed: { limit: 20 } } });
    const own = await ask<Job>('PATCH', `/api/jobs/${job.body.id}`, { style: { ...kept, reading: speed } });
    expect(own.body.style.reading.speed.limit).toBe(18);
  });

  it('are not deleted while jobs use them, unless it is said what those should use', async () => {
    const evening = await make('Evening class');
    const job = await newJob({ style: evening.id });
    expect(await ask<Said>('DELETE', `/api/styles/${evening.id}`)).toMatchObject({
      status: 409,
      body: { code: 'in-use' },
    });
    expect((await ask('DELETE', `/api/styles/${evening.id}?instead=nobody`)).status).toBe(404);
    expect((await ask('DELETE', `/api/styles/${evening.id}?instead=stream-41`)).status).toBe(204);
    expect((await ask<Job>('GET', `/api/jobs/${job.body.id}`)).body.style.id).toBe('stream-41');
    expect((await ask<Styles>('GET', '/api/styles')).body.own).toEqual([]);
  });

  it('are refused with every fault named, and those that ship stay', async () => {
    const wrong = { ...lecture, name: '', state: { proofed: { severity: 'perhaps' } }, colour: 'red' };
    const refused = await ask<{ details: string[] }>('POST', '/api/styles', wrong);
    expect(refused.status).toBe(400);
    expect(refused.body.details).toHaveLength(3);
    expect((await ask('PUT', '/api/styles/lecture-38', lecture)).status).toBe(409);
    expect((await ask('DELETE', '/api/styles/lecture-38')).status).toBe(409);
    const taken = await make('Evening class');
    expect(await ask('PUT', `/api/styles/${taken.id}`, { ...taken, name: 'Grid 32' })).toMatchObject({ status: 409 });
    expect((await newJob({ style: 'nobody' })).status).toBe(404);
  });
});
