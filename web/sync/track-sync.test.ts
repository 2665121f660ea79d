/** Pages and the server's real log in one process: what each page shows, and what the log has in the end. */
import 'fake-indexeddb/auto';
import type { FastifyInstance } from 'fastify';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { jest } from '@jest/globals';
import type { Ask } from '../../core/contract/contract.ts';
import { caption } from '../../core/track/caption.ts';
import type { Edit } from '../../core/track/edits.ts';
import { buildApp } from '../../server/app.ts';
import { configFor } from '../../server/config-for-tests.ts';
import { away } from '../api/client.ts';
import { askAndHold } from '../../server/answers-for-tests.ts';
import { logBehind, type Log } from './log.ts';
import { openOutbox, type Outbox } from './outbox.ts';
import { trackSync, type SyncEvent, type SyncNeeds, type TrackSync } from './track-sync.ts';

jest.setTimeout(30_000);

let data: string;
let app: FastifyInstance;
let outbox: Outbox;
let track: string;
/** Whether the server can be reached, and whether its answers come through. */
let line: 'there' | 'away' | 'answers lost';
const alive = new Set<string>();

const config = () => configFor(data, { largestRecording: 2000 });

const answer = askAndHold(() => app);
const ask: Ask = async (route, ...args) => {
  if (line === 'away') throw away();
  const given = await answer(route, ...args);
  if (line === 'answers lost') throw away();
  return given;
};

const log = logBehind(ask);

const never = new Promise<never>(() => undefined);

interface Page {
  readonly sync: TrackSync;
  readonly events: SyncEvent[];
  readonly client: string;
  readonly text: () => string[];
  done: boolean;
}

/** The sync of a page. */
function trackSyncWith(
  client: string,
  over: Log,
  kept = outbox,
  told: Pick<SyncNeeds, 'tell' | 'done'> = { tell: () => undefined, done: () => undefined },
): TrackSync {
  return trackSync(track, {
    log: over,
    outbox: kept,
    client,
    alive: () => Promise.resolve((one) => alive.has(one)),
    newId: randomUUID,
    now: Date.now,
    random: () => 0,
    composed: () => Promise.resolve(),
    announce: () => undefined,
    ...told,
  });
}

/** A page that has the track open, or is about to. */
function page(client: string = randomUUID()): Page {
  alive.add(client);
  const events: SyncEvent[] = [];
  // A page that is killed hears nothing any more, asks nothing and writes nothing.
  const living = <T>(answer: () => Promise<T>): Promise<T> =>
    alive.has(client) ? answer().finally(() => (alive.has(client) ? undefined : never)) : never;
  const written = outbox;
  const livingOutbox: Outbox = {
    lines: (...of) => living(() => written.lines(...of)),
    tracks: () => living(() => written.tracks()),
    put: (...of) => living(() => written.put(...of)),
    delivered: (...of) => living(() => written.delivered(...of)),
    replace: (...of) => living(() => written.replace(...of)),
    adopt: (...of) => living(() => written.adopt(...of)),
    asides: (...of) => living(() => written.asides(...of)),
    dropAside: (...of) => living(() => written.dropAside(...of)),
  };
  const livingLog: Log = {
    load: (...of) => living(() => log.load(...of)),
    since: (...of) => living(() => log.since(...of)),
    append: (...of) => living(() => log.append(...of)),
  };
  const tell = { tell: (event: SyncEvent) => void events.push(event), done: () => void (made.done = true) };
  const sync = trackSyncWith(client, livingLog, livingOutbox, tell);
  const made: Page = { sync, events, client, text: () => sync.captions().map((c) => c.text), done: false };
  return made;
}
async function opened(client?: string): Promise<Page> {
  const made = page(client);
  await made.sync.open();
  return made;
}

