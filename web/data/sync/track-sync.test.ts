/** Pages and the server’s real log: typing, delivering, taking over, and what several pages make of one track. */
import { randomUUID } from 'node:crypto';
import { ApiError } from '../../../core/contract/api-error.ts';
import { buildApp } from '../../../server/app.ts';
import {
  config,
  textsOnServer,
  killed,
  log,
  opened,
  page,
  server,
  allDelivered,
  trackSyncWith,
  typed,
  until,
} from './pages-for-tests.ts';
import type { TrackSync } from './track-sync.ts';

describe('a page and the log', () => {
  it('shows an edit at once, delivers it, and lets go of it then', async () => {
    const here = await opened();
    here.sync.change(typed(8, ' here'), true);
    expect(here.text()).toEqual(['the gate here', 'is shut']);
    await allDelivered(here);
    expect(await textsOnServer()).toEqual(['the gate here', 'is shut']);
    expect(await server.outbox.lines(server.track)).toEqual([]);
  });

  it('goes on delivering after it was left, and is done when nothing waits', async () => {
    const here = await opened();
    here.sync.change(typed(8, '!'), true);
    here.sync.leave();
    await until('it to be done', () => here.done);
    expect(await textsOnServer()).toEqual(['the gate!', 'is shut']);
  });

  it('left while the server is away, it delivers when that is back, once', async () => {
    const here = await opened();
    server.line = 'away';
    here.sync.change(typed(8, '!'), true);
    here.sync.leave();
    await until('it to notice', () => here.sync.state() === 'offline');
    server.line = 'there';
    here.sync.poke();
    await until('it to be done', () => here.done);
    expect(await textsOnServer()).toEqual(['the gate!', 'is shut']);
    expect((await opened()).text()).toEqual(['the gate!', 'is shut']);
  });

  it('takes nothing twice when only the answer was lost', async () => {
    const here = await opened();
    server.line = 'answers lost';
    here.sync.change(typed(8, ' one'), true);
    await until('it to be sent', () => here.sync.state() === 'offline');
    here.sync.change(typed(0, 'Two: '));
    server.line = 'there';
    here.sync.poke();
    await allDelivered(here);
    expect(await textsOnServer()).toEqual(['Two: the gate one', 'is shut']);
  });

  it('is done once even where the page was killed after the answer was lost', async () => {
    const here = await opened();
    server.line = 'answers lost';
    here.sync.change(typed(8, ' one'), true);
    await until('it to be sent', () => here.sync.state() === 'offline');
    here.sync.change(typed(0, 'Two: '));
    const written = async () => (await server.outbox.lines(server.track)).flatMap((left) => left.edits).length;
    while ((await written()) < 2) await new Promise((next) => setTimeout(next, 5));
    killed(here);
    server.line = 'there';
    const next = await opened();
    expect(next.text()).toEqual(['Two: the gate one', 'is shut']);
    await allDelivered(next);
    expect(await textsOnServer()).toEqual(['Two: the gate one', 'is shut']);
    expect(await server.outbox.lines(server.track)).toEqual([]);
  });

  it('delivers what an opening that did not come to its end had taken over', async () => {
    const client = randomUUID();
    const line = { track: server.track, client, base: 1, after: server.track };
    await server.outbox.put(line, [{ seq: 1, edit: typed(8, '!'), batch: null }]);
    const here = await opened(client);
    await allDelivered(here);
    expect(await textsOnServer()).toEqual(['the gate!', 'is shut']);
    expect(await server.outbox.lines(server.track)).toEqual([]);
  });

  it('loses no line where the connection broke while it took over the second of two', async () => {
    const [first, second, client] = ['a-page', 'b-page', 'c-page'];
    const left = (page: string, insert: string) =>
      server.outbox.put({ track: server.track, client: page, base: 1, after: server.track }, [
        { seq: 1, edit: typed(0, insert), batch: null },
        { seq: 2, edit: typed(0, insert), batch: null },
      ]);
    await left(first, 'one ');
    await left(second, 'two ');
    const whole = server.outbox;
    server.outbox = {
      ...whole,
      async adopt(...of) {
        const taken = await whole.adopt(...of);
        server.line = 'away';
        return taken;
      },
    };
    const broken = page(client);
    await expect(broken.sync.open()).rejects.toThrow();
    expect(broken.done).toBe(true);
    [server.outbox, server.line] = [whole, 'there'];
    const here = await opened(client);
    here.sync.change(typed(here.text()[0]?.length ?? 0, ' three'));
    await allDelivered(here);
    expect([...((await textsOnServer())[0] ?? '').matchAll(/one|two|three/g)].map(([word]) => word).sort()).toEqual(
      ['one', 'one', 'two', 'two', 'three'].sort(),
    );
    expect(await server.outbox.lines(server.track)).toEqual([]);
  });

  it('goes no further with an opening that failed, and sends nothing of it', async () => {
    server.line = 'away';
    const here = page();
    await expect(here.sync.open()).rejects.toThrow();
    server.line = 'there';
    here.sync.poke();
    here.sync.enter();
    expect(here.done).toBe(true);
    expect(here.sync.state()).toBe('opening');
  });

  it('asks at the end of an opening for what it was told of meanwhile', async () => {
    const there = await opened();
    const client = randomUUID();
    const before = await log.load(server.track);
    const here = trackSyncWith(client, { ...log, load: () => Promise.resolve(before) });
    there.sync.change(typed(0, 'Now '));
    await allDelivered(there);
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
    await allDelivered(here);
    expect((await textsOnServer())[0]).toHaveLength(1208);
  });
});

