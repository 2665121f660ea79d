/** What the server does when something is wrong: with what is sent, with the places it talks to, with its folder. */
import type { FastifyInstance } from 'fastify';
import Database from 'better-sqlite3';
import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { caption } from '../core/model/caption.ts';
import { buildApp } from './app.ts';
import { configFor } from './config-for-tests.ts';
import { configFrom } from './config.ts';
import { startProblem } from './start.ts';

let data: string;
let app: FastifyInstance;
const config = () => configFor(data);
beforeEach(async () => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-faults-'));
  app = await buildApp(config());
});
afterEach(async () => {
  await app.close();
  rmSync(data, { recursive: true, force: true });
});

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
async function ask(method: Method, url: string, payload?: object) {
  const answer = await app.inject({ method, url, headers: { host: 'localhost' }, ...(payload ? { payload } : {}) });
  return {
    status: answer.statusCode,
    body: (answer.body === '' ? null : answer.json()) as never,
    headers: answer.headers,
  };
}
const gate = caption({ id: 'a', start: 1000, end: 3000, text: 'the gate' });
async function made(title: string, text = 'the gate', language = 'en-GB'): Promise<{ job: string; track: string }> {
  const [job, track] = [randomUUID(), randomUUID()];
  const tracks = [{ id: track, kind: 'captions', language, name: 'fair copy', captions: [{ ...gate, text }] }];
  const answer = await ask('POST', '/api/jobs', { id: job, title, language: 'en', style: 'lecture-38', tracks });
  expect(answer.status).toBe(201);
  return { job, track };
}
const webm = Buffer.concat([
  Buffer.from([0x1a, 0x45, 0xdf, 0xa3]),
  Buffer.from('....................webm'),
  Buffer.alloc(500, 7),
]);
const upload = (payload: Buffer | object, type = 'application/octet-stream') =>
  app.inject({
    method: 'PUT',
    url: '/api/recordings?name=lock.webm',
    headers: { host: 'localhost', 'content-type': type },
    payload,
  });

describe('a job and a track are made by one request', () => {
  it('once, however often the same is sent; another under the same id is refused', async () => {
    const { job, track } = await made('Lock');
    const tracks = [{ id: track, kind: 'captions', language: 'en-GB', name: 'fair copy', captions: [gate] }];
    const again = { id: job, title: 'Lock', language: 'en', style: 'lecture-38', tracks };
    expect((await ask('POST', '/api/jobs', again)).status).toBe(200);
    expect(await ask('GET', '/api/jobs')).toMatchObject({ body: [{ id: job, tracks: [{ id: track, edit: 1 }] }] });
    expect(await ask('POST', '/api/jobs', { ...again, title: 'Gate' })).toMatchObject({
      status: 409,
      body: { code: 'id-taken' },
    });
    const other = { id: randomUUID(), kind: 'subtitles', language: 'cy', name: 'Welsh', captions: [gate] };
    expect((await ask('POST', `/api/jobs/${job}/tracks`, other)).status).toBe(201);
    expect((await ask('POST', `/api/jobs/${job}/tracks`, other)).status).toBe(200);
    expect((await ask('POST', `/api/jobs/${job}/tracks`, { ...other, captions: [] })).status).toBe(409);
  });

  it('whole or not at all', async () => {
    const track = { id: randomUUID(), kind: 'captions', language: 'en', name: 'a', captions: [gate] };
    const twice = { id: randomUUID(), title: 'Lock', language: 'en', style: 'lecture-38', tracks: [track, track] };
    expect(await ask('POST', '/api/jobs', twice)).toMatchObject({ status: 201, body: { tracks: [{ id: track.id }] } });
    const broken = { ...twice, id: randomUUID(), tracks: [{ ...track, id: randomUUID(), captions: [gate, gate] }] };
    expect((await ask('POST', '/api/jobs', broken)).status).toBe(422);
    expect((await ask('GET', '/api/jobs')).body).toHaveLength(1);
  });
});

