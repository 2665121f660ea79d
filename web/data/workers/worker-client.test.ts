import {
  workerClient,
  WorkerTrouble,
  type WorkerLike,
  type WorkerQuestion,
  type WorkerReply,
} from './worker-client.ts';

/** A worker that answers when a test says so. */
class Fake implements WorkerLike {
  readonly sent: WorkerQuestion<string>[] = [];
  gone = false;
  private readonly heard = new Map<string, ((event: unknown) => void)[]>();
  postMessage = (message: unknown): void => void this.sent.push(message as WorkerQuestion<string>);
  terminate = (): void => void (this.gone = true);
  addEventListener = (type: string, listener: unknown): void => {
    this.heard.set(type, [...(this.heard.get(type) ?? []), listener as (event: unknown) => void]);
  };
  say(reply: WorkerReply<string>): void {
    for (const listener of this.heard.get('message') ?? []) listener({ data: reply });
  }
  fail(): void {
    for (const listener of this.heard.get('error') ?? []) listener({});
  }
}

function begun() {
  const workers: Fake[] = [];
  let lost = 0;
  const client = workerClient<string, string>(
    () => {
      const fake = new Fake();
      workers.push(fake);
      return fake;
    },
    () => lost++,
  );
  return { client, workers, lost: () => lost };
}

it('answers go to whoever asked, in whatever order they come, and progress before them', async () => {
  const { client, workers } = begun();
  const shares: number[] = [];
  const first = client.ask('one', { progress: (share) => shares.push(share) });
  const second = client.ask('two');
  const [worker] = workers;
  const [a, b] = worker?.sent ?? [];
  worker?.say({ id: b?.id ?? 0, answer: 'TWO' });
  worker?.say({ id: a?.id ?? 0, progress: 0.5 });
  worker?.say({ id: a?.id ?? 0, answer: 'ONE' });
  expect(await Promise.all([first, second])).toEqual(['ONE', 'TWO']);
  expect([shares, workers.length]).toEqual([[0.5], 1]);
});

it('a worker that breaks off fails what waits, and the next question begins another', async () => {
  const { client, workers, lost } = begun();
  const broken = client.ask('one');
  workers[0]?.fail();
  await expect(broken).rejects.toMatchObject({ reason: 'stopped' });
  const again = client.ask('two');
  workers[1]?.say({ id: workers[1].sent[0]?.id ?? 0, answer: 'TWO' });
  expect(await again).toBe('TWO');
  expect([workers[0]?.gone, lost()]).toEqual([true, 1]);
});

it('what is cancelled lets the worker go; what was answered before that stands', async () => {
  const { client, workers } = begun();
  const stop = new AbortController();
  const done = client.ask('done', { signal: stop.signal });
  workers[0]?.say({ id: workers[0].sent[0]?.id ?? 0, answer: 'DONE' });
  expect(await done).toBe('DONE');
  const running = client.ask('running', { signal: stop.signal });
  stop.abort();
  await expect(running).rejects.toBeInstanceOf(WorkerTrouble);
  expect(workers[0]?.gone).toBe(true);
  await expect(client.ask('late', { signal: stop.signal })).rejects.toMatchObject({ reason: 'cancelled' });
});

it('trouble is told as the worker’s sentence', async () => {
  const { client, workers } = begun();
  const asked = client.ask('one');
  workers[0]?.say({ id: workers[0].sent[0]?.id ?? 0, trouble: 'Line 3 is no time.' });
  await expect(asked).rejects.toThrow('Line 3 is no time.');
});
