/** The list of jobs follows whatever changes in it, and is read again only where something did. */
import type { FastifyInstance } from 'fastify';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { caption } from '../../core/model/caption.ts';
import { askAndHold } from '../answers-for-tests.ts';
import { buildApp } from '../app.ts';
import { configFor } from '../config-for-tests.ts';
import { openDatabase } from '../database/open.ts';
import type { Changed } from '../changes.ts';
import { jobList } from './list.ts';

let data: string;
beforeEach(() => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-list-'));
});
afterEach(() => rmSync(data, { recursive: true, force: true }));

describe('behind the routes', () => {
  let app: FastifyInstance;
  const ask = askAndHold(() => app);
  beforeEach(async () => {
    app = await buildApp(configFor(data));
  });
  afterEach(() => app.close());
  const gate = caption({ id: 'a', start: 1000, end: 3000, text: 'the gate' });
  async function made(title: string) {
    const [id, track] = [randomUUID(), randomUUID()];
    const tracks = [{ id: track, kind: 'captions', language: 'en', name: 'fair copy', captions: [gate] }] as const;
    await ask('POST /api/jobs', { body: { id, title, language: 'en', style: 'lecture-38', tracks } });
    return { id, track };
  }
  const titles = async () => (await ask('GET /api/jobs')).map((j) => j.title);

  it('new jobs, titles, edits, proofing, styles and deleting are in it at once', async () => {
    expect(await Promise.all([titles(), titles()])).toEqual([[], []]);
    const [first, second] = [await made('Lock'), await made('Gate')];
    expect((await titles()).sort()).toEqual(['Gate', 'Lock']);
    await ask('PATCH /api/jobs/:id', { params: { id: first.id }, body: { title: 'Weir', style: 'stream-41' } });
    const proof = { type: 'proof', ids: ['a'], proofed: true } as const;
    await ask('POST /api/tracks/:id/edits', {
      params: { id: second.track },
      body: { id: 'b', base: 1, edits: [proof] },
    });
    const [weir, gateJob] = [first, second].map(({ id }) => id);
    const now = await ask('GET /api/jobs');
    expect(now.find((j) => j.id === weir)).toMatchObject({ title: 'Weir', style: { id: 'stream-41' } });
    expect(now.find((j) => j.id === gateJob)?.tracks).toMatchObject([{ edit: 2, proofed: 1 }]);
    await ask('DELETE /api/jobs/:id', { params: { id: first.id } });
    expect(await titles()).toEqual(['Gate']);
  });
});

describe('by itself', () => {
  let db: Knex;
  beforeEach(async () => {
    db = await openDatabase(data);
    for (const id of ['a', 'b'])
      await db('jobs').insert({
        id,
        title: id,
        series: '',
        language: 'en',
        rate: '{}',
        style: '{"id":"s","name":"S","version":1}',
        made: 0,
      });
  });
  afterEach(() => db.destroy());

  it('asks the database for nothing while nothing was told, and then for the one job only', async () => {
    let tell: (changed: Changed) => void = () => undefined;
    const list = jobList(db, { listen: (listener) => ((tell = listener), () => undefined) });
    await list();
    const asked: unknown[] = [];
    db.on('query', ({ bindings }: { bindings: unknown }) => asked.push(bindings));
    await Promise.all([list(), list()]);
    expect(asked).toEqual([]);
    tell({ what: 'job', job: 'a' });
    expect((await Promise.all([list(), list()]))[1].map((j) => j.title)).toEqual(['a', 'b']);
    expect(asked).toEqual([['a']]);
  });
});
