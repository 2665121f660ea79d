/** What happens on the server is seen in every tab as it happens, over one stream for all of them. */
import Database from 'better-sqlite3';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { caption } from '../core/model/caption.ts';
import { withApplication } from './support/application.ts';
import { asking, jobWith, uploaded } from './support/ask.ts';
import { By, caretAt, eventually, lines, says, see, type } from './support/browser.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
const gate = caption({ id: 'a', start: 1000, end: 3000, text: 'the gate' });

/** A browser opens six connections to a server; eight tabs with one each would stand still. */
const tabs = 8;

it('eight tabs share one stream, and when the tab that has it is closed another takes it on', async () => {
  const { driver } = app;
  await driver.get(`${app.services.address}/`);
  const handles = [await driver.getWindowHandle()];
  for (let i = 1; i < tabs; i++) {
    await driver.switchTo().newWindow('tab');
    await driver.get(`${app.services.address}/`);
    await says(driver, 'Working a lock after dark');
    handles.push(await driver.getWindowHandle());
  }
  await jobWith(ask, 'Seen by all', [gate]);
  for (const handle of handles) {
    await driver.switchTo().window(handle);
    await says(driver, 'Seen by all');
  }
  const streams = await driver.executeAsyncScript<[number, number]>(
    `const done = arguments[0];
     navigator.locks.query().then(({ held, pending }) =>
       done([held, pending].map((locks) => locks.filter((l) => l.name === 'fenwix-events').length)));`,
  );
  expect(streams).toEqual([1, tabs - 1]);
  const [first = '', ...others] = handles;
  await driver.switchTo().window(first);
  await driver.close();
  await driver.switchTo().window(others[0] ?? '');
  await jobWith(ask, 'Seen by the others', [gate]);
  for (const handle of others) {
    await driver.switchTo().window(handle);
    await says(driver, 'Seen by the others');
  }
});

it('findings are counted by the server, and come into the list of jobs by themselves', async () => {
  const { driver } = app;
  await driver.get(`${app.services.address}/`);
  await says(driver, 'Working a lock after dark');
  const short = caption({ id: 'a', start: 1000, end: 1200, text: 'the gate is shut' });
  await jobWith(ask, 'Too short', [short]);
  await eventually(driver, 'its findings', async () => {
    const rows = await driver.findElements(By.css('.row'));
    const texts = await Promise.all(rows.map((row) => row.getText()));
    return texts.some((text) => text.startsWith('Too short') && /\n2\s+findings/.test(text));
  });
});

it('the picture a recording lacks is drawn by a page that comes by, once', async () => {
  const { driver, services } = app;
  const bytes = Buffer.concat([readFileSync('demo/recordings/lock-after-dark/recording.webm'), Buffer.alloc(8)]);
  const hash = await uploaded(services.address, 'again.webm', bytes, { length: 147_000, width: 1280, height: 720 });
  const job = { id: randomUUID(), title: 'Without a picture', language: 'en', style: 'lecture-38', recording: hash };
  await ask('POST /api/jobs', { body: job });
  // Whoever brings a recording in has a minute to draw it; that is over.
  await services.stopServer();
  const db = new Database(join(services.data, 'fenwix.sqlite'));
  db.prepare('update work set next = 0 where subject = ?').run(hash);
  db.close();
  await services.startServer();
  await driver.get(`${services.address}/`);
  await eventually(driver, 'the picture', () =>
    driver.executeScript<boolean>(
      `const image = document.querySelector('img[src*="' + arguments[0] + '"]'); return !!image && image.naturalWidth === 256;`,
      hash,
    ),
  );
  expect((await ask('GET /api/work')).filter((w) => w.subject === hash)).toMatchObject([{ state: 'done', tries: 1 }]);
});

it('a change from another browser comes by itself', async () => {
  const { driver } = app;
  const { job, track } = await jobWith(ask, 'Two browsers', [gate]);
  await driver.get(`${app.services.address}/jobs/${job}/words`);
  await see(driver, '.cm-line');
  await says(driver, 'All changes saved');
  const edits = [{ type: 'splice', id: 'a', from: 8, to: 8, insert: ' is shut' }] as const;
  await ask('POST /api/tracks/:id/edits', { params: { id: track }, body: { id: 'other', base: 1, edits } });
  await eventually(driver, 'the other’s words', async () =>
    (await lines(driver)).join(' ').includes('the gate is shut'),
  );
  await caretAt(driver, 'is shut', 'after');
  await type(driver, ' now');
  await says(driver, 'All changes saved');
  expect((await ask('GET /api/tracks/:id', { params: { id: track } })).captions[0]?.text).toBe('the gate is shut now');
});