describe('what people write', () => {
  it.each([`${'a'.repeat(79)}🔒`, 'Lock $& and $1', '../..', 'a\u0007b'])(
    'a title of %s gives a file',
    async (title) => {
      const { track } = await made(title);
      for (const format of ['srt', 'vtt', 'ttml', 'txt', 'html', 'ctm', 'json']) {
        const file = await app.inject({
          url: `/api/tracks/${track}/file?format=${format}`,
          headers: { host: 'localhost' },
        });
        expect(file.statusCode).toBe(200);
        expect(() =>
          decodeURIComponent(String(file.headers['content-disposition']).split("''")[1] ?? ''),
        ).not.toThrow();
      }
    },
  );

  it('a language that is none is refused with a sentence', async () => {
    const job = { id: randomUUID(), title: 'Lock', language: 'abcd', style: 'lecture-38' };
    expect(await ask('POST', '/api/jobs', job)).toMatchObject({
      status: 400,
      body: { message: expect.stringContaining('language tag') as string },
    });
  });

  it('is gone from the folder once its job is deleted', async () => {
    const { job } = await made('Lock', 'quagmire in the basin');
    const found = (): number =>
      readdirSync(data).filter((f) => f.startsWith('fenwix.sqlite') && readFileSync(join(data, f)).includes('quagmire'))
        .length;
    expect(found()).toBeGreaterThan(0);
    expect((await ask('DELETE', `/api/jobs/${job}`)).status).toBe(204);
    expect(found()).toBe(0);
  });
});

describe('recordings', () => {
  it('are kept by nobody on the way, and gone when they are deleted', async () => {
    const { hash } = (await upload(webm)).json<{ hash: string }>();
    const file = () => app.inject({ url: `/api/recordings/${hash}/file`, headers: { host: 'localhost' } });
    expect((await file()).headers['cache-control']).toBe('private, no-store');
    const id = randomUUID();
    await ask('POST', '/api/jobs', { id, title: 'Lock', language: 'en', style: 'lecture-38', recording: hash });
    await ask('DELETE', `/api/jobs/${id}`);
    expect((await file()).statusCode).toBe(404);
  });

  /** The server started again, a day after recordings were last used. */
  async function startedADayLater(): Promise<void> {
    await app.close();
    const db = new Database(join(data, 'fenwix.sqlite'));
    db.prepare('update recordings set idle = idle - 25 * 3600 * 1000').run();
    db.close();
    app = await buildApp(config());
    await app.ready();
  }

  it('that no job uses for a day are swept at the next start, and so are uploads that were cut off', async () => {
    const { hash } = (await upload(webm)).json<{ hash: string }>();
    writeFileSync(join(data, 'recordings', 'cut-off.part'), 'half');
    await app.close();
    app = await buildApp(config());
    await app.ready();
    expect(readdirSync(join(data, 'recordings'))).toEqual([hash]);
    await startedADayLater();
    for (const end = Date.now() + 5000; existsSync(join(data, 'recordings', hash)) && Date.now() < end;)
      await new Promise((next) => setTimeout(next, 5));
    expect(readdirSync(join(data, 'recordings'))).toEqual([]);
  });

  it('that a kill left without a row are gone at the next start, and no other file', async () => {
    const { hash } = (await upload(webm)).json<{ hash: string }>();
    const folder = join(data, 'recordings');
    // Between a row and its file, whichever came first.
    writeFileSync(join(folder, 'a'.repeat(64)), 'of no row');
    writeFileSync(join(folder, 'notes.txt'), 'of somebody');
    await app.close();
    app = await buildApp(config());
    await app.ready();
    expect(readdirSync(folder).sort()).toEqual([hash, 'notes.txt'].sort());
  });

  it('but neither the recording of a job nor the one before it', async () => {
    const cuts = await Promise.all(
      [1, 2, 3].map(
        async (end) => (await upload(Buffer.concat([webm, Buffer.from([end])]))).json<{ hash: string }>().hash,
      ),
    );
    const [first, second] = cuts;
    const id = randomUUID();
    await ask('POST', '/api/jobs', { id, title: 'Lock', language: 'en', style: 'lecture-38', recording: first });
    await ask('PATCH', `/api/jobs/${id}`, { recording: second });
    await startedADayLater();
    const kept = (): string[] => readdirSync(join(data, 'recordings')).sort();
    for (const end = Date.now() + 5000; kept().length > 2 && Date.now() < end;)
      await new Promise((next) => setTimeout(next, 5));
    expect(kept()).toEqual([first, second].sort());
  });

  it('and deleted tracks: these are kept for thirty days, and then gone from the disk', async () => {
    const [id, track] = [randomUUID(), randomUUID()];
    const made = { id: track, kind: 'captions', language: 'en', name: 'fair copy' };
    await ask('POST', '/api/jobs', { id, title: 'Lock', language: 'en', style: 'lecture-38', tracks: [made] });
    await ask('PATCH', `/api/tracks/${track}`, { deleted: true });
    const startedLater = async (days: number): Promise<void> => {
      await app.close();
      const db = new Database(join(data, 'fenwix.sqlite'));
      db.prepare('update tracks set deleted = deleted - ? * 24 * 3600 * 1000').run(days);
      db.close();
      app = await buildApp(config());
      await app.ready();
    };
    const status = async () =>
      (await app.inject({ url: `/api/tracks/${track}`, headers: { host: 'localhost' } })).statusCode;
    await startedLater(29);
    expect(await status()).toBe(200);
    await startedLater(2);
    for (const end = Date.now() + 5000; (await status()) === 200 && Date.now() < end;)
      await new Promise((next) => setTimeout(next, 5));
    expect(await status()).toBe(404);
  });

  it('are taken as bytes only', async () => {
    expect((await upload({ title: 'lock' }, 'application/json')).json()).toMatchObject({ code: 'not-a-recording' });
  });
});