async function until(what: string, holds: () => boolean): Promise<void> {
  for (const end = Date.now() + 20_000; !holds(); await new Promise((next) => setTimeout(next, 5)))
    if (Date.now() > end) throw new Error(`Waited in vain for ${what}`);
}
const settled = (...pages: Page[]): Promise<void> =>
  until('everything to be kept', () => pages.every((p) => p.sync.waiting() === 0 && p.sync.state() === 'idle'));
/** A page is closed without a word: nothing of it goes on but what is in the outbox. */
function killed(of: Page): void {
  alive.delete(of.client);
}
const kept = async (): Promise<string[]> =>
  (await ask('GET /api/tracks/:id', { params: { id: track } })).captions.map((c) => c.text);
const typed = (at: number, insert: string, id = 'a'): Edit => ({ type: 'splice', id, from: at, to: at, insert });

const base = [
  caption({ id: 'a', start: 0, end: 2000, text: 'the gate' }),
  caption({ id: 'b', start: 3000, end: 5000, text: 'is shut' }),
];

beforeEach(async () => {
  line = 'there';
  alive.clear();
  indexedDB = new IDBFactory();
  data = mkdtempSync(join(tmpdir(), 'fenwix-sync-'));
  app = await buildApp(config());
  outbox = await openOutbox();
  track = randomUUID();
  const made = { id: track, kind: 'captions', language: 'en', name: 'fair copy', captions: base } as const;
  const job = { id: randomUUID(), title: 'Lock', language: 'en', style: 'lecture-38', tracks: [made] } as const;
  await ask('POST /api/jobs', { body: job });
});
afterEach(async () => {
  alive.clear();
  await app.close();
  rmSync(data, { recursive: true, force: true });
});

