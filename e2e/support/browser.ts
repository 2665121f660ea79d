/** A headless Chromium (its build without windows takes a quarter less of the processor), and ways to wait for states of the page. */
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, By, Key, type WebDriver, type WebElement } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';

export { By, Key, type WebDriver, type WebElement };

/** Long enough for a machine that is busy with something else; states are waited for, so that nothing takes longer for it. */
const patience = 60_000;

export interface Opened {
  readonly driver: WebDriver;
  /** Where the browser puts downloads. */
  readonly downloads: string;
}

/** @param adjust sets what is wanted besides */
export async function openBrowser(adjust?: (options: chrome.Options) => void): Promise<Opened> {
  const downloads = mkdtempSync(join(tmpdir(), 'fenwix-downloads-'));
  const options = new chrome.Options();
  // Not by the script in /usr/bin: its child would live on when that is ended.
  options.setChromeBinaryPath('/usr/lib/chromium/chromium-headless-shell');
  options.addArguments(
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-dev-shm-usage',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-quic',
    '--no-first-run',
    '--mute-audio',
    '--autoplay-policy=no-user-gesture-required',
    // Two processors have enough to do without painting side by side: a fifteenth less of them.
    '--num-raster-threads=1',
    '--window-size=1280,900',
  );
  options.setUserPreferences({ 'download.default_directory': downloads });
  adjust?.(options);
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
    .build();
  await devTools(driver, 'Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: downloads });
  return { driver, downloads };
}

/** How long to wait before looking again, in ms: soon at first, and less often the longer it takes, since looking costs the page time. */
const [firstPause, longestPause, longer] = [15, 200, 1.3];

/** What a person would see of the page and where the keyboard is, for the message of a test that failed. */
async function shownBy(driver: WebDriver): Promise<string> {
  try {
    return await driver.executeScript<string>(
      `const held = document.activeElement;
       return location.pathname + ', keyboard in ' + (held ? held.outerHTML.slice(0, 120) : 'nothing') + ', shown: ' +
         document.body.innerText.replace(/\\s*\\n\\s*/g, ' | ').slice(0, 1500);`,
    );
  } catch (error) {
    return `a page that cannot be asked: ${String(error)}`;
  }
}

/** What is said where something is not on the page yet, or was drawn anew between being found and being read. */
const notThere = /stale|no such element|not interactable|intercepted|properties of (null|undefined)/i;

/**
 * Waits until something holds.
 * @param progress tells how far work has come: as long as that changes, however slowly, there is no end to patience
 * @throws {Error} saying what was waited for in vain, and what the page showed instead
 */
export async function eventually<T>(
  driver: WebDriver,
  what: string,
  look: () => Promise<T | null | undefined | false>,
  progress: () => Promise<unknown> = () => Promise.resolve(null),
): Promise<T> {
  let until = Date.now() + patience;
  let reached = await progress();
  let pause = firstPause;
  let trouble = '';
  for (;;) {
    try {
      const found = await look();
      if (found !== null && found !== undefined && found !== false) return found;
      trouble = '';
    } catch (error) {
      if (!(error instanceof Error) || !notThere.test(error.name + error.message)) throw error;
      trouble = ` (${error.message})`;
    }
    const now = await progress();
    if (now !== reached) [reached, until] = [now, Date.now() + patience];
    if (Date.now() > until) throw new Error(`Waited in vain for ${what}${trouble}\n${await shownBy(driver)}`);
    await new Promise((resolve) => setTimeout(resolve, pause));
    pause = Math.min(longestPause, pause * longer);
  }
}

export const see = (driver: WebDriver, css: string): Promise<WebElement> =>
  eventually(driver, css, async () => (await driver.findElements(By.css(css)))[0]);

/** Clicks the visible button, link or choice that says this. */
export async function press(driver: WebDriver, says: string): Promise<void> {
  await eventually(driver, `a button that says “${says}”`, async () => {
    const button = await driver.executeScript<WebElement | null>(
      `return [...document.querySelectorAll('button, a, label.ant-radio-button-wrapper, label.ant-checkbox-wrapper')].find((each) =>
         each.innerText.trim().startsWith(arguments[0]) && !each.disabled && each.checkVisibility({ visibilityProperty: true })) ?? null;`,
      says,
    );
    await button?.click();
    return button !== null;
  });
}

/** The share of the work that is done, as the page tells it; null where it tells none. */
export const shareDone = (driver: WebDriver): Promise<string | null> =>
  driver.executeScript<string | null>(
    `return document.querySelector('[role=progressbar]')?.getAttribute('aria-valuenow') ?? null`,
  );

/** Waits for text to stand somewhere on the page. */
export const says = (driver: WebDriver, text: string | RegExp): Promise<string> =>
  eventually(driver, `the page to say ${String(text)}`, async () => {
    const all = await driver.executeScript<string>(`return document.body.innerText.replaceAll('\\u00a0', ' ')`);
    return (typeof text === 'string' ? all.includes(text) : text.test(all)) ? all : null;
  });

/** Waits until all is saved, which the key of “Save now” brings about without the pause in which typing gathers. */
export async function saved(driver: WebDriver): Promise<void> {
  await driver.executeScript(
    `document.body.dispatchEvent(
       new KeyboardEvent('keydown', { key: 's', code: 'KeyS', ctrlKey: true, bubbles: true, cancelable: true }));`,
  );
  await says(driver, 'All changes saved');
}

/** The caption lines on the text surface, as shown. */
export async function lines(driver: WebDriver): Promise<string[]> {
  return driver.executeScript<string[]>('return [...document.querySelectorAll(".cm-line")].map((l) => l.textContent)');
}

/** Where a piece of text begins or ends on the screen; it is brought into sight first, from wherever the surface stands. */
function spotOf(driver: WebDriver, text: string, side: 'before' | 'after'): Promise<{ x: number; y: number }> {
  return eventually(driver, `“${text}” on the surface`, () =>
    driver.executeScript<{ x: number; y: number } | null>(
      `const scroller = document.querySelector('.cm-scroller');
       const seen = scroller.getBoundingClientRect();
       for (const line of document.querySelectorAll('.cm-line')) {
         const at = line.textContent.indexOf(arguments[0]);
         if (at < 0) continue;
         let left = arguments[1] === 'before' ? at : at + arguments[0].length;
         const walker = document.createTreeWalker(line, NodeFilter.SHOW_TEXT);
         let node = walker.nextNode();
         while (left > node.data.length) { left -= node.data.length; node = walker.nextNode(); }
         const range = document.createRange();
         range.setStart(node, left); range.setEnd(node, left);
         const box = range.getBoundingClientRect();
         const y = Math.round((box.top + box.bottom) / 2);
         const x = Math.round(box.left);
         const isFree = () => scroller.contains(document.elementFromPoint(x, y));
         // What floats over the foot of the page must not take the click, nor a dialog that is just going.
         if (y > seen.top + 10 && y < seen.bottom - 70) return isFree() ? { x, y } : null;
         scroller.scrollTop += y - (seen.top + seen.bottom) / 2;
         if (scroller.scrollTop === 0 && y > seen.top + 4 && y < seen.bottom && isFree()) return { x, y };
         return null;
       }
       // Not drawn: from the top, then a page at a time.
       scroller.scrollTop = scroller.scrollTop + seen.height >= scroller.scrollHeight - 4 ? 0 : scroller.scrollTop + seen.height * 0.8;
       return null;`,
      text,
      side,
    ),
  );
}

/** Puts the text cursor before or after a piece of text on the surface, by clicking there. */
export async function caretAt(driver: WebDriver, text: string, side: 'before' | 'after'): Promise<void> {
  const spot = await spotOf(driver, text, side);
  await driver
    .actions()
    .move({ ...spot, duration: 0 })
    .click()
    .perform();
}

/** Presses a piece of text on the surface with Ctrl, at its end. */
export async function pressWithControl(driver: WebDriver, text: string): Promise<void> {
  const spot = await spotOf(driver, text, 'after');
  await driver
    .actions()
    .keyDown(Key.CONTROL)
    .move({ ...spot, duration: 0 })
    .click()
    .keyUp(Key.CONTROL)
    .perform();
}

export const type = (driver: WebDriver, ...keys: string[]): Promise<void> =>
  driver
    .actions()
    .sendKeys(...keys)
    .perform();

/** Presses keys while others are held: `holding(driver, [Key.ALT, Key.SHIFT], Key.ARROW_UP)`. */
export async function holding(driver: WebDriver, others: readonly string[], ...keys: string[]): Promise<void> {
  const actions = driver.actions();
  for (const key of others) actions.keyDown(key);
  actions.sendKeys(...keys);
  for (const key of [...others].reverse()) actions.keyUp(key);
  await actions.perform();
}

/** Presses a key with Ctrl, and Shift where asked. */
export const control = (driver: WebDriver, key: string, shift = false): Promise<void> =>
  holding(driver, shift ? [Key.CONTROL, Key.SHIFT] : [Key.CONTROL], key);

/** Runs the first command of this name from the finder. A dialog is open until the server has what was saved, and as long no command has its key. */
export async function runCommand(driver: WebDriver, title: string): Promise<void> {
  await eventually(driver, 'no dialog', () =>
    driver.executeScript<boolean>(
      `return [...document.querySelectorAll('.ant-modal')].every((dialog) => !dialog.checkVisibility())`,
    ),
  );
  await control(driver, 'k');
  await type(driver, title, Key.ENTER);
}

/** Waits for a finished download and gives its name and bytes. */
export async function downloaded(
  { driver, downloads }: Opened,
  ending: string,
): Promise<{ name: string; text: string }> {
  const name = await eventually(driver, `a download ending in ${ending}`, () =>
    Promise.resolve(readdirSync(downloads).find((f) => f.endsWith(ending))),
  );
  return { name, text: readFileSync(join(downloads, name), 'utf8') };
}

/** What the browser complained of, leaving out requests that were meant to fail. */
export async function complaints(driver: WebDriver): Promise<string[]> {
  const entries = await driver.manage().logs().get('browser');
  return entries
    .filter((e) => e.level.name === 'SEVERE' && !e.message.includes('Failed to load resource'))
    .map((e) => e.message);
}

/** A command of the browser's own debugging protocol; the driver has it, its types do not. */
export async function devTools(driver: WebDriver, command: string, parameters: object): Promise<void> {
  await (
    driver as unknown as { sendDevToolsCommand: (name: string, values: object) => Promise<void> }
  ).sendDevToolsCommand(command, parameters);
}

/** Chooses from a list that opens: the one called so, of the field with this name. */
export async function pick(driver: WebDriver, field: string, title: string): Promise<void> {
  const input = await see(driver, `.select-field input[aria-label="${field}"]`);
  await driver.executeScript(
    'arguments[0].closest(".ant-select-selector").dispatchEvent(new MouseEvent("mousedown", { bubbles: true }))',
    input,
  );
  await eventually(driver, `“${title}” in the list of ${field}`, async () => {
    const option = await driver.executeScript<WebElement | null>(
      `return [...document.querySelectorAll('.ant-select-dropdown:not([style*="display: none"]) [role=option]')]
         .find((each) => each.innerText.trim() === arguments[0]) ?? null;`,
      title,
    );
    await option?.click();
    return option !== null;
  });
}

/** What is chosen in the field with this name. */
export const picked = (driver: WebDriver, field: string): Promise<string | null> =>
  driver.executeScript<string | null>(
    `return document.querySelector('.select-field input[aria-label="' + arguments[0] + '"]')
       ?.closest('.ant-select')?.querySelector('.ant-select-selection-item')?.innerText ?? null;`,
    field,
  );
