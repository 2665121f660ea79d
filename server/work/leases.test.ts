/** Pages that do work for the server: one at a time, each going on from where the last one stopped. */
import { jest } from '@jest/globals';
import type { FastifyInstance } from 'fastify';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { leaseMs } from '../../core/contract/limits.ts';
import type { Work } from '../../core/job/work.ts';
import { doLeased } from '../../web/data/client/leased-work.ts';
import { askAndHold } from '../answers-for-tests.ts';
import { buildApp } from '../app.ts';
import { configFor } from '../config-for-tests.ts';
import { openDatabase } from '../database/open.ts';
import { changes } from '../changes.ts';
import { leases, type Leases } from './leases.ts';
import { addWork, listWork } from './store.ts';

let data: string;
let db: Knex;
let now: number;
let held: Leases;
let id: string;
beforeEach(async () => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-leases-'));
  db = await openDatabase(data);
  now = 1_000_000;
  held = leases(changes(db), () => now);
  await addWork(db, () => undefined, { kind: 'draw-poster', subject: 'a', job: null });
  id = (await listWork(db))[0]?.id ?? '';
});
afterEach(async () => {
  await db.destroy();
  rmSync(data, { recursive: true, force: true });
});

it('one page has it; when that is silent for half a minute another goes on from what is done', async () => {
  expect((await held.take(id, 'one')).parts).toEqual([]);
  await held.part(id, 'one', 0, { peaks: [1] }, 0.25);
  await held.part(id, 'one', 1, { peaks: [2] }, 0.5);
  await expect(held.take(id, 'two')).rejects.toMatchObject({ code: 'leased' });
  now += leaseMs - 1;
  await expect(held.take(id, 'two')).rejects.toMatchObject({ code: 'leased' });
  now += 1;
  expect(await held.take(id, 'two')).toMatchObject({
    work: { progress: 0.5, tries: 2 },
    parts: [
      { number: 0, part: { peaks: [1] } },
      { number: 1, part: { peaks: [2] } },
    ],
  });
  await expect(held.part(id, 'one', 2, {}, 0.6)).rejects.toMatchObject({ code: 'leased' });
  await expect(held.end(id, 'one', null)).rejects.toMatchObject({ code: 'leased' });
  expect(await held.end(id, 'two', null)).toMatchObject({ state: 'done', progress: 1 });
  await expect(held.take(id, 'one')).rejects.toMatchObject({ code: 'leased' });
});

it('a part put up twice is kept once, and renewing keeps the work', async () => {
  await held.take(id, 'one');
  await held.part(id, 'one', 0, 'first', 0.5);
  await held.part(id, 'one', 0, 'again', 0.5);
  for (let i = 0; i < 5; i++) {
    now += leaseMs - 1;
    expect((await held.take(id, 'one')).parts).toEqual([{ number: 0, part: 'first' }]);
  }
  expect((await listWork(db))[0]).toMatchObject({ tries: 1, state: 'running' });
});

it('work of the server is not a page’s', async () => {
  await addWork(db, () => undefined, { kind: 'follow-receipt', subject: 'r', job: null });
  const other = (await listWork(db)).find((w) => w.kind === 'follow-receipt');
  await expect(held.take(other?.id ?? '', 'one')).rejects.toMatchObject({ code: 'leased' });
});

describe('a page', () => {
  let app: FastifyInstance;
  let folder: string;
  let work: Work;
  const ask = askAndHold(() => app);
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'fenwix-pages-'));
    const own = await openDatabase(folder);
    await addWork(own, () => undefined, { kind: 'draw-poster', subject: 'a', job: null });
    await own.destroy();
    app = await buildApp(configFor(folder));
    [work] = (await ask('GET /api/work')) as [Work];
  });
  afterEach(async () => {
    jest.useRealTimers();
    await app.close();
    rmSync(folder, { recursive: true, force: true });
  });

  it('does what no other page is doing, and two never do it both', async () => {
    let done = 0;
    let inside = 0;
    const act = async (): Promise<void> => {
      expect(++inside).toBe(1);
      await new Promise((next) => setTimeout(next, 20));
      inside--;
      done++;
    };
    const pages = ['one', 'two', 'three'];
    expect(await Promise.all(pages.map((page) => doLeased(ask, work, page, act)))).toContain(true);
    expect(done).toBe(1);
    expect(await ask('GET /api/work')).toMatchObject([{ state: 'done', tries: 1 }]);
  });

  it('that cannot do it says why; one that cannot reach the server leaves it to whoever comes next', async () => {
    await doLeased(ask, work, 'one', () => Promise.reject(new Error('There is no picture.')));
    expect(await ask('GET /api/work')).toMatchObject([{ state: 'failed', reason: 'There is no picture.' }]);
  });

  it('hears it when the work was stopped under it', async () => {
    jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'queueMicrotask'] });
    const doing = doLeased(ask, work, 'one', async ({ signal }) => {
      await ask('POST /api/work/:id/stop', { params: { id: work.id } });
      jest.advanceTimersByTime(leaseMs / 3);
      await new Promise<void>((stopped) => signal.addEventListener('abort', () => stopped()));
      signal.throwIfAborted();
    });
    expect(await doing).toBe(false);
    expect(await ask('GET /api/work')).toMatchObject([{ state: 'stopped' }]);
  });
});
