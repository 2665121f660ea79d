/** The text surface under scripts, input methods and odd text: what is shown is what the track says, and the server has it. */
import { caption, type Caption, type Track } from '../core/track/caption.ts';
import type { Job } from '../core/job/job.ts';
import {
  caretAt,
  control,
  devTools,
  eventually,
  Key,
  lines,
  openBrowser,
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
let track: string;
const texts = ['القناة مغلقة\nحتى الصباح', '水門が開きます', 'plain words', 'last one'];

const ask = async <T>(method: string, path: string, body?: object): Promise<T> => {
  const response = await fetch(`${services.address}/api${path}`, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body ? { body: JSON.stringify(body) } : {}),
  });
  return (await response.json()) as T;
};
const kept = async (): Promise<string[]> => {
  await says(driver, 'All changes kept');
  return (await ask<Track>('GET', `/tracks/${track}`)).captions.map((c) => c.text);
};

beforeAll(async () => {
  services = await startServices();
  opened = await openBrowser();
  driver = opened.driver;
  const job = await ask<Job>('POST', '/jobs', { title: 'Many scripts', language: 'ar', style: 'lecture-38' });
  ({ id: track } = await ask<{ id: string }>('POST', `/jobs/${job.id}/tracks`, {
    kind: 'captions',
    language: 'ar',
    name: 'fair copy',
  }));
  const captions: Caption[] = texts.map((text, i) =>
    caption({ id: `c${String(i)}`, start: i * 3000, end: i * 3000 + 2500, text }),
  );
  await ask('POST', `/tracks/${track}/edits`, { id: 'first', base: 0, edits: [{ type: 'insert', captions }] });
  await driver.get(`${services.address}/jobs/${job.id}/words`);
  await see(driver, '.cm-line');
});
afterAll(async () => {
  await driver.quit();
  await services.stop();
});

it('shows right-to-left captions from the right, and counts what a reader sees', async () => {
  expect(await lines(driver)).toEqual(texts.join('\n').split('\n'));
  const direction = await driver.executeScript<string>(
    'return getComputedStyle(document.querySelector(".cm-line")).direction',
  );
  expect(direction).toBe('rtl');
  expect(await driver.executeScript<string>('return document.querySelector(".margin-length").textContent')).toBe('12');
});

it('takes text from an input method while it composes, as one step', async () => {
  await caretAt(driver, '開きます', 'after');
  for (const text of ['n', 'に', 'にほ', '日本']) {
    await devTools(driver, 'Input.imeSetComposition', {
      text,
      selectionStart: text.length,
      selectionEnd: text.length,
    });
  }
  await devTools(driver, 'Input.insertText', { text: '日本' });
  await eventually(driver, 'the composed text', async () => (await lines(driver)).includes('水門が開きます日本'));
  expect((await kept())[1]).toBe('水門が開きます日本');
});

it('lets somebody else’s change wait until the composing is done, and loses neither', async () => {
  await caretAt(driver, '水門', 'before');
  await devTools(driver, 'Input.imeSetComposition', { text: 'よ', selectionStart: 1, selectionEnd: 1 });
  const { edit } = await ask<Track>('GET', `/tracks/${track}`);
  const other = { type: 'splice', id: 'c1', from: 0, to: 2, insert: '閘門' };
  await ask('POST', `/tracks/${track}/edits`, { id: 'other', base: edit, edits: [other] });
  await devTools(driver, 'Input.imeSetComposition', { text: '夜', selectionStart: 1, selectionEnd: 1 });
  expect((await lines(driver)).some((l) => l.startsWith('夜水門'))).toBe(true);
  await devTools(driver, 'Input.insertText', { text: '夜の' });
  await eventually(driver, 'both changes', async () => {
    const line = (await lines(driver)).find((l) => l.includes('開きます')) ?? '';
    return line.includes('夜の') && line.includes('閘門');
  });
  const now = (await kept())[1] ?? '';
  expect(now).toContain('夜の');
  expect(now).toContain('閘門');
  await type(driver, Key.END);
});

it('takes emoji and pasted lines, and takes them back one step at a time', async () => {
  await caretAt(driver, 'plain', 'after');
  await devTools(driver, 'Input.insertText', { text: ' 👩‍👩‍👧‍👦' });
  await eventually(driver, 'the family', async () => (await lines(driver)).includes('plain 👩‍👩‍👧‍👦 words'));
  await control(driver, Key.END);
  await driver.executeScript(`const data = new DataTransfer(); data.setData('text/plain', ' and\\r\\nmore');
    document.querySelector('.cm-content').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`);
  await eventually(
    driver,
    'the pasted lines',
    async () => (await lines(driver)).slice(-2).join('|') === 'last one and|more',
  );
  expect((await kept())[3]).toBe('last one and\nmore');
  await control(driver, 'z');
  await eventually(driver, 'the paste taken back', async () => (await lines(driver)).at(-1) === 'last one');
});

it('selects over captions and types over them without leaving the track and the page apart', async () => {
  await caretAt(driver, 'plain', 'before');
  await driver
    .actions()
    .keyDown(Key.CONTROL)
    .keyDown(Key.SHIFT)
    .sendKeys(Key.END)
    .keyUp(Key.SHIFT)
    .keyUp(Key.CONTROL)
    .perform();
  await type(driver, 'new');
  await eventually(driver, 'the words typed over', async () => (await lines(driver)).at(-1) === 'new');
  expect((await kept()).slice(-1)).toEqual(['new']);
  expect(await kept()).toHaveLength(3);
  await control(driver, 'z');
  await control(driver, 'z');
  await eventually(driver, 'all of it back', async () => (await lines(driver)).at(-1) === 'last one');
  expect((await kept()).length).toBe(4);
});
