/** Takes the pictures in docs/screenshots from the demo: `npm run screenshots`. */
import { randomUUID } from 'node:crypto';
import { caption } from '../core/model/caption.ts';
import { asking, jobWith } from './support/ask.ts';
import { mkdirSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  By,
  caretAt,
  control,
  devTools,
  eventually,
  Key,
  openBrowser,
  press,
  says,
  see,
  type,
} from './support/browser.ts';
import { startServices } from './support/services.ts';

const folder = 'docs/screenshots';
mkdirSync(folder, { recursive: true });
const services = await startServices();
const { driver } = await openBrowser();

/** What is waited for so that nothing is caught half drawn. */
async function settled(): Promise<void> {
  await driver.executeAsyncScript(
    `const done = arguments[0];
     const videos = [...document.querySelectorAll('video')].filter((v) => v.readyState < 2).map((v) => new Promise((r) => v.addEventListener('loadeddata', r, { once: true })));
     Promise.race([Promise.all(videos), new Promise((r) => setTimeout(r, 4000))]).then(() => document.fonts.ready).then(() => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(done, 300))));`,
  );
}
async function picture(name: string): Promise<void> {
  await settled();
  writeFileSync(`${folder}/${name}.png`, await driver.takeScreenshot(), 'base64');
}
/** A live track as it is often saved, each caption with the last line of the one before. */
function liveFeed(): string {
  const lines = [
    'good evening from the lock',
    'at the Tollen Reach flight',
    'where the lower gate is shut',
    'and the water in the chamber',
    'falls until it stands as low',
    'as the river below it',
  ];
  const cues = lines.map((line, i) => {
    const shown = i === 0 ? line : `${lines[i - 1] ?? ''}\n${line}`;
    return `00:0${String(i * 1.5)
      .padEnd(3, '.0')
      .slice(0, 3)}00 --> 00:0${String(i * 1.5 + 1.5)
      .padEnd(3, '.0')
      .slice(0, 3)}00\n${shown}\n`;
  });
  const path = join(mkdtempSync(join(tmpdir(), 'fenwix-files-')), 'live-feed.vtt');
  writeFileSync(path, `WEBVTT\n\n${cues.join('\n')}\n00:09,000 --> 00:10,500\nand then we open\n`);
  return path;
}
/** Captions of the demo that were made for another cut of it, listened for. */
async function placing(): Promise<void> {
  const back = await driver.getCurrentUrl();
  const ask = asking(() => services.address);
  const demo = (await ask('GET /api/jobs')).find((job) => job.title.startsWith('Working a lock'));
  const { sentences } = JSON.parse(readFileSync('demo/recordings/lock-after-dark/true-script.json', 'utf8')) as {
    readonly sentences: readonly { readonly text: string; readonly start: number; readonly end: number }[];
  };
  const captions = sentences.map(({ text, start, end }, i) => {
    const at = Math.round(start * 1.0427 + (start > 80_000 ? 20_000 : 8000));
    return caption({
      id: `c${String(i)}`,
      start: at,
      end: at + end - start,
      text: i === 20 ? 'If in doubt, ask the master.' : text,
    });
  });
  const made = await jobWith(ask, 'Working a lock after dark, first cut', captions, {
    recording: demo?.recording?.hash ?? null,
  });
  await driver.get(`${services.address}/jobs/${made.job}/tape`);
  await see(driver, '.tape-block');
  await control(driver, 'k');
  await type(driver, 'listen and place', Key.ENTER);
  await eventually(driver, 'the recording to be read', () =>
    driver.executeScript<boolean>(
      'return [...document.querySelectorAll(".retime-bar button")].some((b) => b.textContent.includes("Listen for") && !b.disabled)',
    ),
  );
  await press(driver, 'Listen for');
  await see(driver, '.placing-panel');
  await picture('listen-and-place');
  await ask('DELETE /api/jobs/:id', { params: { id: made.job } });
  await driver.get(back);
}
/** The demo's French subtitles beside its fair copy, with the ties between them. */
async function borrowing(): Promise<void> {
  const back = await driver.getCurrentUrl();
  const ask = asking(() => services.address);
  const demo = (await ask('GET /api/jobs')).find((job) => job.title.startsWith('Working a lock'));
  const { tracks } = await ask('GET /api/jobs/:id', { params: { id: demo?.id ?? '' } });
  const french = await ask('GET /api/tracks/:id', {
    params: { id: tracks.find((t) => t.language === 'fr')?.id ?? '' },
  });
  const { sentences } = JSON.parse(readFileSync('demo/recordings/lock-after-dark/true-script.json', 'utf8')) as {
    readonly sentences: readonly { readonly text: string; readonly start: number; readonly end: number }[];
  };
  const made = await jobWith(ask, 'Working a lock after dark', french.captions, {
    recording: demo?.recording?.hash ?? null,
    language: 'fr',
  });
  const captions = sentences.map(({ text, start, end }, i) => caption({ id: `e${String(i)}`, text, start, end }));
  const body = { id: randomUUID(), kind: 'captions', language: 'en-GB', name: 'fair copy, proofed', captions } as const;
  await ask('POST /api/jobs/:id/tracks', { params: { id: made.job }, body });
  await driver.get(`${services.address}/jobs/${made.job}/tracks`);
  await see(driver, '.tracks tbody tr');
  await press(driver, 'Borrow timing');
  await see(driver, '.tie-rows li');
  await picture('borrow');
  await ask('DELETE /api/jobs/:id', { params: { id: made.job } });
  await driver.get(back);
}
const stage = async (name: string, ready: string): Promise<void> => {
  await (await see(driver, `a[href$="/${name}"]`)).click();
  await see(driver, ready);
};
const seek = (seconds: number): Promise<void> =>
  driver.executeScript('document.querySelector("video").currentTime = arguments[0]', seconds);
