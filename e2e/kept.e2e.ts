/** Nothing lost, nothing doubled: leaving at any moment, no server, two windows, a folder that was put back. */
import { cpSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { caption, type Caption } from '../core/model/caption.ts';
import type { Edit } from '../core/model/edits.ts';
import { withApplication } from './support/application.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { caretAt, complaints, downloaded, eventually, lines, press, says, see, type } from './support/browser.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
const texts = ['the gate', 'is shut', 'the level', 'is low', 'wait here'];
const captions = texts.map((text, i): Caption =>
  caption({ id: `c${String(i)}`, start: i * 3000, end: i * 3000 + 2500, text }),
);

let job: string;
let track: string;
beforeEach(async () => {
  ({ job, track } = await jobWith(ask, 'Kept', captions));
  await openJob();
});

const openJob = async (): Promise<void> => {
  await app.driver.get(`${app.services.address}/jobs/${job}/words`);
  await see(app.driver, '.cm-line');
  await says(app.driver, 'All changes saved');
};
const leave = async (): Promise<void> => {
  await (await see(app.driver, '.head-home')).click();
  await says(app.driver, 'New job');
};
/** Comes back to the job inside the application, without loading the page again. */
const comeBack = async (): Promise<void> => {
  await (await see(app.driver, `a.row-link[href*="${job}"]`)).click();
  await see(app.driver, '.cm-line');
};
const kept = async (): Promise<string[]> => (await captionsOf(ask, track)).map((c) => c.text);
const shows = (what: string[]): Promise<true> =>
  eventually(app.driver, `the text ${what.join(' | ')}`, async () => {
    const now = await lines(app.driver);
    return what.every((line, i) => now[i] === line) && (true as const);
  });
/** Others change the track while this page hears nothing. */
async function whileUnheard(work: () => Promise<void>, edits: readonly Edit[]): Promise<void> {
  await app.driver.executeScript(
    `window.realFetch ??= window.fetch; window.fetch = () => Promise.reject(new TypeError('cut off'));`,
  );
  await work();
  const { edit } = await ask('GET /api/tracks/:id', { params: { id: track } });
  await ask('POST /api/tracks/:id/edits', {
    params: { id: track },
    body: { id: `others-${String(edit)}`, base: edit, edits },
  });
  await app.driver.executeScript(`window.fetch = window.realFetch; dispatchEvent(new Event('online'));`);
}

/** What was typed and is in the outbox of this browser. */
const inOutbox = (): Promise<string> =>
  app.driver.executeAsyncScript<string>(
    `const done = arguments[arguments.length - 1];
     const asked = indexedDB.open('fenwix');
     asked.onsuccess = () => {
       const all = asked.result.transaction('edits').objectStore('edits').getAll();
       all.onsuccess = () => { asked.result.close(); done(all.result.map((each) => each.edit.insert).join('')); };
     };`,
  );

describe('words of a job that is gone', () => {
  it('typed without a server are told of on Jobs, saved as a file, and discarded once that is said twice', async () => {
    await app.services.stopServer();
    await caretAt(app.driver, 'the gate', 'after');
    await type(app.driver, ' of the lower basin');
    await says(app.driver, /Server away: \d+ changes? saved in this browser/);
    // What is written down is what is told of later.
    await eventually(app.driver, 'the words in the outbox', async () => (await inOutbox()).includes('basin'));
    await app.driver.get('about:blank');
    await app.services.startServer();
    await ask('DELETE /api/jobs/:id', { params: { id: job } });
    await app.driver.get(app.services.address);
    await says(app.driver, 'What was typed, “of the lower basin”, is in this browser only');
    await says(app.driver, 'the server does not have the track any more');
    await press(app.driver, 'Save as a file');
    expect((await downloaded(app.opened, 'changes-not-saved.json')).text).toContain('of the lower basin');
    await press(app.driver, 'Discard');
    await press(app.driver, 'Discard for good');
    const isTold = (): Promise<boolean> =>
      app.driver.executeScript<boolean>('return document.body.innerText.includes("in this browser only")');
    await eventually(app.driver, 'nothing to be told', async () => !(await isTold()));
    await app.driver.navigate().refresh();
    await says(app.driver, 'New job');
    expect(await inOutbox()).toBe('');
  });
});

describe('leaving a job by its link', () => {
  it.each([0, 60, 150, 400])('%i ms after a key keeps what was typed, once', async (wait) => {
    await caretAt(app.driver, 'the gate', 'after');
    await type(app.driver, 'X');
    if (wait > 0) await app.driver.sleep(wait);
    await leave();
    await comeBack();
    await shows(['the gateX', 'is shut']);
    await says(app.driver, 'All changes saved');
    expect(await kept()).toEqual(['the gateX', ...texts.slice(1)]);
  });

  it('with the server away, which comes back meanwhile, keeps it too, and so does a reload', async () => {
    await app.services.stopServer();
    await caretAt(app.driver, 'the gate', 'after');
    await type(app.driver, 'X');
    await (await see(app.driver, '.head-home')).click();
    await says(app.driver, 'does not answer');
    await app.services.startServer();
    await eventually(app.driver, 'it to be delivered', async () => (await kept())[0] === 'the gateX');
    await app.driver.get(app.services.address);
    await comeBack();
    await shows(['the gateX', 'is shut']);
    await app.driver.navigate().refresh();
    await see(app.driver, '.cm-line');
    await shows(['the gateX', 'is shut']);
    expect((await kept())[0]).toBe('the gateX');
  });
});

describe('two windows, one of them cut off', () => {
  it.each<[string, Edit[], string[]]>([
    ['a proof', [{ type: 'proof', ids: ['c0', 'c1'], proofed: true }], ['the gateX', 'is shut', 'the level']],
    ['other times', [{ type: 'setTimes', id: 'c0', start: 100, end: 2000 }], ['the gateX', 'is shut', 'the level']],
    ['a split', [{ type: 'split', id: 'c0', at: 3, newId: 'n', end: 900, start: 980 }], ['the', 'gateX', 'is shut']],
    [
      'a reflow',
      [
        {
          type: 'replace',
          removed: ['c0', 'c1'],
          captions: [caption({ id: 'r', start: 0, end: 5500, text: 'the gate is shut' })],
        },
      ],
      ['the gateX is shut', 'the level'],
    ],
    ['a caption less', [{ type: 'remove', ids: ['c1'] }], ['the gateX', 'the level', 'is low']],
  ])('typing meets %s: both are there, once, and nothing is in conflict', async (_, edits, expected) => {
    await whileUnheard(async () => {
      await caretAt(app.driver, 'the gate', 'after');
      await type(app.driver, 'X');
      await says(app.driver, /Server away: 1 change saved/);
    }, edits);
    await shows(expected);
    await says(app.driver, 'All changes saved');
    const after = await captionsOf(ask, track);
    expect(after.slice(0, expected.length).map((c) => c.text)).toEqual(expected);
    expect(after.some((c) => c.versions)).toBe(false);
  });

  it('a conflict is shown as two versions, resolved in one window and seen in the other', async () => {
    const here = await app.driver.getWindowHandle();
    await whileUnheard(async () => {
      await caretAt(app.driver, 'the gate', 'after');
      await type(app.driver, 'X');
      await says(app.driver, /Server away: 1 change saved/);
    }, [{ type: 'remove', ids: ['c0'] }]);
    await says(app.driver, 'Both versions are kept');
    await app.driver.switchTo().newWindow('window');
    const there = await app.driver.getWindowHandle();
    await openJob();
    await caretAt(app.driver, 'the gateX', 'after');
    await says(app.driver, 'Removed elsewhere');
    await app.driver.switchTo().window(here);
    await caretAt(app.driver, 'the gateX', 'after');
    await press(app.driver, 'Keep this one');
    await says(app.driver, 'All changes saved');
    await app.driver.switchTo().window(there);
    await eventually(app.driver, 'the choice', async () => {
      const all = await app.driver.executeScript<string>('return document.body.innerText');
      return !all.includes('Removed elsewhere');
    });
    await shows(['the gateX', 'is shut']);
    await app.driver.close();
    await app.driver.switchTo().window(here);
    expect(await kept()).toEqual(['the gateX', ...texts.slice(1)]);
    expect(await complaints(app.driver)).toEqual([]);
  });
});

it('a refused change is set aside: seen, taken away as a file, dropped, and the rest is kept', async () => {
  await app.driver.executeScript(
    `window.realFetch ??= window.fetch;
     window.fetch = (url, how) => how?.body?.includes?.('Q')
       ? Promise.resolve(new Response(JSON.stringify({ code: 'edit-refused', message: 'It does not fit.', details: null }), { status: 422 }))
       : window.realFetch(url, how);`,
  );
  await caretAt(app.driver, 'the gate', 'after');
  await type(app.driver, 'Q');
  await says(app.driver, '1 change could not be saved and is set aside: It does not fit.');
  await shows(['the gate', 'is shut']);
  await caretAt(app.driver, 'is shut', 'after');
  await type(app.driver, ',');
  await says(app.driver, 'All changes saved');
  expect(await kept()).toEqual(['the gate', 'is shut,', ...texts.slice(2)]);
  await openJob();
  await says(app.driver, 'set aside: It does not fit.');
  await press(app.driver, 'Save as a file');
  const file = await downloaded(app.opened, 'changes-set-aside.json');
  expect(file.text).toContain('"insert": "Q"');
  await press(app.driver, 'Discard');
  await eventually(app.driver, 'it to go', async () => {
    const all = await app.driver.executeScript<string>('return document.body.innerText');
    return !all.includes('set aside');
  });
  await openJob();
  await shows(['the gate', 'is shut,']);
});

it('a data folder put back under an open page is told, and what the page has becomes a track of its own', async () => {
  await app.services.stopServer();
  const copy = mkdtempSync(join(tmpdir(), 'fenwix-copy-'));
  cpSync(app.services.data, copy, { recursive: true });
  await app.services.startServer();
  await caretAt(app.driver, 'the gate', 'after');
  await type(app.driver, 'X');
  await eventually(app.driver, 'it to be kept', async () => (await kept())[0] === 'the gateX');
  await app.services.stopServer();
  for (const name of ['fenwix.sqlite', 'fenwix.sqlite-wal', 'fenwix.sqlite-shm'])
    rmSync(join(app.services.data, name), { force: true });
  cpSync(join(copy, 'fenwix.sqlite'), join(app.services.data, 'fenwix.sqlite'));
  rmSync(copy, { recursive: true });
  await app.services.startServer();
  await type(app.driver, 'Y');
  await says(app.driver, 'The server has another history of this track');
  expect((await kept())[0]).toBe('the gate');
  await press(app.driver, 'Save it as a track of its own');
  await says(app.driver, 'is a track of its own now');
  await shows(['the gate', 'is shut']);
  const { tracks } = await ask('GET /api/jobs/:id', { params: { id: job } });
  const own = tracks.find((t) => t.name.includes('kept from this page'));
  expect((await captionsOf(ask, own?.id ?? ''))[0]?.text).toBe('the gateXY');
});

it('a second server on the folder is refused with the address of the first', async () => {
  const address = readFileSync(join(app.services.data, 'address'), 'utf8');
  expect(address).toBe(app.services.address);
  expect(await app.services.startAnother()).toEqual({
    code: 1,
    said: expect.stringContaining(`already running on this data folder, at ${address}`) as string,
  });
});
