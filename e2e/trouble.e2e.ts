/** Bad files, places that refuse, a server that stops: each is said plainly, and nothing that was kept is lost. */
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { By, caretAt, eventually, lines, press, says, see, type, picked } from './support/browser.ts';
import { withApplication } from './support/application.ts';

const app = withApplication({ FENWIX_LARGEST_RECORDING: '3000000' });

const files = mkdtempSync(join(tmpdir(), 'fenwix-files-'));
const file = (name: string, content: string | Buffer): string => {
  const path = join(files, name);
  writeFileSync(path, content);
  return path;
};
const recording = resolve('demo/recordings/lock-after-dark/recording.webm');
const draft = resolve('demo/recordings/lock-after-dark/machine-draft.ctm');

/** A silent WAV file of so many bytes of sound at 8 kHz. */
function wav(bytes: number): Buffer {
  const head = Buffer.from('RIFF....WAVEfmt ....\u0001\0\u0001\0........\u0001\0\u0008\0data....', 'latin1');
  head.writeUInt32LE(36 + bytes, 4);
  head.writeUInt32LE(16, 16);
  head.writeUInt32LE(8000, 24);
  head.writeUInt32LE(8000, 28);
  head.writeUInt32LE(bytes, 40);
  return Buffer.concat([head, Buffer.alloc(bytes, 128)]);
}

const choose = async (nth: number, path: string): Promise<void> => {
  const inputs = await app.driver.findElements(By.css('input[type=file]'));
  await inputs[nth]?.sendKeys(path);
};
const jobs = async (): Promise<number> =>
  ((await (await fetch(`${app.services.address}/api/jobs`)).json()) as unknown[]).length;
const openJob = async (): Promise<void> => {
  await app.driver.get(app.services.address);
  await (await see(app.driver, '.row-link')).click();
  await see(app.driver, '.cm-line');
};

describe('bringing in', () => {
  beforeAll(async () => {
    await app.driver.get(`${app.services.address}/new`);
    await see(app.driver, 'input[type=file]');
  });

  it.each([
    [
      'a recording the browser cannot play',
      0,
      () => file('notes.webm', 'these are not moving pictures'),
      /cannot play “notes\.webm”\. Nothing was imported/,
    ],
    [
      'a recording over the limit',
      0,
      () => file('long.wav', wav(4_000_000)),
      /over the limit of 3 MB\. Nothing was kept of it/,
    ],
    ['an empty caption file', 1, () => file('empty.srt', ''), /empty\.srt: The file is empty\. Nothing was changed/],
    [
      'a picture with a caption file’s name',
      1,
      () => file('picture.srt', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0])),
      /is a PNG picture, whatever its name says/,
    ],
    [
      'a file of no format that is known',
      1,
      () => file('settings.vtt', '{"lock": {"gates": 2}}'),
      /No caption format was recognised.*Nothing was changed/,
    ],
  ])('%s is refused with what happened and what to do', async (_, question, path, expected) => {
    await choose(question, path());
    await says(app.driver, expected);
    expect(await jobs()).toBe(1);
  });

  it('makes a job of a good recording and a good draft all the same', async () => {
    await choose(0, recording);
    await says(app.driver, /✓ recording\.webm: 2 min/);
    await choose(1, draft);
    await says(app.driver, /machine-draft\.ctm \d+ captions · 2 min \d+ s · with word times/);
    await press(app.driver, 'Create the job');
    await see(app.driver, '.cm-line');
    expect(await jobs()).toBe(2);
    await eventually(
      app.driver,
      'the picture',
      async () =>
        (await app.driver.executeScript<number>('return document.querySelector(".picture video").videoWidth')) === 1280,
    );
  });

  it('takes an SRT from elsewhere and says what it fixed', async () => {
    await app.driver.get(`${app.services.address}/new`);
    await see(app.driver, 'input[type=file]');
    await choose(1, file('from-elsewhere.srt', '1\n00:00:02,000 --> 00:00:01,000\nMind the edge.\n'));
    await says(
      app.driver,
      /from-elsewhere\.srt 1 caption · 2 s[^]*1 problem fixed while reading[^]*The end came before the start; the two were swapped\. line 2/,
    );
  });
});