describe('a folder', () => {
  it('is one server’s: a second start says where the first answers', async () => {
    app.folder.tell('http://127.0.0.1:4410');
    const second = await buildApp(config()).catch((error: unknown) => startProblem(error, data));
    expect(second).toBe(
      'Fenwix is already running on this data folder, at http://127.0.0.1:4410. Open that, or stop it first.',
    );
  });

  it('of a later Fenwix, or that is no database, is said and left as it is', async () => {
    await app.close();
    const db = new Database(join(data, 'fenwix.sqlite'));
    db.prepare("insert into knex_migrations (name, batch, migration_time) values ('999-later', 9, 0)").run();
    db.close();
    expect(startProblem(await buildApp(config()).catch((e: unknown) => e), data)).toContain('made by a later Fenwix');
    const other = mkdtempSync(join(tmpdir(), 'fenwix-other-'));
    writeFileSync(
      join(other, 'fenwix.sqlite'),
      'these are the minutes of the meeting, and no database at all, long enough to be looked at'.repeat(9),
    );
    expect(startProblem(await buildApp({ ...config(), data: other }).catch((e: unknown) => e), other)).toContain(
      'is not a database of Fenwix',
    );
    rmSync(other, { recursive: true });
    const fresh = mkdtempSync(join(tmpdir(), 'fenwix-fresh-'));
    rmSync(data, { recursive: true, force: true });
    data = fresh;
    app = await buildApp(config());
  });

  it.each([
    [{ FENWIX_PORT: 'harbour' }, /FENWIX_PORT.*harbour/],
    [{ FENWIX_PORT: '99999' }, /FENWIX_PORT/],
    [{ FENWIX_LARGEST_RECORDING: '-3' }, /FENWIX_LARGEST_RECORDING/],
  ])('%j is said', (env, expected) => {
    let said = '';
    try {
      configFrom(env);
    } catch (error) {
      said = startProblem(error, data) ?? '';
    }
    expect(said).toMatch(expected);
  });
});

it('an edit waits while another program has the database, and is refused with a sentence when that stays', async () => {
  const { track } = await made('Lock');
  const edit = (id: string, base: number) =>
    ask('POST', `/api/tracks/${track}/edits`, {
      id,
      base,
      edits: [{ type: 'splice', id: 'a', from: 0, to: 0, insert: 'x' }],
    });
  const other = new Database(join(data, 'fenwix.sqlite'));
  other.exec('begin immediate');
  const waiting = edit('one', 1);
  await new Promise((next) => setTimeout(next, 150));
  other.exec('commit');
  expect(await waiting).toMatchObject({ status: 200, body: { edit: 2 } });
  other.exec('begin immediate');
  expect(await edit('two', 2)).toMatchObject({ status: 503, body: { code: 'busy' } });
  other.exec('commit');
  other.close();
  expect((await edit('two', 2)).status).toBe(200);
}, 20_000);

it('fifty editors behind one address are not refused for their rate', async () => {
  const answers = await Promise.all(
    Array.from({ length: 4000 }, () => app.inject({ url: '/api/health', headers: { host: 'localhost' } })),
  );
  expect(answers.filter((a) => a.statusCode !== 200)).toEqual([]);
});

it('a log that no longer applies is said to whoever looks, and not as a change that was not made', async () => {
  const { track } = await made('Lock');
  await app.close();
  const db = new Database(join(data, 'fenwix.sqlite'));
  db.prepare('insert into edits (track, number, batch, edit, at) values (?, 2, ?, ?, 0)').run(
    track,
    'x',
    JSON.stringify({ type: 'remove', ids: ['gone'] }),
  );
  db.prepare('update tracks set edit = 2').run();
  db.close();
  app = await buildApp(config());
  expect(await ask('GET', `/api/tracks/${track}`)).toMatchObject({ status: 422, body: { code: 'damaged' } });
  expect((await ask('GET', `/api/tracks/${track}?at=1`)).status).toBe(200);
});
