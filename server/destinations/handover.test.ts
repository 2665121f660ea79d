/** Handing over as work: to a stand-in that behaves well, badly, or is away; stopped, tried again, and done once. */
import type { FastifyInstance } from 'fastify';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Receipt } from '../../core/job/job.ts';
import type { Work } from '../../core/job/work.ts';
import { caption } from '../../core/model/caption.ts';
import { buildHost } from '../../standins/video-host/host.ts';
import { askAndHold } from '../answers-for-tests.ts';
import { buildApp } from '../app.ts';
import { configFor } from '../config-for-tests.ts';

let data: string;
let app: FastifyInstance;
let job: string;
let track: string;
const ask = askAndHold(() => app);
const webm = Buffer.concat([
  Buffer.from([0x1a, 0x45, 0xdf, 0xa3]),
  Buffer.from('....................webm'),
  Buffer.alloc(500, 7),
]);

beforeEach(async () => {
  data = mkdtempSync(join(tmpdir(), 'fenwix-handover-'));
  app = await buildApp(configFor(data));
  const kept = await app.inject({
    method: 'PUT',
    url: '/api/recordings?name=lock.webm',
    headers: { host: 'localhost', 'content-type': 'application/octet-stream' },
    payload: webm,
  });
  [job, track] = [randomUUID(), randomUUID()];
  const gate = caption({ id: 'a', start: 1000, end: 3000, text: 'the gate' });
  const fair = { id: track, kind: 'captions', language: 'en-GB', name: 'fair copy', captions: [gate] } as const;
  const recording = kept.json<{ hash: string }>().hash;
  const made = { id: job, title: 'Working a lock', language: 'en', style: 'lecture-38', recording, tracks: [fair] };
  await ask('POST /api/jobs', { body: made });
});
afterEach(async () => {
  await app.close();
  rmSync(data, { recursive: true, force: true });
});

const destination = (url: string) =>
  ask('PUT /api/destinations/:id', {
    params: { id: 'q' },
    body: { name: 'Quayside', kind: 'video-host', url, token: 'secret' },
  });
const hand = (place: string | null = 'lock', id: string = randomUUID()) =>
  ask('POST /api/jobs/:id/receipts', {
    params: { id: job },
    body: { id, track, destination: 'q', place, format: 'srt' },
  });
const receipts = () => ask('GET /api/jobs/:id/receipts', { params: { id: job } });
const works = () => ask('GET /api/work', { query: { job } });

/** Waits until something asked for again and again is as it should be. */
async function until<T>(look: () => Promise<T>, right: (now: T) => boolean): Promise<T> {
  for (const end = Date.now() + 10_000; ;) {
    const now = await look();
    if (right(now)) return now;
    if (Date.now() > end) throw new Error(`It stayed ${JSON.stringify(now)}`);
    await new Promise((next) => setTimeout(next, 10));
  }
}
const receiptThat = (right: (receipt: Receipt) => boolean) =>
  until(
    async () => (await receipts())[0],
    (r) => r !== undefined && right(r),
  );
const workThat = (right: (work: Work) => boolean) =>
  until(
    async () => (await works()).at(-1),
    (w) => w !== undefined && right(w),
  );