const theme = (name: string): Promise<void> =>
  driver.executeScript(`localStorage.setItem('fenwix-preferences', JSON.stringify({ theme: arguments[0] }))`, name);

/** Somebody removes a caption while this page, cut off, writes in it. */
async function conflict(): Promise<void> {
  const ask = asking(() => services.address);
  const [job] = await ask('GET /api/jobs');
  const track = job?.tracks.find((t) => t.kind === 'captions')?.id ?? '';
  await driver.get(`${services.address}/jobs/${job?.id ?? ''}/words`);
  await see(driver, '.cm-line');
  await says(driver, 'All changes saved');
  await driver.executeScript(
    `window.real = window.fetch; window.fetch = () => Promise.reject(new TypeError('cut off'));`,
  );
  await caretAt(driver, 'if the lantern is', 'after');
  await type(driver, ' still');
  await says(driver, /Server away: \d+ change/);
  const { edit, captions } = await ask('GET /api/tracks/:id', { params: { id: track } });
  const id = captions.find((c) => c.text.startsWith('if the lantern'))?.id ?? '';
  await ask('POST /api/tracks/:id/edits', {
    params: { id: track },
    body: { id: 'elsewhere', base: edit, edits: [{ type: 'remove', ids: [id] }] },
  });
  await driver.executeScript(`window.fetch = window.real; dispatchEvent(new Event('online'));`);
  await says(driver, 'Both versions are kept');
  await caretAt(driver, 'if the lantern is still', 'after');
  await says(driver, 'Removed elsewhere');
}

