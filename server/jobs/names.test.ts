/** What tracks and recordings are called reaches everything that shows it, and what counts rest on is counted anew. */
import type { FastifyInstance } from 'fastify';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { jest } from '@jest/globals';
import type { Recording } from '../../core/job/job.ts';
import { caption } from '../../core/model/caption.ts';
import { askAndHold } from '../answers-for-tests.ts';
import { buildApp } from '../app.ts';
import { configFor } from '../config-for-tests.ts';

let data: string;
let app: FastifyInstance;
beforeEach(async () => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-names-'));
  app = await buildApp(configFor(data));
});
afterEach(async () => {
  await app.close();
  rmSync(data, { recursive: true, force: true });
});
const ask = askAndHold(() => app);
const headers = { host: 'localhost' };
const gate = caption({ id: 'a', start: 1000, end: 3000, text: 'the gate' });

async function made(more: object = {}): Promise<{ job: string; track: string }> {
  const [job, track] = [randomUUID(), randomUUID()];
  const tracks = [{ id: track, kind: 'captions', language: 'en-GB', name: 'fair copy', captions: [gate] }] as const;
  await ask('POST /api/jobs', {
    body: { id: job, title: 'Lock', language: 'en', style: 'lecture-38', tracks, ...more },
  });
  return { job, track };
}
async function fileOf(track: string): Promise<{ name: string; text: string }> {
  const answer = await app.inject({ url: `/api/tracks/${track}/file?format=ttml`, headers });
  return { name: decodeURIComponent(String(answer.headers['content-disposition'])), text: answer.body };
}

it('a track that was given another name, language and kind goes out under them at once, whoever had it open', async () => {
  const { track } = await made();
  expect((await fileOf(track)).name).toContain('en');
  const body = { name: 'subtitles', language: 'cy', kind: 'subtitles' } as const;
  await ask('PATCH /api/tracks/:id', { params: { id: track }, body });
  expect(await ask('GET /api/tracks/:id', { params: { id: track } })).toMatchObject(body);
  const file = await fileOf(track);
  expect(file.name).toContain('.cy');
  expect(file.text).toContain('xml:lang="cy"');
});

/** A recording sent under a name. */
async function sent(name: string): Promise<Recording> {
  const payload = Buffer.concat([
    Buffer.from([0x1a, 0x45, 0xdf, 0xa3]),
    Buffer.from('....................webm'),
    Buffer.alloc(500, 7),
  ]);
  const type = { 'content-type': 'application/octet-stream' };
  const url = `/api/recordings?name=${name}`;
  return (await app.inject({ method: 'PUT', url, headers: { ...headers, ...type }, payload })).json();
}

it('one file that is the recording of two jobs has the name that each brought it in under', async () => {
  const { hash } = await sent('lock.webm');
  const first = await made({ recording: hash, recordingName: 'lock.webm' });
  await sent('night.webm');
  const second = await made({ recording: hash, recordingName: 'night.webm' });
  const named = async ({ job }: { job: string }) =>
    (await ask('GET /api/jobs/:id', { params: { id: job } })).recording?.name;
  expect([await named(first), await named(second)]).toEqual(['lock.webm', 'night.webm']);
  const listed = await ask('GET /api/jobs');
  expect(listed.map((j) => j.recording?.name).sort()).toEqual(['lock.webm', 'night.webm']);
});

it('a new cut and the recording before it keep their names, and a job that says none has that of the file', async () => {
  const { hash } = await sent('lock.webm');
  const { job } = await made({ recording: hash });
  expect((await ask('GET /api/jobs/:id', { params: { id: job } })).recording?.name).toBe('lock.webm');
  const other = await app.inject({
    method: 'PUT',
    url: '/api/recordings?name=cut.webm',
    headers: { ...headers, 'content-type': 'application/octet-stream' },
    payload: Buffer.concat([Buffer.from([0x1a, 0x45, 0xdf, 0xa3]), Buffer.alloc(600, 9)]),
  });
  const { hash: cut } = other.json<Recording>();
  const body = { recording: cut, recordingName: 'cut of mine.webm' };
  expect(await ask('PATCH /api/jobs/:id', { params: { id: job }, body })).toMatchObject({
    recording: { name: 'cut of mine.webm' },
    recordingBefore: { name: 'lock.webm' },
  });
  const back = { recording: hash, recordingName: 'lock.webm' };
  expect(await ask('PATCH /api/jobs/:id', { params: { id: job }, body: back })).toMatchObject({
    recording: { name: 'lock.webm' },
    recordingBefore: { name: 'cut of mine.webm' },
  });
});

describe('what Jobs counts', () => {
  const count = async () => (await ask('GET /api/jobs'))[0]?.mustFindings;
  /** Asked for until it is another than before: it is counted once nobody was at work for a moment. */
  async function countedAnew(before: number | null | undefined): Promise<number> {
    for (;;) {
      const now = await count();
      if (typeof now === 'number' && now !== before) return now;
      await new Promise((next) => setTimeout(next, 20));
    }
  }

  // Each time it waits until nobody is at work.
  jest.setTimeout(30_000);
  it('is counted anew once somebody has listened to the recording, and where a track gets another language', async () => {
    const { hash } = await sent('lock.webm');
    await ask('PATCH /api/recordings/:hash', { params: { hash }, body: { length: 60_000, width: 0, height: 0 } });
    const { track } = await made({ recording: hash });
    const before = await countedAnew(null);
    const heard = { speech: [{ start: 30_000, end: 34_000 }], sound: [] };
    await ask('PUT /api/recordings/:hash/regions', { params: { hash }, body: heard });
    expect(await count()).toBeNull();
    const now = await countedAnew(undefined);
    // Another hearing by the same method counts as well.
    await ask('PUT /api/recordings/:hash/regions', {
      params: { hash },
      body: { ...heard, sound: [{ start: 1, end: 900 }] },
    });
    expect(await count()).toBeNull();
    expect(await countedAnew(undefined)).toBe(now);
    await ask('PATCH /api/tracks/:id', { params: { id: track }, body: { language: 'fr' } });
    expect(await count()).toBeNull();
    expect(await countedAnew(undefined)).toBe(before);
  });
});
