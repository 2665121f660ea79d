/** Captions are delivered once, whatever ends the server in the middle of it. */
import { randomUUID } from 'node:crypto';
import { caption } from '../core/track/caption.ts';
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

it('over twenty kills in the middle of sending, each receipt is delivered once', async () => {
  const gate = caption({ id: 'a', start: 1000, end: 3000, text: 'the gate' });
  const { job, track } = await jobWith(ask, 'Under kills', [gate]);
  await fetch(`${services.host}/behave`, {
    method: 'POST',
    headers: { ...authorization(), 'content-type': 'application/json' },
    body: JSON.stringify({ slow: 60 }),
  });
  const kills = 20;
  const sent: string[] = [];
  for (let i = 0; i < kills; i++) {
    const id = randomUUID();
    sent.push(id);
    await ask('POST /api/jobs/:id/receipts', {
      params: { id: job },
      body: { id, track, destination: 'quayside', place: 'lock-after-dark', format: 'srt' },
    });
    // At another moment each time: before, while and after it is on its way.
    await new Promise((next) => setTimeout(next, i * 6));
    await services.killServer();
    await services.startServer();
    await until('it to be taken', async () => {
      const receipts = await ask('GET /api/jobs/:id/receipts', { params: { id: job } });
      return receipts.find((r) => r.id === id)?.state !== 'sending';
    });
  }
  const deliveries = (await (
    await fetch(`${services.host}/deliveries`, { headers: authorization() })
  ).json()) as Record<string, number>;
  expect(deliveries).toEqual(Object.fromEntries(sent.map((id) => [id, 1])));
});
