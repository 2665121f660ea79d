/** What the server will not have, and a data folder that was put back. */
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Edit } from '../../../core/model/edits.ts';
import { buildApp } from '../../../server/app.ts';
import {
  ask,
  base,
  config,
  textsOnServer,
  killed,
  opened,
  server,
  allDelivered,
  typed,
  until,
} from './pages-for-tests.ts';

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
    await allDelivered(here);
    expect(await textsOnServer()).toEqual(['the gate!', 'is shut!']);
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
    await server.app.inject({ method: 'DELETE', url: `/api/jobs/${job}`, headers: { host: 'localhost' } });
    here.sync.change(typed(8, '!'));
    await until('it to be set aside', () => here.sync.asides().length === 1);
    expect(here.sync.waiting()).toBe(0);
    await until('it to be told', () => here.sync.state() === 'missing');
    expect(here.text()[0]).toBe('the gate!');
  });

  it('is told that the track is gone where nothing was done since', async () => {
    const here = await opened();
    const job = (await ask('GET /api/jobs'))[0]?.id ?? '';
    await server.app.inject({ method: 'DELETE', url: `/api/jobs/${job}`, headers: { host: 'localhost' } });
    here.sync.poke();
    await until('it to be told', () => here.sync.state() === 'missing');
    expect(here.sync.asides()).toEqual([]);
  });
});

describe('a data folder that was put back', () => {
  async function putBack(work: () => Promise<void>): Promise<void> {
    await server.app.close();
    const copy = mkdtempSync(join(tmpdir(), 'fenwix-copy-'));
    cpSync(server.data, copy, { recursive: true });
    server.app = await buildApp(config());
    await work();
    await server.app.close();
    rmSync(server.data, { recursive: true });
    cpSync(copy, server.data, { recursive: true });
    rmSync(copy, { recursive: true });
    server.app = await buildApp(config());
  }

  it('is told by a page whose edit the log does not have', async () => {
    const here = await opened();
    await putBack(async () => {
      here.sync.change(typed(8, '!'));
      await allDelivered(here);
    });
    here.sync.change(typed(9, '?'));
    await until('it to be told', () => here.sync.state() === 'blocked');
    expect(here.text()[0]).toBe('the gate!?');
    expect(await textsOnServer()).toEqual(['the gate', 'is shut']);
  });

  it('is told by a page whose edit number others have passed again', async () => {
    const here = await opened();
    await putBack(async () => {
      here.sync.change(typed(8, '!'));
      await allDelivered(here);
    });
    const other = await opened();
    for (const insert of ['1', '2', '3']) other.sync.change(typed(0, insert));
    await allDelivered(other);
    here.sync.poke();
    await until('it to be told', () => here.sync.state() === 'blocked');
    expect(await textsOnServer()).toEqual(['321the gate', 'is shut']);
    await here.sync.abandon();
    expect((await opened()).text()).toEqual(['321the gate', 'is shut']);
  });

  it('sets aside what a closed page had made on the other history', async () => {
    const here = await opened();
    await putBack(async () => {
      here.sync.change(typed(8, '!'));
      await allDelivered(here);
      server.line = 'away';
      here.sync.change(typed(9, '?'));
      await until('it to notice', () => here.sync.state() === 'offline');
      killed(here);
      server.line = 'there';
    });
    const next = await opened();
    expect(next.text()).toEqual(['the gate', 'is shut']);
    expect(next.sync.asides()[0]?.edits).toEqual([typed(9, '?')]);
  });
});
