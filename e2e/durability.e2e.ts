/** The server is killed under load, again and again: nothing it has acknowledged is lost, and its database checks clean. */
import Database from 'better-sqlite3';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { caption, type Track } from '../core/track/caption.ts';
import type { Job } from '../core/job/job.ts';
import { asking } from './support/ask.ts';
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
    let { edit } = await ask<Track>('GET', `/tracks/${track}`);
    for (;;) {
      const id = randomUUID();
      const edits = [
        {
          type: 'insert',
          captions: [caption({ id, start: acknowledged.size * 100, end: acknowledged.size * 100 + 90, text: 'kept' })],
        },
      ];
      ({ edit } = await ask<{ edit: number }>('POST', `/tracks/${track}/edits`, {
        id: randomUUID(),
        base: edit,
        edits,
      }));
      acknowledged.add(id);
    }
  } catch {
    // The server is gone; what it acknowledged before is what counts.
  }
}

it('loses no acknowledged edit over five sudden ends', async () => {
  const tracks = ['a', 'b', 'c', 'd'].map((name) => ({ id: randomUUID(), kind: 'captions', language: 'en', name }));
  await ask<Job>('POST', '/jobs', {
    id: randomUUID(),
    title: 'Under load',
    language: 'en',
    style: 'lecture-38',
    tracks,
  });
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
      const kept = new Set((await ask<Track>('GET', `/tracks/${t.id}`)).captions.map((c) => c.id));
      for (const id of acknowledged[i] ?? []) expect(kept.has(id)).toBe(true);
    }
  }
});
