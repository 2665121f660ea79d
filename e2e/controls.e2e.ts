/** Every control by keyboard and by ear, in both themes, open and closed, under the policy of the pages. */
import fastify, { type FastifyInstance } from 'fastify';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pages } from '../server/pages/routes.ts';
import { violations } from './support/axe.ts';
import {
  complaints,
  eventually,
  Key,
  openBrowser,
  pick,
  picked,
  press,
  see,
  type,
  type Opened,
} from './support/browser.ts';

const folder = mkdtempSync(join(tmpdir(), 'fenwix-controls-'));
let server: FastifyInstance;
let opened: Opened;
let address: string;

beforeAll(async () => {
  execFileSync(process.execPath, ['scripts/controls-page.mjs', folder]);
  server = fastify();
  await pages(server, { web: folder });
  await server.listen({ port: 0, host: '127.0.0.1' });
  address = `http://127.0.0.1:${String((server.server.address() as AddressInfo).port)}/`;
  opened = await openBrowser();
});
afterAll(async () => {
  await opened.driver.quit();
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

/** The page again, in a theme. */
async function fresh(theme: 'light' | 'dark' = 'light'): Promise<void> {
  await opened.driver.get(`${address}?theme=${theme}`);
  await see(opened.driver, '.page');
}
const said = (word: string): Promise<boolean> =>
  eventually(
    opened.driver,
    `“${word}” said`,
    async () => (await (await see(opened.driver, '#said')).getText()) === word,
  );
/** What has the keyboard, by its words or its name. */
const held = (name: string): Promise<boolean> =>
  eventually(opened.driver, `the keyboard on ${name}`, () =>
    opened.driver.executeScript<boolean>(
      `const held = document.activeElement;
       return held.getAttribute('aria-label') === arguments[0] || held.innerText?.trim().startsWith(arguments[0]) === true;`,
      name,
    ),
  );
const focus = (css: string): Promise<void> =>
  opened.driver.executeScript('document.querySelector(arguments[0]).focus()', css);
const list = '.ant-select-dropdown:not([style*="display: none"])';

describe.each(['light', 'dark'] as const)('in the %s theme', (theme) => {
  it('has nothing for axe to find, closed or open, and nothing against the policy', async () => {
    await fresh(theme);
    expect(await violations(opened.driver)).toEqual([]);
    await press(opened.driver, 'More');
    await see(opened.driver, '[role=menuitem]');
    expect(await violations(opened.driver)).toEqual([]);
    await type(opened.driver, Key.ESCAPE);
    await focus('input[aria-label=Lock]');
    await type(opened.driver, Key.ARROW_DOWN);
    await see(opened.driver, `${list} [role=option]`);
    expect(await violations(opened.driver)).toEqual([]);
    await type(opened.driver, Key.ESCAPE);
    await press(opened.driver, 'Open the dialog');
    await see(opened.driver, '[role=dialog] [role=combobox]');
    expect(await violations(opened.driver)).toEqual([]);
    expect(await complaints(opened.driver)).toEqual([]);
  });
});

describe('a menu', () => {
  it('is gone through by arrows, Home, End and letters, and gives the keyboard back', async () => {
    await fresh();
    await focus('button[aria-label="More for Lock 7"]');
    await type(opened.driver, Key.ARROW_DOWN);
    await held('Export as a file');
    await type(opened.driver, Key.ARROW_DOWN);
    await held('Delete…');
    await type(opened.driver, Key.ARROW_DOWN);
    await held('Copy');
    await type(opened.driver, Key.END);
    await held('Delete…');
    await type(opened.driver, Key.HOME);
    await held('Copy');
    await type(opened.driver, 'e');
    await held('Export as a file');
    await type(opened.driver, Key.ESCAPE);
    await held('More for Lock 7');
    await type(opened.driver, Key.ENTER);
    await held('Export as a file');
    await type(opened.driver, Key.ENTER);
    await said('export');
    await held('More for Lock 7');
  });
});

describe('a list to choose from', () => {
  it('draws a hundred of a thousand, says how many more, and is narrowed by typing', async () => {
    await fresh();
    await focus('input[aria-label=Lock]');
    await type(opened.driver, Key.ARROW_DOWN);
    await eventually(
      opened.driver,
      'a hundred and a line',
      async () => (await opened.driver.findElements({ css: `${list} [role=option]` })).length === 101,
    );
    await eventually(opened.driver, 'how many more', async () =>
      (await opened.driver.executeScript<string>('return document.body.innerText')).includes('900 more: type'),
    );
    await type(opened.driver, '99');
    await eventually(
      opened.driver,
      'those with 99 in their name',
      async () => (await opened.driver.findElements({ css: `${list} [role=option]` })).length === 19,
    );
    await eventually(opened.driver, 'the first of them pointed at', () =>
      opened.driver.executeScript<boolean>(
        `const id = document.activeElement.getAttribute('aria-activedescendant');
         return id !== null && document.getElementById(id)?.innerText.trim() === 'Lock 99';`,
      ),
    );
    await type(opened.driver, Key.ENTER);
    await eventually(
      opened.driver,
      'that one chosen, and the list closed',
      async () =>
        (await picked(opened.driver, 'Lock')) === 'Lock 99' &&
        (await opened.driver.findElements({ css: list })).length === 0,
    );
  });

  it('does not open at a chord, and Escape closes it without closing the dialog around it', async () => {
    await fresh();
    await focus('input[aria-label=Gate]');
    await opened.driver.actions().keyDown(Key.CONTROL).sendKeys('s').keyUp(Key.CONTROL).perform();
    await eventually(opened.driver, 'the list still closed', () =>
      opened.driver.executeScript<boolean>(
        `return document.querySelector('input[aria-label=Gate]').getAttribute('aria-expanded') === 'false'`,
      ),
    );
    await press(opened.driver, 'Open the dialog');
    await see(opened.driver, '[role=dialog] input[aria-label="Gate in the dialog"]');
    await focus('input[aria-label="Gate in the dialog"]');
    await type(opened.driver, Key.ARROW_DOWN);
    await see(opened.driver, `${list} [role=option]`);
    await type(opened.driver, Key.ESCAPE);
    await eventually(
      opened.driver,
      'the list closed',
      async () => (await opened.driver.findElements({ css: list })).length === 0,
    );
    expect(await (await see(opened.driver, '[role=dialog]')).isDisplayed()).toBe(true);
    await pick(opened.driver, 'Gate in the dialog', 'Upper gate');
    await type(opened.driver, Key.ESCAPE);
    await held('Open the dialog');
  });
});

it('arrows go through choices, Space folds a panel out, and a tip comes with the keyboard', async () => {
  await fresh();
  await focus('[role=radiogroup][aria-label=Reading] input');
  await type(opened.driver, Key.ARROW_RIGHT);
  await eventually(opened.driver, 'the other reading', () =>
    opened.driver.executeScript<boolean>(
      `return document.querySelector('[role=radiogroup][aria-label=Reading] input[value=text]').checked`,
    ),
  );
  await focus('.ant-collapse-header');
  await type(opened.driver, ' ');
  await eventually(opened.driver, 'the panel open', async () =>
    (await opened.driver.executeScript<string>('return document.body.innerText')).includes('The time was negative.'),
  );
  await focus('[data-tip="What it does"]');
  await type(opened.driver, Key.TAB);
  await opened.driver.actions().keyDown(Key.SHIFT).sendKeys(Key.TAB).keyUp(Key.SHIFT).perform();
  await eventually(opened.driver, 'the tip', async () =>
    (await opened.driver.executeScript<string>('return document.body.innerText')).includes('What it does'),
  );
  await type(opened.driver, Key.ESCAPE);
  await eventually(
    opened.driver,
    'the tip gone',
    async () => !(await opened.driver.executeScript<string>('return document.body.innerText')).includes('What it does'),
  );
});

describe('a form', () => {
  it('says what is wrong beside the field, to eyes and ears, once it is sent, with the keyboard in the first', async () => {
    await fresh();
    /** How the field of the boat stands: whether it is wrong, and what is said of it. */
    const boat = (): Promise<{ wrong: string | null; says: string; held: boolean }> =>
      opened.driver.executeScript(
        `const field = document.querySelector('.boat-form input');
         const said = document.getElementById(field.getAttribute('aria-describedby'));
         return { wrong: field.getAttribute('aria-invalid'), says: said?.innerText ?? '', held: document.activeElement === field };`,
      );
    expect(await boat()).toEqual({ wrong: null, says: '', held: false });
    await press(opened.driver, 'Send the boat');
    await eventually(opened.driver, 'the fault beside the field', async () => {
      const { wrong, says, held: isHeld } = await boat();
      return wrong === 'true' && says === 'Name the boat.' && isHeld;
    });
    expect(await violations(opened.driver)).toEqual([]);
    await type(opened.driver, 'Otter');
    await eventually(opened.driver, 'nothing wrong any more', async () => (await boat()).wrong === null);
    await type(opened.driver, Key.ENTER);
    await said('Otter');
  });

  it('offers what was written before, takes anything else, and keeps Escape and Enter to itself', async () => {
    await fresh();
    await focus('input[aria-label="Who speaks"]');
    await type(opened.driver, 'keeper 29');
    await eventually(
      opened.driver,
      'those that have it in their name',
      async () => (await opened.driver.findElements({ css: `${list} [role=option]` })).length === 11,
    );
    expect(await violations(opened.driver)).toEqual([]);
    await type(opened.driver, Key.ARROW_DOWN);
    await eventually(opened.driver, 'the first of them pointed at', () =>
      opened.driver.executeScript<boolean>(
        `const id = document.activeElement.getAttribute('aria-activedescendant');
         return id !== null && document.getElementById(id)?.innerText.trim() === 'Keeper 29';`,
      ),
    );
    await type(opened.driver, Key.ENTER);
    const written = (value: string): Promise<boolean> =>
      eventually(opened.driver, `“${value}” in the field`, () =>
        opened.driver.executeScript<boolean>(
          `return document.querySelector('input[aria-label="Who speaks"]').value === arguments[0]`,
          value,
        ),
      );
    await written('Keeper 29');
    await type(opened.driver, 'th');
    await written('Keeper 29th');
    await eventually(
      opened.driver,
      'the list closed where nothing is like it',
      async () => (await opened.driver.findElements({ css: list })).length === 0,
    );
  });
});
