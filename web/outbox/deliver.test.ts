import { caption, type Caption } from '../../core/track/caption.ts';
import { apply, type Edit } from '../../core/track/edits.ts';
import { deliverLeft } from './deliver.ts';
import type { Batch, Outbox } from './outbox.ts';

const gate = caption({ id: 'a', start: 0, end: 1000, text: 'the gate' });
const typed = (at: number, insert: string): Edit => ({ type: 'splice', id: 'a', from: at, to: at, insert });

/** A server with one track, in memory, that answers as the real one does. */
function fakeServer(log: Edit[]) {
  const known = new Map<string, number>();
  const at = (edit: number): readonly Caption[] =>
    log.slice(0, edit).reduce((now: readonly Caption[], e) => apply(now, e).captions, [gate]);
  const answer = (status: number, body: unknown): Response => new Response(JSON.stringify(body), { status });
  const fetch = (url: string, init?: RequestInit): Promise<Response> => {
    if (init?.method === 'GET') {
      const edit = Number(new URL(url, 'http://x').searchParams.get('at') ?? log.length);
      return Promise.resolve(answer(200, { edit, captions: at(edit) }));
    }
    const batch = JSON.parse(init?.body as string) as { id: string; base: number; edits: Edit[] };
    const before = known.get(batch.id);
    if (before !== undefined) return Promise.resolve(answer(200, { edit: before }));
    if (batch.base !== log.length)
      return Promise.resolve(
        answer(409, { code: 'behind', message: '', details: { edit: log.length, since: log.slice(batch.base) } }),
      );
    log.push(...batch.edits);
    known.set(batch.id, log.length);
    return Promise.resolve(answer(200, { edit: log.length }));
  };
  return { fetch, known, text: () => at(log.length).map((c) => c.text) };
}

function fakeOutbox(batches: readonly Batch[]) {
  const held = new Map(batches.map((b) => [b.id, b]));
  const outbox: Outbox = {
    put: (b) => Promise.resolve(void held.set(b.id, b)),
    exchange(gone, put) {
      gone.forEach((id) => held.delete(id));
      if (put) held.set(put.id, put);
      return Promise.resolve();
    },
    all: () => Promise.resolve([...held.values()]),
  };
  return { outbox, held };
}

const batch = (id: string, order: number, base: number, ...edits: Edit[]): Batch => ({
  id,
  track: 't',
  client: 'gone',
  order,
  base,
  edits,
});
const real = globalThis.fetch;
afterEach(() => (globalThis.fetch = real));

async function deliver(log: Edit[], batches: Batch[], accepted: Record<string, number> = {}) {
  const server = fakeServer(log);
  for (const [id, edit] of Object.entries(accepted)) server.known.set(id, edit);
  globalThis.fetch = server.fetch as typeof fetch;
  const { outbox, held } = fakeOutbox(batches);
  const kept = await deliverLeft(batches, outbox);
  return { text: server.text(), left: held.size, kept };
}

describe('what a closed page left behind', () => {
  it('is delivered in order, each batch on what the one before made', async () => {
    expect(await deliver([], [batch('1', 1, 0, typed(8, ' is')), batch('2', 2, 0, typed(11, ' shut'))])).toEqual({
      text: ['the gate is shut'],
      left: 0,
      kept: 0,
    });
  });

  it('is not delivered twice when only the answer was lost', async () => {
    const log = [typed(8, ' is')];
    expect(
      await deliver(log, [batch('1', 1, 0, typed(8, ' is')), batch('2', 2, 0, typed(11, ' shut'))], { '1': 1 }),
    ).toEqual({ text: ['the gate is shut'], left: 0, kept: 0 });
  });

  it('is carried over what others did meanwhile', async () => {
    const log = [typed(0, 'All of ')];
    expect(await deliver(log, [batch('1', 1, 0, typed(8, ' is')), batch('2', 2, 0, typed(11, ' shut'))])).toEqual({
      text: ['All of the gate is shut'],
      left: 0,
      kept: 0,
    });
  });

  it('comes back beside the others’ version where both cannot stand', async () => {
    const result = await deliver([{ type: 'remove', ids: ['a'] }], [batch('1', 1, 0, typed(8, ' is'))]);
    expect(result).toEqual({ text: ['the gate is'], left: 0, kept: 1 });
  });

  it('stays where it is while the server is away', async () => {
    globalThis.fetch = () => Promise.reject(new TypeError('no network'));
    const { outbox, held } = fakeOutbox([batch('1', 1, 0, typed(8, ' is'))]);
    await expect(deliverLeft([...held.values()], outbox)).rejects.toThrow('does not answer');
    expect(held.size).toBe(1);
  });
});
