/** The server is killed under load, again and again: nothing it has acknowledged is lost, and its database checks clean. */
import Database from 'better-sqlite3';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { caption } from '../core/model/caption.ts';
import type { Edit } from '../core/model/edits.ts';
import type { NewTrack } from '../core/contract/tracks.ts';
import { asking, captionsOf } from './support/ask.ts';
import { startServices, type Services } from './support/services.ts';

let services: Services;
beforeAll(async () => {
  services = await startServices();
});
afterAll(() => services.stop());

const ask = asking(() => services.address);

/** Writes numbered captions into a track as fast as it goes, until the server is gone. @returns the ids acknowledged */
async function write(track: string, acknowledged: Set<string>): Promise<void> {
  try {
    let { edit } = await ask('GET /api/tracks/:id', { params: { id: track } });
    for (;;) {
      const id = randomUUID();
      const start = acknowledged.size * 100;
      const insert: Edit = { type: 'insert', captions: [caption({ id, start, end: start + 90, text: 'kept' })] };
      const body = { id: randomUUID(), base: edit, edits: [insert] };
      ({ edit } = await ask('POST /api/tracks/:id/edits', { params: { id: track }, body }));
      acknowledged.add(id);
    }
  } catch {
    // The server is gone; what it acknowledged before is what counts.
  }
}

it('loses no acknowledged edit over five sudden ends', async () => {
  const tracks = ['a', 'b', 'c', 'd'].map((name): NewTrack => ({
    id: randomUUID(),
    kind: 'captions',
    language: 'en',
    name,
  }));
  const job = { id: randomUUID(), title: 'Under load', language: 'en', style: 'lecture-38', tracks };
  await ask('POST /api/jobs', { body: job });
  const acknowledged = tracks.map(() => new Set<string>());
  for (let round = 1; round <= 5; round++) {
    const writers = tracks.map((t, i) => write(t.id, acknowledged[i] ?? new Set()));
    const enough = (): boolean => acknowledged.every((set) => set.size >= round * 25);
    while (!enough()) await new Promise((next) => setTimeout(next, 5));
    await services.killServer();
    await Promise.all(writers);
    const db = new Database(join(services.data, 'fenwix.sqlite'));
    expect(db.pragma('integrity_check', { simple: true })).toBe('ok');
    db.close();
    await services.startServer();
    for (const [i, t] of tracks.entries()) {
      const kept = new Set((await captionsOf(ask, t.id)).map((c) => c.id));
      for (const id of acknowledged[i] ?? []) expect(kept.has(id)).toBe(true);
    }
  }
});
