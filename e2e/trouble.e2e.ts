/** Bad files, places that refuse, a server that stops: each is said plainly, and nothing that was kept is lost. */
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import {
  By,
  caretAt,
  eventually,
  lines,
  openBrowser,
  press,
  says,
  see,
  type,
  type Opened,
  type WebDriver,
} from './support/browser.ts';
import { startServices, type Services } from './support/services.ts';

let services: Services;
let opened: Opened;
let driver: WebDriver;
beforeAll(async () => {
  services = await startServices({ FENWIX_LARGEST_RECORDING: '3000000' });
  opened = await openBrowser();
  driver = opened.driver;
});
afterAll(async () => {
  await driver.quit();
  await services.stop();
});

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
  const inputs = await driver.findElements(By.css('input[type=file]'));
  await inputs[nth]?.sendKeys(path);
};
const jobs = async (): Promise<number> =>
  ((await (await fetch(`${services.address}/api/jobs`)).json()) as unknown[]).length;
const openJob = async (): Promise<void> => {
  await driver.get(services.address);
  await (await see(driver, '.row-link')).click();
  await see(driver, '.cm-line');
};

describe('bringing in', () => {
  beforeAll(async () => {
    await driver.get(`${services.address}/new`);
    await see(driver, 'input[type=file]');
  });

  it.each([
    [
      'a recording the browser cannot play',
      0,
      () => file('notes.webm', 'these are not moving pictures'),
      /cannot play “notes\.webm”\. Nothing was brought in/,
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
    await says(driver, expected);
    expect(await jobs()).toBe(1);
  });

  it('makes a job of a good recording and a good draft all the same', async () => {
    await choose(0, recording);
    await says(driver, /✓ recording\.webm: 2 min/);
    await choose(1, draft);
    await says(driver, /machine-draft\.ctm \d+ captions · 2 min \d+ s · with word times/);
    await press(driver, 'Make the job');
    await see(driver, '.cm-line');
    expect(await jobs()).toBe(2);
    await eventually(
      driver,
      'the picture',
      async () =>
        (await driver.executeScript<number>('return document.querySelector(".picture video").videoWidth')) === 1280,
    );
  });

  it('takes an SRT from elsewhere and says what it mended', async () => {
    await driver.get(`${services.address}/new`);
    await see(driver, 'input[type=file]');
    await choose(1, file('from-elsewhere.srt', '1\n00:00:02,000 --> 00:00:01,000\nMind the edge.\n'));
    await says(
      driver,
      /from-elsewhere\.srt 1 caption · 2 s[^]*1 thing was not as they should be[^]*The end came before the start; the two were exchanged\. line 2/,
    );
  });
});

describe('handing over', () => {
  const behave = (how: object) =>
    fetch(`${services.host}/behave`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', authorization: `Bearer ${services.token}` },
      body: JSON.stringify(how),
    });

  it('says why a place refuses, and that it is away', async () => {
    await openJob();
    await (await see(driver, 'a[href$="/handover"]')).click();
    await press(driver, 'Put the recording there');
    await eventually(
      driver,
      'the recording chosen there',
      async () =>
        (await driver.executeScript<string>(
          'return document.querySelector(".cell select").selectedOptions[0].textContent',
        )) === 'recording',
    );
    await behave({ refuse: 'this account is over its quota' });
    await press(driver, 'Send');
    await says(driver, 'Quayside refused: this account is over its quota. Your captions are safe here');
    await services.stopHost();
    await press(driver, 'Send');
    await says(driver, 'Quayside cannot be reached. Your captions are safe here and nothing was sent');
    expect(await driver.findElement(By.css('.cell')).getText()).toContain('Nothing sent');
  });
});

describe('the server stops while somebody edits', () => {
  it('says so, keeps the words in the browser, and delivers them when it is back', async () => {
    await openJob();
    await services.stopServer();
    await caretAt(driver, 'welcome', 'before');
    await type(driver, 'Ahoy ');
    await says(driver, /Server away: \d+ changes? kept in this browser/);
    expect((await lines(driver))[0]).toMatch(/^Ahoy welcome/);
    await (await see(driver, 'a[href$="/checks"]')).click();
    await says(driver, 'against Lecture 38');
    await (await see(driver, 'a[href$="/handover"]')).click();
    await says(driver, 'The Fenwix server does not answer. What was kept is safe');
    await (await see(driver, 'a[href$="/words"]')).click();
    await services.startServer();
    await says(driver, 'All changes kept');
    await driver.navigate().refresh();
    await see(driver, '.cm-line');
    expect((await lines(driver))[0]).toMatch(/^Ahoy welcome/);
  });

  it('delivers what a page left behind when it was closed before the server came back', async () => {
    await services.stopServer();
    await caretAt(driver, 'Ahoy', 'after');
    await type(driver, ' there');
    await says(driver, /Server away: \d+ changes? kept in this browser/);
    const address = await driver.getCurrentUrl();
    await driver.get('about:blank');
    await services.startServer();
    await driver.get(address);
    await see(driver, '.cm-line');
    await says(driver, 'All changes kept');
    expect((await lines(driver))[0]).toMatch(/^Ahoy there welcome/);
  });
});

describe('two windows on one track', () => {
  it('show each other’s changes, and lose no word of either', async () => {
    const here = await driver.getWindowHandle();
    const address = await driver.getCurrentUrl();
    await driver.switchTo().newWindow('window');
    await driver.get(address);
    await see(driver, '.cm-line');
    const there = await driver.getWindowHandle();
    await caretAt(driver, 'night school', 'after');
    await type(driver, ' tonight');
    await says(driver, 'All changes kept');
    await driver.switchTo().window(here);
    await eventually(driver, 'the other window’s word', async () =>
      (await lines(driver))[0]?.includes('night school tonight'),
    );

    await services.stopServer();
    await caretAt(driver, 'Ahoy', 'after');
    await type(driver, ' HERE');
    await driver.switchTo().window(there);
    await caretAt(driver, 'Ahoy', 'after');
    await type(driver, ' THERE');
    await services.startServer();
    for (const window of [there, here]) {
      await driver.switchTo().window(window);
      await eventually(driver, 'both words in this window', async () =>
        /(?=.*HERE)(?=.*THERE)/.test((await lines(driver))[0] ?? ''),
      );
      await says(driver, 'All changes kept');
    }
  });
});