it.each([
  ['disk-full', 507, 'The disk is full.'],
  ['busy', 503, 'Another program has the database.'],
  ['too-many', 429, 'Too many requests.'],
] as const)('says why a server that answers does not take what waits: %s', async (code, status, message) => {
  let isHeldUp = true;
  const here = trackSyncWith(randomUUID(), {
    ...log,
    append: (...of) => (isHeldUp ? Promise.reject(new ApiError(code, message, null, status)) : log.append(...of)),
  });
  await here.open();
  here.change(typed(0, 'Now '));
  await until('it to notice', () => here.state() === 'offline');
  expect(here.holdUp()).toMatchObject({ code, message });
  expect(here.waiting()).toBe(1);
  isHeldUp = false;
  here.poke();
  await until('it to be saved', () => here.waiting() === 0 && here.state() === 'idle');
  expect(here.holdUp()).toBeNull();
});

describe('pages on one track', () => {
  it('carry their edits over one another’s and end alike', async () => {
    const [here, there] = [await opened(), await opened()];
    here.sync.change(typed(0, 'All of '), true);
    there.sync.change(typed(8, ' is wet'), true);
    there.sync.change({ type: 'proof', ids: ['a', 'b'], proofed: true });
    await allDelivered(here, there);
    here.sync.poke();
    there.sync.poke();
    await until('both to show it', () => [here, there].every((p) => p.text()[0] === 'All of the gate is wet'));
    expect(there.sync.captions().map((c) => c.proofed)).toEqual([false, true]);
  });

  it('keep a conflict as versions, in both and through a restart, until somebody chooses', async () => {
    const [here, there] = [await opened(), await opened()];
    here.sync.change({ type: 'remove', ids: ['a'] });
    await allDelivered(here);
    server.line = 'away';
    there.sync.change(typed(8, '!'), true);
    await until('it to notice', () => there.sync.state() === 'offline');
    server.line = 'there';
    there.sync.poke();
    await allDelivered(there);
    expect(there.events).toContainEqual({ type: 'conflict', count: 1 });
    await server.app.close();
    server.app = await buildApp(config());
    here.sync.poke();
    await until('the other page to show it', () => here.sync.captions()[0]?.versions !== undefined);
    expect(here.sync.captions()[0]).toMatchObject({ text: 'the gate!', versions: [null] });
    here.sync.change({ type: 'chooseVersion', id: 'a', chosen: 'standing' });
    await allDelivered(here);
    there.sync.poke();
    await until('the choice to arrive', () => there.sync.captions()[0]?.versions === undefined);
    expect(there.text()).toEqual(['the gate!', 'is shut']);
  });

  it('leave behind lines of their own, each delivered on its own base', async () => {
    const [here, there] = [await opened(), await opened()];
    server.line = 'away';
    here.sync.change(typed(0, 'AAAAA '), true);
    there.sync.change(typed(0, 'Howdy '), true);
    there.sync.change(typed(14, ' there'), true);
    await until('both to notice', () => [here, there].every((p) => p.sync.state() === 'offline'));
    killed(here);
    killed(there);
    server.line = 'there';
    const next = await opened();
    await allDelivered(next);
    expect((await textsOnServer())[0]).toMatch(/^(AAAAA Howdy|Howdy AAAAA) the gate there$/);
  });

  it('leave behind what others removed meanwhile, which comes back as a conflict', async () => {
    const here = await opened();
    const other = await opened();
    server.line = 'away';
    here.sync.change(typed(7, ' tight', 'b'));
    await until('it to notice', () => here.sync.state() === 'offline');
    killed(here);
    server.line = 'there';
    other.sync.change({ type: 'remove', ids: ['b'] });
    await allDelivered(other);
    const next = await opened();
    expect(next.sync.captions()[1]).toMatchObject({ text: 'is shut tight', versions: [null] });
  });

  it('undo their own steps and leave what others did', async () => {
    const [here, there] = [await opened(), await opened()];
    here.sync.change(typed(8, ' HERE'), true);
    await allDelivered(here);
    there.sync.poke();
    await until('it to arrive', () => there.text()[0] === 'the gate HERE');
    there.sync.change(typed(0, 'THERE '), true);
    await allDelivered(there);
    here.sync.poke();
    await until('it to arrive', () => here.text()[0] === 'THERE the gate HERE');
    here.sync.undo();
    await allDelivered(here);
    expect(await textsOnServer()).toEqual(['THERE the gate', 'is shut']);
    here.sync.redo();
    await allDelivered(here);
    expect(await textsOnServer()).toEqual(['THERE the gate HERE', 'is shut']);
  });
});