try {
  await devTools(driver, 'Emulation.setDeviceMetricsOverride', {
    width: 1280,
    height: 800,
    deviceScaleFactor: 1,
    mobile: false,
  });
  await driver.get(services.address);
  await says(driver, /\d+\s+findings|raw draft/);
  await picture('jobs');
  await (await see(driver, '.row-link')).click();
  await see(driver, '.cm-line');
  await seek(26.5);
  await caretAt(driver, 'is read', 'after');
  await picture('words');
  await caretAt(driver, 'the lower grades', 'after');
  await type(driver, Key.F4);
  await eventually(
    driver,
    'suggestions',
    async () => (await driver.findElements(By.css('.suggestions button'))).length > 2,
  );
  await eventually(driver, 'the word heard', () =>
    driver.executeScript<boolean>(
      'const { paused, currentTime } = document.querySelector("video"); return paused && currentTime < 26;',
    ),
  );
  await picture('suggestions');
  await type(driver, Key.ESCAPE);
  await caretAt(driver, 'welcome', 'before');
  await control(driver, Key.ARROW_DOWN, true);
  await control(driver, Key.ARROW_DOWN, true);
  await control(driver, Key.ARROW_DOWN, true);
  await picture('many-selected');
  await caretAt(driver, 'if the lantern', 'before');
  await control(driver, 'f');
  await (await see(driver, '#find-text')).sendKeys('gate');
  await says(driver, /\d+ found/);
  await type(driver, Key.ENTER);
  await picture('find-and-replace');
  await press(driver, 'Close');
  await press(driver, 'Running text');
  await see(driver, '.sign-caption');
  await picture('running-text');
  await press(driver, 'Line by line');
  await control(driver, 'k');
  await see(driver, '.finder-input');
  await picture('command-finder');
  await driver.get(await driver.getCurrentUrl());
  await see(driver, '.cm-line');
  await stage('checks', '.row-choose');
  await press(driver, 'Above target speed');
  await driver.findElement(By.css('.row-choose')).click();
  await picture('checks');
  await stage('handover', '.cell .ant-btn-primary');
  await press(driver, 'Send');
  await eventually(driver, 'it to be live', async () =>
    (await driver.findElement(By.css('.cell')).getText()).includes('Live'),
  );
  await picture('handover');
  const watch = await (await see(driver, '.cell a')).getAttribute('href');
  await stage('tape', '.tape-block');
  await eventually(
    driver,
    'the sound read',
    async () => (await driver.findElements(By.css('.tape-sound'))).length === 0,
  );
  // One that is too fast shows what its text needs.
  const lasts = await see(driver, 'input[aria-label="Lasts of caption"]');
  await driver.executeScript('arguments[0].focus(); arguments[0].select()', lasts);
  await type(driver, '2.6', Key.ENTER);
  await see(driver, '.block-foot');
  await picture('tape');
  await control(driver, 'z');
  await placing();
  await borrowing();
  await stage('tracks', '.tracks');
  await driver.findElement(By.css('.stage-bar input[type=file]')).sendKeys(liveFeed());
  await see(driver, '.import-first');
  await picture('tracks');
  const job = /jobs\/([^/]+)/.exec(await driver.getCurrentUrl())?.[1] ?? '';
  const under = (style: string): Promise<Response> =>
    fetch(`${services.address}/api/jobs/${job}`, {
      method: 'PATCH',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ style }),
    });
  await under('upright-17');
  await driver.get(`${services.address}/jobs/${job}/words`);
  await see(driver, '.cm-line');
  await control(driver, 'k');
  await (await see(driver, '.finder-input')).sendKeys('Reflow');
  await driver.findElement(By.css('.finder-list li')).click();
  await see(driver, '.reflow-caption');
  await picture('reflow');
  await under('lecture-38');
  await driver.get(`${services.address}/styles`);
  await says(driver, 'Working a lock after dark');
  await picture('house-styles');
  await driver.get(`${services.address}/new`);
  await see(driver, '.intake input[type=file]');
  const inputs = await driver.findElements(By.css('input[type=file]'));
  await inputs[0]?.sendKeys(`${process.cwd()}/demo/recordings/lock-after-dark/recording.webm`);
  await says(driver, '✓ recording.webm');
  await inputs[1]?.sendKeys(`${process.cwd()}/demo/recordings/lock-after-dark/machine-draft.ctm`);
  await says(driver, /machine-draft\.ctm \d+ captions/);
  await picture('intake');
  await conflict();
  await picture('versions');
  await press(driver, 'Keep this one');
  await says(driver, 'All changes saved');
  await theme('dark');
  await driver.get(services.address);
  await (await see(driver, '.row-link')).click();
  await see(driver, '.cm-line');
  await seek(22);
  await caretAt(driver, 'lower grades', 'after');
  await picture('words-dark');
  await driver.get(watch ?? '');
  await see(driver, 'video');
  await seek(26.5);
  await picture('watch-page');
} finally {
  await driver.quit();
  await services.stop();
}