describe('a page and the log', () => {
  it('shows an edit at once, delivers it, and lets go of it then', async () => {
    const here = await opened();
    here.sync.change(typed(8, ' here'), true);
    expect(here.text()).toEqual(['the gate here', 'is shut']);
    await settled(here);
    expect(await kept()).toEqual(['the gate here', 'is shut']);
    expect(await outbox.lines(track)).toEqual([]);
  });

  it('goes on delivering after it was left, and is done when nothing waits', async () => {
    const here = await opened();
    here.sync.change(typed(8, '!'), true);
    here.sync.leave();
    await until('it to be done', () => here.done);
    expect(await kept()).toEqual(['the gate!', 'is shut']);
  });

  it('left while the server is away, it delivers when that is back, once', async () => {
    const here = await opened();
    line = 'away';
    here.sync.change(typed(8, '!'), true);
    here.sync.leave();
    await until('it to notice', () => here.sync.state() === 'offline');
    line = 'there';
    here.sync.poke();
    await until('it to be done', () => here.done);
    expect(await kept()).toEqual(['the gate!', 'is shut']);
    expect((await opened()).text()).toEqual(['the gate!', 'is shut']);
  });

  it('takes nothing twice when only the answer was lost', async () => {
    const here = await opened();
    line = 'answers lost';
    here.sync.change(typed(8, ' one'), true);
    await until('it to be sent', () => here.sync.state() === 'offline');
    here.sync.change(typed(0, 'Two: '));
    line = 'there';
    here.sync.poke();
    await settled(here);
    expect(await kept()).toEqual(['Two: the gate one', 'is shut']);
  });

  it('is done once even where the page was killed after the answer was lost', async () => {
    const here = await opened();
    line = 'answers lost';
    here.sync.change(typed(8, ' one'), true);
    await until('it to be sent', () => here.sync.state() === 'offline');
    here.sync.change(typed(0, 'Two: '));
    const written = async () => (await outbox.lines(track)).flatMap((left) => left.edits).length;
    while ((await written()) < 2) await new Promise((next) => setTimeout(next, 5));
    killed(here);
    line = 'there';
    const next = await opened();
    expect(next.text()).toEqual(['Two: the gate one', 'is shut']);
    await settled(next);
    expect(await kept()).toEqual(['Two: the gate one', 'is shut']);
    expect(await outbox.lines(track)).toEqual([]);
  });

  it('delivers what an opening that did not come to its end had taken over', async () => {
    const client = randomUUID();
    const line = { track, client, base: 1, after: track };
    await outbox.put(line, [{ seq: 1, edit: typed(8, '!'), batch: null }]);
    const here = await opened(client);
    await settled(here);
    expect(await kept()).toEqual(['the gate!', 'is shut']);
    expect(await outbox.lines(track)).toEqual([]);
  });

  it('loses no line where the connection broke while it took over the second of two', async () => {
    const [first, second, client] = ['a-page', 'b-page', 'c-page'];
    const left = (page: string, insert: string) =>
      outbox.put({ track, client: page, base: 1, after: track }, [
        { seq: 1, edit: typed(0, insert), batch: null },
        { seq: 2, edit: typed(0, insert), batch: null },
      ]);
    await left(first, 'one ');
    await left(second, 'two ');
    const whole = outbox;
    outbox = {
      ...whole,
      async adopt(...of) {
        const taken = await whole.adopt(...of);
        line = 'away';
        return taken;
      },
    };
    const broken = page(client);
    await expect(broken.sync.open()).rejects.toThrow();
    expect(broken.done).toBe(true);
    [outbox, line] = [whole, 'there'];
    const here = await opened(client);
    here.sync.change(typed(here.text()[0]?.length ?? 0, ' three'));
    await settled(here);
    expect([...((await kept())[0] ?? '').matchAll(/one|two|three/g)].map(([word]) => word).sort()).toEqual(
      ['one', 'one', 'two', 'two', 'three'].sort(),
    );
    expect(await outbox.lines(track)).toEqual([]);
  });

  it('goes no further with an opening that failed, and sends nothing of it', async () => {
    line = 'away';
    const here = page();
    await expect(here.sync.open()).rejects.toThrow();
    line = 'there';
    here.sync.poke();
    here.sync.enter();
    expect(here.done).toBe(true);
    expect(here.sync.state()).toBe('opening');
  });

  it('asks at the end of an opening for what it was told of meanwhile', async () => {
    const there = await opened();
    const client = randomUUID();
    const before = await log.load(track);
    const here = trackSyncWith(client, { ...log, load: () => Promise.resolve(before) });
    there.sync.change(typed(0, 'Now '));
    await settled(there);
    here.told(there.sync.confirmed()?.edit ?? 0);
    await here.open();
    await until('the news to arrive', () => here.captions()[0]?.text === 'Now the gate');
  });

  it('asks after a batch for what came right after it', async () => {
    const there = await opened();
    const client = randomUUID();
    const here: TrackSync = trackSyncWith(client, {
      ...log,
      async append(...of) {
        const edit = await log.append(...of);
        // While the answer is under way somebody else is at it, which is told before the batch is let go of.
        there.sync.poke();
        there.sync.change(typed(0, 'Then ', 'b'));
        await until('both to be in the log', () => (there.sync.confirmed()?.edit ?? 0) > Number(edit));
        here.told(there.sync.confirmed()?.edit ?? 0);
        return edit;
      },
    });
    await here.open();
    here.change(typed(0, 'Now '));
    await until('the news to arrive', () => here.captions()[1]?.text === 'Then is shut');
    expect(here.captions()[0]?.text).toBe('Now the gate');
  });

  it('sends more edits than go into one batch', async () => {
    const here = await opened();
    for (let i = 0; i < 1200; i++) here.sync.change(typed(0, 'x'));
    await settled(here);
    expect((await kept())[0]).toHaveLength(1208);
  });
});