describe('to a place that takes it', () => {
  let host: FastifyInstance;
  const behave = (how: object) =>
    host.inject({ method: 'POST', url: '/behave', headers: { authorization: 'Bearer secret' }, payload: how });
  const deliveries = async () =>
    (await host.inject({ url: '/deliveries', headers: { authorization: 'Bearer secret' } })).json<
      Record<string, number>
    >();
  beforeEach(async () => {
    const held = {
      id: 'lock',
      title: 'Lock',
      file: join(data, 'x.webm'),
      mediaType: 'video/webm',
      machineTrack: 'WEBVTT\n',
      language: 'en-GB',
    };
    host = await buildHost({ token: 'secret', recordings: [held], folder: join(data, 'host'), processing: 30 });
    await destination(await host.listen({ host: '127.0.0.1', port: 0 }));
  });
  afterEach(() => host.close());

  it('it is answered at once, processed, then live, though nobody looks; the receipt says which edit went', async () => {
    expect(await hand()).toMatchObject({ state: 'sending', edit: 1, file: 'working-a-lock.en_GB.srt' });
    const live = await receiptThat((r) => r.state === 'live');
    const [listed] = await until(
      () => ask('GET /api/jobs'),
      ([one]) => one?.mustFindings === 0,
    );
    expect(listed?.held).toEqual([{ destination: 'Quayside', state: 'live', behind: false }]);
    const faster = { type: 'setTimes', id: 'a', start: 1000, end: 1100 } as const;
    await ask('POST /api/tracks/:id/edits', { params: { id: track }, body: { id: 'b2', base: 1, edits: [faster] } });
    const changed = await until(
      () => ask('GET /api/jobs'),
      ([one]) => one?.mustFindings === 2,
    );
    expect(changed[0]?.held).toEqual([{ destination: 'Quayside', state: 'live', behind: true }]);
    const page = await fetch(live?.watch ?? '');
    const source = /<track [^>]*src="([^"]+)"[^>]* default>/.exec(await page.text())?.[1] ?? '';
    expect(await (await fetch(new URL(source, live?.watch ?? ''))).text()).toBe(
      'WEBVTT\n\n00:00:01.000 --> 00:00:03.000\nthe gate\n',
    );
  });

  it('the same asked for again is handed over once; the same id for something else is refused', async () => {
    const { id } = await hand();
    await hand('lock', id);
    await receiptThat((r) => r.state === 'live');
    expect(await deliveries()).toEqual({ [id]: 1 });
    const other = { id, track, destination: 'elsewhere', place: 'lock', format: 'srt' } as const;
    await expect(ask('POST /api/jobs/:id/receipts', { params: { id: job }, body: other })).rejects.toMatchObject({
      code: 'missing',
    });
  });

  it('only what its kind takes is sent to it, which it says', async () => {
    const [known] = await ask('GET /api/destinations');
    expect(known?.takes).toEqual(['srt', 'vtt']);
    const wanted = { id: randomUUID(), track, destination: 'q', place: 'lock', format: 'txt' } as const;
    await expect(ask('POST /api/jobs/:id/receipts', { params: { id: job }, body: wanted })).rejects.toMatchObject({
      code: 'not-taken',
      message: 'Quayside takes no file of this format. Nothing was sent.',
    });
    expect(await receipts()).toEqual([]);
  });

  it('a refusal is kept, in its words', async () => {
    await behave({ refuse: 'captions are closed today' });
    await hand();
    const refused = await receiptThat((r) => r.state === 'refused');
    expect(refused?.reason).toContain('captions are closed today');
  });

  it('while it is out of order it is tried again, and says why', async () => {
    await behave({ fail: true });
    await hand();
    expect((await workThat((w) => w.reason !== null))?.reason).toContain('down for repairs');
    await behave({ fail: false });
    await receiptThat((r) => r.state === 'live');
  });

  it('that took it and broke off is asked before anything is sent again', async () => {
    await behave({ mute: true });
    const { id } = await hand();
    await workThat((w) => w.reason?.includes('Whether it has arrived is not known') ?? false);
    await receiptThat((r) => r.state === 'live');
    expect(await deliveries()).toEqual({ [id]: 1 });
  });

  it('a restart in the middle goes on, and delivers once', async () => {
    await behave({ slow: 400 });
    const { id } = await hand();
    await until(deliveries, (d) => d[id] === 1);
    await app.close();
    await behave({ slow: 0 });
    app = await buildApp(configFor(data));
    await receiptThat((r) => r.state === 'live');
    expect(await deliveries()).toEqual({ [id]: 1 });
  });

  it('the recording is brought there first where it is not there, once', async () => {
    await hand(null);
    const there = await receiptThat((r) => r.state === 'live');
    expect(there?.place).toMatch(/^[0-9a-f]{16}$/);
    expect((await works()).map((w) => [w.kind, w.state])).toEqual([
      ['bring-recording', 'done'],
      ['send-captions', 'done'],
      ['follow-receipt', 'done'],
    ]);
    await hand(null);
    expect((await receiptThat((r) => r.state === 'live'))?.place).toBe(there?.place);
    const list = await ask('GET /api/destinations/:id/recordings', { params: { id: 'q' } });
    expect(list.map((r) => r.id)).toEqual(['lock', there?.place]);
  });

  it('stopped by hand it stays so until it is tried again', async () => {
    await behave({ fail: true });
    await hand();
    const waiting = await workThat((w) => w.reason !== null);
    const params = { id: waiting?.id ?? '' };
    expect(await ask('POST /api/work/:id/stop', { params })).toMatchObject({ state: 'stopped', next: null });
    await behave({ fail: false });
    expect(await receipts()).toMatchObject([{ state: 'sending' }]);
    await ask('POST /api/work/:id/again', { params });
    await receiptThat((r) => r.state === 'live');
  });

  it('what is on its way goes with its job', async () => {
    await behave({ slow: 300 });
    await hand();
    await workThat((w) => w.state === 'running');
    await ask('DELETE /api/jobs/:id', { params: { id: job } });
    expect(await ask('GET /api/work')).toEqual([]);
  });
});

describe('to a place that', () => {
  let place: Server;
  let answer: RequestListener;
  beforeEach(async () => {
    place = createServer((request, response) => answer(request, response));
    await new Promise<void>((ready) => place.listen(0, '127.0.0.1', ready));
    await destination(`http://127.0.0.1:${String((place.address() as AddressInfo).port)}`);
  });
  afterEach(
    () =>
      new Promise<unknown>((closed) => {
        place.closeAllConnections();
        place.close(closed);
      }),
  );
  const taken = {
    language: 'en-GB',
    kind: 'captions',
    state: 'processing',
    receipt: 'r1',
    message: 'x'.repeat(100_000),
  };

  it('took the file and died on the next request has taken it', async () => {
    answer = (request, response) => {
      if (request.method === 'PUT') response.writeHead(202).end(JSON.stringify(taken));
      else request.socket.destroy();
    };
    await hand();
    expect(await receiptThat((r) => r.state === 'processing')).toMatchObject({ watch: null });
    expect(JSON.stringify(await receipts()).length).toBeLessThan(2000);
  });

  it.each([['{}'], ['null'], ['not JSON'], ['[]'], ['{"receipt": 7}']])('answers %s is not believed', async (said) => {
    answer = (_request, response) => response.writeHead(202).end(said);
    await hand();
    expect(await workThat((w) => w.state === 'failed')).toMatchObject({
      reason: expect.stringContaining('does not understand') as string,
    });
    expect(await receipts()).toMatchObject([{ state: 'sending' }]);
  });

  it('names no address of the web as its page has none', async () => {
    const there = { id: 'lock', title: 'Lock', watch: 'javascript:alert(1)', tracks: [{ ...taken, state: 'live' }] };
    answer = (request, response) =>
      response.writeHead(200).end(JSON.stringify(request.method === 'PUT' ? taken : there));
    await hand();
    expect(await receiptThat((r) => r.state === 'live')).toMatchObject({ watch: null });
  });
});