describe('handing over', () => {
  const behave = (how: object) =>
    fetch(`${app.services.host}/behave`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${app.services.token}` },
      body: JSON.stringify(how),
    });

  it('says why a place refuses, and that it is away', async () => {
    await openJob();
    await (await see(app.driver, 'a[href$="/handover"]')).click();
    const cell = async (): Promise<string> => (await see(app.driver, '.cell')).getText();
    await says(app.driver, 'Nothing sent');
    await behave({ refuse: 'this account is over its quota' });
    await press(app.driver, 'Upload recording and send');
    await says(app.driver, 'Quayside refused: this account is over its quota. Your captions are safe here');
    await behave({ refuse: null });
    await press(app.driver, 'Try again');
    await eventually(app.driver, 'it to be live', async () => (await cell()).includes('Live'));
    await eventually(
      app.driver,
      'the recording chosen there',
      async () => (await picked(app.driver, 'Recording at Quayside')) === 'recording',
    );
    await app.services.stopHost();
    await press(app.driver, 'Send again');
    await says(app.driver, 'Quayside cannot be reached. Your captions are safe here and nothing was sent');
    await press(app.driver, 'Stop');
    await says(app.driver, 'Stopped');
  });
});

describe('the server stops while somebody edits', () => {
  it('says so, keeps the words in the browser, and delivers them when it is back', async () => {
    await openJob();
    await app.services.stopServer();
    await caretAt(app.driver, 'welcome', 'before');
    await type(app.driver, 'Ahoy ');
    await says(app.driver, /Server away: \d+ changes? saved in this browser/);
    expect((await lines(app.driver))[0]).toMatch(/^Ahoy welcome/);
    await (await see(app.driver, 'a[href$="/checks"]')).click();
    await says(app.driver, 'against Lecture 38');
    await (await see(app.driver, 'a[href$="/handover"]')).click();
    await says(app.driver, 'The Fenwix server does not answer. What was kept is safe');
    await (await see(app.driver, 'a[href$="/words"]')).click();
    await app.services.startServer();
    await says(app.driver, 'All changes saved');
    await app.driver.navigate().refresh();
    await see(app.driver, '.cm-line');
    expect((await lines(app.driver))[0]).toMatch(/^Ahoy welcome/);
  });

  it('delivers what a page left behind when it was closed before the server came back', async () => {
    await app.services.stopServer();
    await caretAt(app.driver, 'Ahoy', 'after');
    await type(app.driver, ' there');
    await says(app.driver, /Server away: \d+ changes? saved in this browser/);
    const address = await app.driver.getCurrentUrl();
    await app.driver.get('about:blank');
    await app.services.startServer();
    await app.driver.get(address);
    await see(app.driver, '.cm-line');
    await says(app.driver, 'All changes saved');
    expect((await lines(app.driver))[0]).toMatch(/^Ahoy there welcome/);
  });
});

describe('two windows on one track', () => {
  it('show each other’s changes, and lose no word of either', async () => {
    const here = await app.driver.getWindowHandle();
    const address = await app.driver.getCurrentUrl();
    await app.driver.switchTo().newWindow('window');
    await app.driver.get(address);
    await see(app.driver, '.cm-line');
    const there = await app.driver.getWindowHandle();
    await caretAt(app.driver, 'night school', 'after');
    await type(app.driver, ' tonight');
    await says(app.driver, 'All changes saved');
    await app.driver.switchTo().window(here);
    await eventually(app.driver, 'the other window’s word', async () =>
      (await lines(app.driver))[0]?.includes('night school tonight'),
    );

    await app.services.stopServer();
    await caretAt(app.driver, 'Ahoy', 'after');
    await type(app.driver, ' HERE');
    await app.driver.switchTo().window(there);
    await caretAt(app.driver, 'Ahoy', 'after');
    await type(app.driver, ' THERE');
    await app.services.startServer();
    for (const window of [there, here]) {
      await app.driver.switchTo().window(window);
      await eventually(app.driver, 'both words in this window', async () =>
        /(?=.*HERE)(?=.*THERE)/.test((await lines(app.driver))[0] ?? ''),
      );
      await says(app.driver, 'All changes saved');
    }
  });
});