describe('pages on one track', () => {
  it('carry their edits over one another’s and end alike', async () => {
    const [here, there] = [await opened(), await opened()];
    here.sync.change(typed(0, 'All of '), true);
    there.sync.change(typed(8, ' is wet'), true);
    there.sync.change({ type: 'proof', ids: ['a', 'b'], proofed: true });
    await settled(here, there);
    here.sync.poke();
    there.sync.poke();
    await until('both to show it', () => [here, there].every((p) => p.text()[0] === 'All of the gate is wet'));
    expect(there.sync.captions().map((c) => c.proofed)).toEqual([false, true]);
  });

  it('keep a conflict as versions, in both and through a restart, until somebody chooses', async () => {
    const [here, there] = [await opened(), await opened()];
    here.sync.change({ type: 'remove', ids: ['a'] });
    await settled(here);
    line = 'away';
    there.sync.change(typed(8, '!'), true);
    await until('it to notice', () => there.sync.state() === 'offline');
    line = 'there';
    there.sync.poke();
    await settled(there);
    expect(there.events).toContainEqual({ type: 'conflict', count: 1 });
    await app.close();
    app = await buildApp(config());
    here.sync.poke();
    await until('the other page to show it', () => here.sync.captions()[0]?.versions !== undefined);
    expect(here.sync.captions()[0]).toMatchObject({ text: 'the gate!', versions: [null] });
    here.sync.change({ type: 'chooseVersion', id: 'a', chosen: 'standing' });
    await settled(here);
    there.sync.poke();
    await until('the choice to arrive', () => there.sync.captions()[0]?.versions === undefined);
    expect(there.text()).toEqual(['the gate!', 'is shut']);
  });

  it('leave behind lines of their own, each delivered on its own base', async () => {
    const [here, there] = [await opened(), await opened()];
    line = 'away';
    here.sync.change(typed(0, 'AAAAA '), true);
    there.sync.change(typed(0, 'Howdy '), true);
    there.sync.change(typed(14, ' there'), true);
    await until('both to notice', () => [here, there].every((p) => p.sync.state() === 'offline'));
    killed(here);
    killed(there);
    line = 'there';
    const next = await opened();
    await settled(next);
    expect((await kept())[0]).toMatch(/^(AAAAA Howdy|Howdy AAAAA) the gate there$/);
  });

  it('leave behind what others removed meanwhile, which comes back as a conflict', async () => {
    const here = await opened();
    const other = await opened();
    line = 'away';
    here.sync.change(typed(7, ' tight', 'b'));
    await until('it to notice', () => here.sync.state() === 'offline');
    killed(here);
    line = 'there';
    other.sync.change({ type: 'remove', ids: ['b'] });
    await settled(other);
    const next = await opened();
    expect(next.sync.captions()[1]).toMatchObject({ text: 'is shut tight', versions: [null] });
  });

  it('undo their own steps and leave what others did', async () => {
    const [here, there] = [await opened(), await opened()];
    here.sync.change(typed(8, ' HERE'), true);
    await settled(here);
    there.sync.poke();
    await until('it to arrive', () => there.text()[0] === 'the gate HERE');
    there.sync.change(typed(0, 'THERE '), true);
    await settled(there);
    here.sync.poke();
    await until('it to arrive', () => here.text()[0] === 'THERE the gate HERE');
    here.sync.undo();
    await settled(here);
    expect(await kept()).toEqual(['THERE the gate', 'is shut']);
    here.sync.redo();
    await settled(here);
    expect(await kept()).toEqual(['THERE the gate HERE', 'is shut']);
  });
});

