/** Captions are delivered once, whatever ends the server in the middle of it. */
import { randomUUID } from 'node:crypto';
import { caption } from '../core/model/caption.ts';
import { asking, jobWith } from './support/ask.ts';
import { startServices, type Services } from './support/services.ts';

let services: Services;
beforeAll(async () => {
  services = await startServices();
});
afterAll(() => services.stop());

const ask = asking(() => services.address);
const authorization = (): { authorization: string } => ({ authorization: `Bearer ${services.token}` });

async function until(what: string, right: () => Promise<boolean>): Promise<void> {
  for (const end = Date.now() + 30_000; !(await right());) {
    if (Date.now() > end) throw new Error(`Waited in vain for ${what}.`);
    await new Promise((next) => setTimeout(next, 10));
  }
}

const behave = (how: object) =>
  fetch(`${services.host}/behave`, {
    method: 'POST',
    headers: { ...authorization(), 'content-type': 'application/json' },
    body: JSON.stringify(how),
  });
const counted = async (what: 'deliveries' | 'brought'): Promise<unknown> =>
  (await fetch(`${services.host}/${what}`, { headers: authorization() })).json();
const gate = caption({ id: 'a', start: 1000, end: 3000, text: 'the gate' });

/** Asks for a handover, ends the server after some ms, and waits until it is taken after all. */
async function killedAfter(ms: number, job: string, track: string, place: string | null): Promise<string> {
  const id = randomUUID();
  await ask('POST /api/jobs/:id/receipts', {
    params: { id: job },
    body: { id, track, destination: 'quayside', place, format: 'srt' },
  });
  await new Promise((next) => setTimeout(next, ms));
  await services.killServer();
  await services.startServer();
  await until('it to be taken', async () => {
    const receipts = await ask('GET /api/jobs/:id/receipts', { params: { id: job } });
    return receipts.find((r) => r.id === id)?.state !== 'sending';
  });
  return id;
}

it('over twenty kills in the middle of sending, each receipt is delivered once', async () => {
  const { job, track } = await jobWith(ask, 'Under kills', [gate]);
  await behave({ slow: 60 });
  const sent: string[] = [];
  // At another moment each time: before, while and after it is on its way.
  for (let i = 0; i < 20; i++) sent.push(await killedAfter(i * 6, job, track, 'lock-after-dark'));
  expect(await counted('deliveries')).toEqual(Object.fromEntries(sent.map((id) => [id, 1])));
});

it('a recording is brought there once, whenever the server is ended, and its captions follow once', async () => {
  await behave({ slow: 120 });
  const recording = (await ask('GET /api/jobs')).find((j) => j.recording)?.recording?.hash ?? null;
  const jobs: string[] = [];
  for (let i = 0; i < 6; i++) {
    const [job, track] = [randomUUID(), randomUUID()];
    const fair = { id: track, kind: 'captions', language: 'en-GB', name: 'fair copy', captions: [gate] } as const;
    const made = {
      id: job,
      title: `Brought ${String(i)}`,
      language: 'en',
      style: 'lecture-38',
      recording,
      tracks: [fair],
    };
    await ask('POST /api/jobs', { body: made });
    jobs.push(job);
    await killedAfter(20 + i * 30, job, track, null);
  }
  expect(await counted('brought')).toEqual(Object.fromEntries(jobs.map((job) => [job, 1])));
});
