/** The edit route under work: while a long batch arrives elsewhere, and while somebody asks for the list of jobs without pause. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { buildApp } from '../server/app.ts';
import { configFor } from '../server/config-for-tests.ts';
import { caption } from '../core/model/caption.ts';

export interface ServerFigure {
  readonly name: string;
  readonly ms: number;
  readonly most: number | null;
}

/** So many jobs of so many captions stand in the list that is asked for. */
const [jobs, captionsEach] = [200, 900];

const median = (of: readonly number[]): number => [...of].sort((a, b) => a - b)[of.length >> 1] ?? NaN;

export async function batchFigures(): Promise<readonly ServerFigure[]> {
  const data = mkdtempSync(join(tmpdir(), 'fenwix-bench-'));
  const app = await buildApp(configFor(data, { countWorker: resolve('dist/count-worker.mjs') }));
  const address = await app.listen({ host: '127.0.0.1', port: 0 });
  const post = async (url: string, payload: object): Promise<number> => {
    const from = performance.now();
    const body = JSON.stringify(payload);
    const headers = { 'content-type': 'application/json' };
    const answer = await fetch(`${address}/api${url}`, { method: 'POST', headers, body });
    if (!answer.ok) throw new Error(await answer.text());
    await answer.text();
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
  for (let i = 0; i < jobs; i++)
    await post('/jobs', {
      id: `job${String(i)}`,
      title: `Bench ${String(i)}`,
      language: 'en',
      style: 'lecture-38',
      tracks: [{ ...track(`t${String(i)}`, captionsEach), kind: 'captions' }],
    });
  const hundred = async (): Promise<number> => {
    const times: number[] = [];
    for (let i = 0; i < 100; i++) times.push(await send('short', 1));
    return median(times);
  };
  const quiet = await hundred();
  const stop = new AbortController();
  const lists: number[] = [];
  const listing = (async () => {
    while (!stop.signal.aborted) {
      const from = performance.now();
      await (await fetch(`${address}/api/jobs`)).text();
      lists.push(performance.now() - from);
    }
  })();
  const besideLists = await hundred();
  stop.abort();
  await listing;
  await app.close();
  rmSync(data, { recursive: true });
  return [
    { name: 'a batch of 500 splices on 20,000 captions', ms: median(batches), most: 250 },
    { name: 'an edit by itself', ms: median(alone), most: null },
    { name: 'an edit elsewhere while such a batch arrives', ms: median(beside), most: 300 },
    { name: `an edit, ${String(jobs)} jobs being there`, ms: quiet, most: null },
    { name: 'an edit while the list of them is asked for without pause', ms: besideLists, most: 2 * quiet },
    { name: 'the list of them', ms: median(lists), most: null },
  ];
}
