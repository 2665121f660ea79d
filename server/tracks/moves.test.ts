/** The same move for several tracks: all of them, each once, through a restart, and what is left is told. */
import type { FastifyInstance } from 'fastify';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Work } from '../../core/job/work.ts';
import { caption } from '../../core/model/caption.ts';
import { askAndHold } from '../answers-for-tests.ts';
import { buildApp } from '../app.ts';
import { openDatabase } from '../database/open.ts';
import { configFor } from '../config-for-tests.ts';

let data: string;
let app: FastifyInstance;
beforeEach(async () => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-moves-'));
  app = await buildApp(configFor(data));
});
afterEach(async () => {
  await app.close();
  rmSync(data, { recursive: true, force: true });
});
const ask = askAndHold(() => app);

const tracksOf = (...kinds: ('captions' | 'machine')[]) =>
  kinds.map((kind) => ({
    id: randomUUID(),
    kind,
    language: 'en',
    name: `${kind} copy`,
    captions: [1000, 4000].map((start, i) => caption({ id: `c${String(i)}`, start, end: start + 900, text: 'gate' })),
  }));
async function jobOf(tracks: ReturnType<typeof tracksOf>): Promise<string> {
  const id = randomUUID();
  await ask('POST /api/jobs', { body: { id, title: 'Lock', language: 'en', style: 'lecture-38', tracks } });
  return id;
}
const starts = async (id: string) =>
  (await ask('GET /api/tracks/:id', { params: { id } })).captions.map((c) => c.start);
async function over(job: string): Promise<Work> {
  for (;;) {
    const work = (await ask('GET /api/work', { query: { job } })).find((w) => w.kind === 'move-tracks');
    if (work && work.state !== 'waiting' && work.state !== 'running') return work;
    await new Promise((next) => setTimeout(next, 5));
  }
}
const later = { pieces: [[0, 500]] } as const;

it('is done to all of them, once, however often it is asked for', async () => {
  const tracks = tracksOf('captions', 'captions', 'captions');
  const job = await jobOf(tracks);
  const ids = tracks.map((t) => t.id);
  const body = { id: randomUUID(), tracks: ids, move: later };
  await ask('POST /api/jobs/:id/moves', { params: { id: job }, body });
  await ask('POST /api/jobs/:id/moves', { params: { id: job }, body });
  expect(await over(job)).toMatchObject({ state: 'done', progress: 1 });
  for (const id of ids) expect(await starts(id)).toEqual([1500, 4500]);
});

it('goes on after a stop where it was, and does no track twice', async () => {
  const tracks = tracksOf('captions', 'captions', 'captions', 'captions');
  const job = await jobOf(tracks);
  const ids = tracks.map((t) => t.id);
  await ask('POST /api/jobs/:id/moves', { params: { id: job }, body: { id: randomUUID(), tracks: ids, move: later } });
  // As soon as the first is moved, and before all are.
  while ((await starts(ids[0] ?? ''))[0] !== 1500) await new Promise((next) => setTimeout(next, 1));
  await app.close();
  app = await buildApp(configFor(data));
  await app.ready();
  expect(await over(job)).toMatchObject({ state: 'done' });
  for (const id of ids) expect(await starts(id)).toEqual([1500, 4500]);
});

it('goes on at the next start where a kill left it running', async () => {
  const tracks = tracksOf('captions');
  const job = await jobOf(tracks);
  const ids = tracks.map((t) => t.id);
  await ask('POST /api/jobs/:id/moves', { params: { id: job }, body: { id: randomUUID(), tracks: ids, move: later } });
  await over(job);
  await app.close();
  const db = await openDatabase(data);
  await db('work').where({ job }).update({ state: 'running', progress: 0, next: 0 });
  await db.destroy();
  app = await buildApp(configFor(data));
  await app.ready();
  expect(await over(job)).toMatchObject({ state: 'done', tries: 2 });
  expect(await starts(ids[0] ?? '')).toEqual([1500, 4500]);
});

it('says which tracks are left and why, and goes on with them alone', async () => {
  const tracks = tracksOf('captions', 'machine', 'captions');
  const job = await jobOf(tracks);
  const ids = tracks.map((t) => t.id);
  await ask('POST /api/jobs/:id/moves', { params: { id: job }, body: { id: randomUUID(), tracks: ids, move: later } });
  const failed = await over(job);
  expect(failed.state).toBe('failed');
  expect(failed.reason).toContain('“machine copy” stays as it was: A machine draft stays');
  expect(await Promise.all(ids.map(starts))).toEqual([
    [1500, 4500],
    [1000, 4000],
    [1500, 4500],
  ]);
  await ask('POST /api/work/:id/again', { params: { id: failed.id } });
  expect((await over(job)).state).toBe('failed');
  expect(await starts(ids[0] ?? '')).toEqual([1500, 4500]);
  // Whoever leaves them says so, and is told no more.
  await ask('POST /api/work/:id/stop', { params: { id: failed.id } });
  expect((await over(job)).state).toBe('stopped');
});

it('takes no tracks of another job, and no move that is none', async () => {
  const [one, other] = [tracksOf('captions'), tracksOf('captions')];
  const job = await jobOf(one);
  await jobOf(other);
  const ask1 = (tracks: string[], move: object) =>
    ask('POST /api/jobs/:id/moves', { params: { id: job }, body: { id: randomUUID(), tracks, move: move as never } });
  await expect(ask1([other[0]?.id ?? ''], later)).rejects.toThrow('is not here');
  await expect(ask1([one[0]?.id ?? ''], { pieces: [[0, -5]] })).rejects.toThrow('was not understood');
});
