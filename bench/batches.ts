/** The edit route under work: a batch of 500 on a track of 20,000 captions, and an edit elsewhere while one arrives. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildApp } from '../server/app.ts';
import { configFor } from '../server/config-for-tests.ts';
import { caption } from '../core/track/caption.ts';

export interface ServerFigure {
  readonly name: string;
  readonly ms: number;
  readonly most: number | null;
}

const median = (of: readonly number[]): number => [...of].sort((a, b) => a - b)[of.length >> 1] ?? NaN;

export async function batchFigures(): Promise<readonly ServerFigure[]> {
  const data = mkdtempSync(join(tmpdir(), 'fenwix-bench-'));
  const app = await buildApp(configFor(data, { largestRecording: 1 }));
  const post = async (url: string, payload: object): Promise<number> => {
    const from = performance.now();
    const answer = await app.inject({ method: 'POST', url: `/api${url}`, headers: { host: 'localhost' }, payload });
    if (answer.statusCode >= 300) throw new Error(answer.body);
    return performance.now() - from;
  };
  const captions = (n: number) =>
    Array.from({ length: n }, (_, i) =>
      caption({ id: `c${String(i)}`, start: i * 3000, end: i * 3000 + 2500, text: 'the lower gate is shut' }),
    );
  const track = (id: string, n: number) => ({ id, kind: 'captions', language: 'en', name: id, captions: captions(n) });
  await post('/jobs', {
    id: 'job',
    title: 'Bench',
    language: 'en',
    style: 'lecture-38',
    tracks: [track('long', 20_000), track('short', 900)],
  });
  const at = { long: 1, short: 1 };
  const send = async (id: 'long' | 'short', n: number): Promise<number> => {
    const edits = Array.from({ length: n }, (_, i) => ({
      type: 'splice',
      id: `c${String((i * 37) % 900)}`,
      from: 0,
      to: 0,
      insert: 'x',
    }));
    const base = at[id];
    at[id] += n;
    return post(`/tracks/${id}/edits`, { id: `${id}${String(base)}`, base, edits });
  };
  const alone: number[] = [];
  const batches: number[] = [];
  const beside: number[] = [];
  for (let i = 0; i < 20; i++) alone.push(await send('short', 1));
  for (let i = 0; i < 9; i++) {
    const batch = send('long', 500);
    beside.push(await send('short', 1));
    batches.push(await batch);
  }
  await app.close();
  rmSync(data, { recursive: true });
  return [
    { name: 'a batch of 500 splices on 20,000 captions', ms: median(batches), most: 250 },
    { name: 'an edit by itself', ms: median(alone), most: null },
    { name: 'an edit elsewhere while such a batch arrives', ms: median(beside), most: 300 },
  ];
}
