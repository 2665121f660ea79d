/** A data folder of the first version, with what it had on its way: brought up to date, and gone on with. */
import Database from 'better-sqlite3';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { askAndHold } from '../answers-for-tests.ts';
import { buildApp } from '../app.ts';
import { configFor } from '../config-for-tests.ts';

it('a receipt that was being processed is followed, under the number the place gave it then', async () => {
  const data = mkdtempSync(join(tmpdir(), 'fenwix-migrations-'));
  cpSync('fixtures/folder-1', data, { recursive: true });
  const there = { language: 'en-GB', kind: 'captions', state: 'live', receipt: 'r1', message: 'Live.' };
  const place = createServer((_request, response) =>
    response.end(JSON.stringify({ id: 'lock', title: 'Lock', watch: '/watch/lock', tracks: [there] })),
  );
  await new Promise<void>((ready) => place.listen(0, '127.0.0.1', ready));
  const url = `http://127.0.0.1:${String((place.address() as AddressInfo).port)}`;
  const db = new Database(join(data, 'fenwix.sqlite'));
  const { job, track } = db.prepare("select job, id as track from tracks where kind = 'captions'").get() as {
    readonly job: string;
    readonly track: string;
  };
  db.prepare("insert into destinations values ('q', 'Quayside', 'video-host', ?, 'secret')").run(url);
  db.prepare(
    `insert into receipts (id, job, track, destination, place, file, edit, state, answer, watch, at)
     values ('old', ?, ?, 'q', 'lock', 'lock.en_GB.srt', 3, 'processing', '{"receipt":"r1"}', null, 7)`,
  ).run(job, track);
  db.close();

  const app = await buildApp(configFor(data));
  const ask = askAndHold(() => app);
  const receipts = () => ask('GET /api/jobs/:id/receipts', { params: { id: job } });
  for (const end = Date.now() + 8000; (await receipts())[0]?.state === 'processing' && Date.now() < end;)
    await new Promise((next) => setTimeout(next, 10));
  expect(await receipts()).toEqual([
    {
      id: 'old',
      track,
      destination: 'q',
      place: 'lock',
      file: 'lock.en_GB.srt',
      edit: 3,
      state: 'live',
      reason: null,
      watch: `${url}/watch/lock`,
      at: 7,
    },
  ]);
  await app.close();
  place.closeAllConnections();
  place.close();
  rmSync(data, { recursive: true, force: true });
});