describe('what the server will not have', () => {
  /** Puts an edit into the outbox that does not fit, as a fault of an older page might have. */
  const wrong: Edit = { type: 'insert', captions: [{ ...base[0], id: 'x'.repeat(80) } as never] };

  it('is set aside by itself, and the rest is delivered without it', async () => {
    const here = await opened();
    here.sync.change(typed(8, '!'));
    here.sync.change(wrong);
    here.sync.change({ type: 'splice', id: 'x'.repeat(80), from: 0, to: 0, insert: 'on it ' });
    here.sync.change(typed(7, '!', 'b'));
    await until('it to be set aside', () => here.sync.asides().length === 1);
    await settled(here);
    expect(await kept()).toEqual(['the gate!', 'is shut!']);
    expect(here.text()).toEqual(['the gate!', 'is shut!']);
    expect(here.sync.asides()[0]?.edits).toHaveLength(2);
    expect(here.sync.asides()[0]?.reason).toContain('id of 1 to 64 characters');
  });

  it('stays set aside over a reload, and the track opens all the same', async () => {
    const here = await opened();
    here.sync.change(wrong);
    await until('it to be set aside', () => here.sync.asides().length === 1);
    killed(here);
    const next = await opened();
    expect(next.text()).toEqual(['the gate', 'is shut']);
    const [aside] = next.sync.asides();
    await next.sync.dropAside(aside?.id ?? '');
    expect((await opened()).sync.asides()).toEqual([]);
  });

  it('is set aside whole where the track is gone', async () => {
    const here = await opened();
    const job = (await ask('GET /api/jobs'))[0]?.id ?? '';
    await app.inject({ method: 'DELETE', url: `/api/jobs/${job}`, headers: { host: 'localhost' } });
    here.sync.change(typed(8, '!'));
    await until('it to be set aside', () => here.sync.asides().length === 1);
    expect(here.sync.waiting()).toBe(0);
    await until('it to be told', () => here.sync.state() === 'missing');
    expect(here.text()[0]).toBe('the gate!');
  });

  it('is told that the track is gone where nothing was done since', async () => {
    const here = await opened();
    const job = (await ask('GET /api/jobs'))[0]?.id ?? '';
    await app.inject({ method: 'DELETE', url: `/api/jobs/${job}`, headers: { host: 'localhost' } });
    here.sync.poke();
    await until('it to be told', () => here.sync.state() === 'missing');
    expect(here.sync.asides()).toEqual([]);
  });
});

describe('a data folder that was put back', () => {
  async function putBack(work: () => Promise<void>): Promise<void> {
    await app.close();
    const copy = mkdtempSync(join(tmpdir(), 'fenwix-copy-'));
    cpSync(data, copy, { recursive: true });
    app = await buildApp(config());
    await work();
    await app.close();
    rmSync(data, { recursive: true });
    cpSync(copy, data, { recursive: true });
    rmSync(copy, { recursive: true });
    app = await buildApp(config());
  }

  it('is told by a page whose edit the log does not have', async () => {
    const here = await opened();
    await putBack(async () => {
      here.sync.change(typed(8, '!'));
      await settled(here);
    });
    here.sync.change(typed(9, '?'));
    await until('it to be told', () => here.sync.state() === 'blocked');
    expect(here.text()[0]).toBe('the gate!?');
    expect(await kept()).toEqual(['the gate', 'is shut']);
  });

  it('is told by a page whose edit number others have passed again', async () => {
    const here = await opened();
    await putBack(async () => {
      here.sync.change(typed(8, '!'));
      await settled(here);
    });
    const other = await opened();
    for (const insert of ['1', '2', '3']) other.sync.change(typed(0, insert));
    await settled(other);
    here.sync.poke();
    await until('it to be told', () => here.sync.state() === 'blocked');
    expect(await kept()).toEqual(['321the gate', 'is shut']);
    await here.sync.abandon();
    expect((await opened()).text()).toEqual(['321the gate', 'is shut']);
  });

  it('sets aside what a closed page had made on the other history', async () => {
    const here = await opened();
    await putBack(async () => {
      here.sync.change(typed(8, '!'));
      await settled(here);
      line = 'away';
      here.sync.change(typed(9, '?'));
      await until('it to notice', () => here.sync.state() === 'offline');
      killed(here);
      line = 'there';
    });
    const next = await opened();
    expect(next.text()).toEqual(['the gate', 'is shut']);
    expect(next.sync.asides()[0]?.edits).toEqual([typed(9, '?')]);
  });
});
