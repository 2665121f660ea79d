/** The one way anything on the server changes: what is said in it happens once it is kept, and not otherwise. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { changes, eventOf, type Changed, type Changes } from './changes.ts';
import { openDatabase } from './database/open.ts';

let data: string;
let db: Knex;
let kept: Changes;
let told: Changed[];
beforeEach(async () => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-changes-'));
  db = await openDatabase(data);
  const job = { series: '', language: 'en', rate: '{}', style: '{}', made: 0, recording: null };
  for (const id of ['a', 'b']) await db('jobs').insert({ ...job, id, title: id });
  kept = changes(db);
  await kept.raiseAll();
  told = [];
  kept.listen((changed) => told.push(changed));
});
afterEach(async () => {
  await db.destroy();
  rmSync(data, { recursive: true, force: true });
});
const basisOf = async (id: string): Promise<unknown> =>
  (await db('jobs').where({ id }).first<{ basis: string }>()).basis;
const rateOf = (tx: Knex, id: string, rate: string) => tx('jobs').where({ id }).update({ rate });

it('raises what counts rest on of the jobs that were named, and of no others', async () => {
  const [a, b] = [await basisOf('a'), await basisOf('b')];
  await kept.change(async (tx, say) => {
    await rateOf(tx, 'a', '{"numerator":30}');
    await rateOf(tx, 'b', '{"numerator":30}');
    say({ what: 'job', job: 'a' });
  });
  expect([(await basisOf('a')) === a, (await basisOf('b')) === b]).toEqual([false, true]);
  expect(told).toEqual([{ what: 'job', job: 'a' }]);
});

it('raises that of every job that has a recording', async () => {
  await db('recordings').insert({ hash: 'h', name: 'lock.wav', type: 'audio/wav', bytes: 1, idle: 0 });
  await db('jobs').where({ id: 'b' }).update({ recording: 'h' });
  await kept.raiseAll();
  const [a, b] = [await basisOf('a'), await basisOf('b')];
  await kept.change(async (tx, say) => {
    await tx('recordings').where({ hash: 'h' }).update({ length: 9000 });
    say({ what: 'recording', hash: 'h' });
  });
  expect([(await basisOf('a')) === a, (await basisOf('b')) === b]).toEqual([true, false]);
});

it('tells nobody of what was not kept', async () => {
  const failed = kept.change(async (tx, say) => {
    await rateOf(tx, 'a', '{"numerator":1}');
    say({ what: 'job', job: 'a' });
    throw new Error('the disk is full');
  });
  await expect(failed).rejects.toThrow('the disk is full');
  expect(told).toEqual([]);
  expect(await db('jobs').where({ id: 'a' }).select('rate')).toEqual([{ rate: '{}' }]);
});

it('tells once what was tried twice', async () => {
  let tries = 0;
  await kept.change((_tx, say) => {
    say({ what: 'list' });
    return ++tries === 1
      ? Promise.reject(Object.assign(new Error('taken'), { code: 'SQLITE_BUSY' }))
      : Promise.resolve();
  });
  expect([tries, told]).toEqual([2, [{ what: 'list' }]]);
});

it.each<[Changed, unknown]>([
  [
    { what: 'job', job: 'a' },
    { type: 'jobs', job: 'a' },
  ],
  [
    { what: 'counted', job: 'a' },
    { type: 'jobs', job: 'a' },
  ],
  [
    { what: 'gone', job: 'a', tracks: ['t'] },
    { type: 'jobs', job: 'a' },
  ],
  [{ what: 'gone', job: null, tracks: ['t'] }, null],
  [
    { what: 'recording', hash: 'h' },
    { type: 'jobs', job: null },
  ],
  [{ what: 'list' }, { type: 'jobs', job: null }],
  [
    { what: 'edits', track: 't', edit: 3 },
    { type: 'track', track: 't', edit: 3 },
  ],
  [{ what: 'new work' }, null],
])('%j is told pages as %j', (changed, event) => expect(eventOf(changed)).toEqual(event));
