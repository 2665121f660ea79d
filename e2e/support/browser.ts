/** A headless Chromium, and ways to wait for states of the page. */
import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, By, Key, until, type WebDriver, type WebElement } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';

export { By, Key, until, type WebDriver, type WebElement };

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
  options.setChromeBinaryPath('/usr/bin/chromium');
  options.addArguments(
    '--headless=new',
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
    '--window-size=1280,900',
  );
  options.setUserPreferences({ 'download.default_directory': downloads });
  adjust?.(options);
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new chrome.ServiceBuilder('/usr/bin/chromedriver'))
    .build();
  return { driver, downloads };
}

/** Waits until something holds; the message says what was waited for. */
export async function eventually<T>(
  driver: WebDriver,
  what: string,
  look: () => Promise<T | null | undefined | false>,
): Promise<T> {
  const found = await driver.wait(
    async () => {
      try {
        return await look();
      } catch (error) {
        // The page may redraw between finding an element and reading it.
        if (
          error instanceof Error &&
          /stale|no such element|not interactable|intercepted/i.test(error.name + error.message)
        )
          return null;
        throw error;
      }
    },
    patience,
    `Waited in vain for: ${what}`,
  );
  return found as T;
}

export const see = (driver: WebDriver, css: string): Promise<WebElement> =>
  Promise.resolve(driver.wait(until.elementLocated(By.css(css)), patience, `Waited in vain for ${css}`));

/** Clicks the visible button or link that says this. */
export async function press(driver: WebDriver, says: string): Promise<void> {
  await eventually(driver, `a button that says “${says}”`, async () => {
    for (const element of await driver.findElements(By.css('button, a'))) {
      if (
        (await element.isDisplayed()) &&
        (await element.getText()).trim().startsWith(says) &&
        (await element.isEnabled())
      ) {
        await element.click();
        return true;
      }
    }
    return false;
  });
}

/** Waits for text to stand somewhere on the page. */
export const says = (driver: WebDriver, text: string | RegExp): Promise<string> =>
  eventually(driver, `the page to say ${String(text)}`, async () => {
    const all = await driver.findElement(By.css('body')).getText();
    return (typeof text === 'string' ? all.includes(text) : text.test(all)) ? all : null;
  });

/** The caption lines on the text surface, as shown. */
export async function lines(driver: WebDriver): Promise<string[]> {
  return driver.executeScript<string[]>('return [...document.querySelectorAll(".cm-line")].map((l) => l.textContent)');
}

/** Puts the text cursor before or after a piece of text on the surface, by clicking there; the text is brought into sight first. */
export async function caretAt(driver: WebDriver, text: string, side: 'before' | 'after'): Promise<void> {
  const spot = await eventually(driver, `“${text}” on the surface`, () =>
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
         // What floats over the foot of the page must not take the click.
         if (y > seen.top + 10 && y < seen.bottom - 70) return { x: Math.round(box.left), y };
         scroller.scrollTop += y - (seen.top + seen.bottom) / 2;
         if (scroller.scrollTop === 0 && y > seen.top + 4 && y < seen.bottom) return { x: Math.round(box.left), y };
         return null;
       }
       // Not drawn: from the top, then a page at a time.
       scroller.scrollTop = scroller.scrollTop + seen.height >= scroller.scrollHeight - 4 ? 0 : scroller.scrollTop + seen.height * 0.8;
       return null;`,
      text,
      side,
    ),
  );
  await driver.actions().move(spot).click().perform();
}

export const type = (driver: WebDriver, ...keys: string[]): Promise<void> =>
  driver
    .actions()
    .sendKeys(...keys)
    .perform();

/** Presses a key with Ctrl, and Shift where asked. */
export async function control(driver: WebDriver, key: string, shift = false): Promise<void> {
  const actions = driver.actions().keyDown(Key.CONTROL);
  if (shift) actions.keyDown(Key.SHIFT);
  actions.sendKeys(key);
  if (shift) actions.keyUp(Key.SHIFT);
  await actions.keyUp(Key.CONTROL).perform();
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
