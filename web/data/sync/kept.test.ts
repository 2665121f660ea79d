/** A data folder and an outbox of an earlier version: opened, and every word is there. */
import 'fake-indexeddb/auto';
import type { FastifyInstance } from 'fastify';
import { openDB } from 'idb';
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildApp } from '../../../server/app.ts';
import { configFor } from '../../../server/config-for-tests.ts';
import { linesOfOld, openOutbox, type OldBatch } from './outbox.ts';
import { askAndHold } from '../../../server/answers-for-tests.ts';
import { logBehind } from './log.ts';
import { trackSync } from './track-sync.ts';

const batches = JSON.parse(readFileSync('fixtures/outbox-1.json', 'utf8')) as OldBatch[];
const track = batches[0]?.track ?? '';
const words = [
  'The lower gate is shut',
  'if the lantern',
  'is read you wait',
  'count to thirty before you sound again',
  'Now watch\nthe water in the chamber',
  'it rises two metres in six minutes\nthat is slow for a reason',
  'The keeper looks behind him',
];

let data: string;
let app: FastifyInstance;
beforeEach(async () => {
  indexedDB = new IDBFactory();
  data = mkdtempSync(join(tmpdir(), 'fenwix-kept-'));
  cpSync('fixtures/folder-1', data, { recursive: true });
  app = await buildApp(configFor(data, { largestRecording: 2000 }));
});
afterEach(async () => {
  await app.close();
  rmSync(data, { recursive: true, force: true });
});

const ask = askAndHold(() => app);

it('a folder of the first version opens with every word, mark, time and let-be, at every edit', async () => {
  const { captions, edit } = await ask('GET /api/tracks/:id', { params: { id: track } });
  expect(edit).toBe(10);
  expect(captions.map((c) => c.text)).toEqual(words);
  expect(captions[3]).toMatchObject({ id: 'c2', start: 6100, end: 8700, proofed: true });
  expect(captions[4]?.speakers).toEqual([{ from: 0, to: 9, speaker: 'Keeper', label: 0 }]);
  expect(captions[6]?.letBe).toEqual([{ rule: 'too-fast', reason: 'as said', figure: 12 }]);
  expect((await ask('GET /api/tracks/:id', { params: { id: track }, query: { at: 1 } })).captions).toHaveLength(8);
  expect(await ask('GET /api/styles')).toMatchObject({ own: ['evening-class'] });
});

it('an outbox of the first version is brought up to date and delivered, each word once', async () => {
  const old = await openDB('fenwix', 1, {
    upgrade: (db) => void db.createObjectStore('batches', { keyPath: 'id' }).createIndex('track', 'track'),
  });
  for (const batch of batches) await old.put('batches', batch);
  old.close();
  const outbox = await openOutbox();
  expect(await outbox.lines(track)).toEqual(linesOfOld(batches));
  const sync = trackSync(track, {
    log: logBehind(ask),
    outbox,
    client: randomUUID(),
    alive: () => Promise.resolve(() => false),
    newId: randomUUID,
    now: Date.now,
    random: () => 0,
    composed: () => Promise.resolve(),
    announce: () => undefined,
    tell: () => undefined,
    done: () => undefined,
  });
  await sync.open();
  for (const end = Date.now() + 4000; sync.waiting() > 0 && Date.now() < end;)
    await new Promise((next) => setTimeout(next, 5));
  const kept = (await ask('GET /api/tracks/:id', { params: { id: track } })).captions.map((c) => c.text);
  expect(kept).toEqual(
    words.map((w) => w.replace('count to thirty', 'count to about thirty').replace('The keeper', 'The keeper always')),
  );
  expect(await outbox.lines(track)).toEqual([]);
});
