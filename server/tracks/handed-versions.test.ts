/** The versions of a track as the server tells them, from a log that is read in parts. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { caption } from '../../core/model/caption.ts';
import type { Edit } from '../../core/model/edits.ts';
import { openDatabase } from '../database/open.ts';
import { handedVersions } from './handed-versions.ts';
import { editLog, type EditLog } from './log.ts';

let data: string;
let db: Knex;
let log: EditLog;
let clock = 1_000_000;
beforeEach(async () => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-versions-'));
  db = await openDatabase(data);
  log = editLog(db, { now: () => clock });
  await db('jobs').insert({ id: 'j', title: 'Lock', series: '', language: 'en', rate: '{}', style: '{}', made: 0 });
  const head = { id: 't', job: 'j', position: 0, kind: 'captions', language: 'en', name: 'fair copy' } as const;
  const row = { ...head, edit: 0, captions: 0, proofed: 0, foreign: null, asked: null, deleted: null };
  await db.transaction((tx) => log.begin(tx, row, [caption({ id: 'a', start: 0, end: 1000, text: 'gate' })]));
});
afterEach(async () => {
  await db.destroy();
  rmSync(data, { recursive: true, force: true });
});
const type: Edit = { type: 'splice', id: 'a', from: 0, to: 0, insert: 'x' };
let batches = 0;
async function typed(times: number): Promise<void> {
  const { edit } = await log.load('t');
  const edits = Array.from({ length: times }, () => type);
  await log.append('t', { id: `b${String(batches++)}`, base: edit, after: null, edits });
}

it('are each what the log holds up to there, with the destinations that were handed it', async () => {
  await typed(249);
  await db('destinations').insert({ id: 'd', name: 'Reach films', kind: 'video-host', url: 'http://x', token: 't' });
  const receipt = { job: 'j', track: 't', destination: 'd', file: 'f.srt', format: 'srt', state: 'live', at: 5 };
  await db('receipts').insert([
    { ...receipt, id: 'r1', edit: 120 },
    { ...receipt, id: 'r2', edit: 120 },
  ]);
  clock += 3_600_000;
  await typed(1);
  const versions = await handedVersions(db, log, 't');
  expect(versions.map((v) => [v.edit, v.handed])).toEqual([
    [120, ['Reach films']],
    [250, []],
    [251, []],
  ]);
  expect(versions.at(-1)).toMatchObject({ at: clock, captions: 1, changed: { reworded: 1, added: 0 } });
  expect((await log.load('t', 120)).captions[0]?.text).toBe(`${'x'.repeat(119)}gate`);
});

it('are refused with a sentence where the log no longer fits together, and where there is no track', async () => {
  await typed(1);
  await db('edits')
    .where({ track: 't', number: 2 })
    .update({ edit: JSON.stringify({ ...type, id: 'gone' }) });
  await expect(handedVersions(db, log, 't')).rejects.toMatchObject({ code: 'damaged' });
  await expect(handedVersions(db, log, 'none')).rejects.toMatchObject({ code: 'missing' });
});
