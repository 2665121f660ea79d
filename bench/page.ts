/**
 * A track of 5,000 captions in the real page, measured through the browser's own performance trace: what
 * the main thread did for each key, for scrolling, for the other reading, for replacing everywhere.
 */
import { logging } from 'selenium-webdriver';
import type chrome from 'selenium-webdriver/chrome.js';
import { longTrack } from '../demo/long-track.ts';
import { asking, jobWith } from '../e2e/support/ask.ts';
import { By, Key, openBrowser, until, type WebDriver } from '../e2e/support/browser.ts';
import { startServices } from '../e2e/support/services.ts';

export interface Figure {
  readonly name: string;
  /** In ms. */
  readonly ms: number;
  /** What it should be at most, in ms; null where nothing is asked. */
  readonly most: number | null;
}

/** An event of the trace, as the Trace Event Format has it: times in µs. */
interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly ts: number;
  readonly dur?: number;
  readonly pid: number;
  readonly tid: number;
  readonly args?: { readonly name?: string };
}

const captions = 5000;
const keys = 100;

/** Has the browser keep its trace for us. */
function traced(options: chrome.Options): void {
  const prefs = new logging.Preferences();
  prefs.setLevel(logging.Type.PERFORMANCE, logging.Level.ALL);
  options.setLoggingPrefs(prefs);
  options.setPerfLoggingPrefs({
    enableNetwork: false,
    enablePage: false,
    traceCategories: 'toplevel,blink.user_timing,__metadata',
  } as never);
}

async function trace(driver: WebDriver): Promise<TraceEvent[]> {
  const entries = await driver.manage().logs().get(logging.Type.PERFORMANCE);
  return entries.flatMap((entry) => {
    const { message } = JSON.parse(entry.message) as { message: { method: string; params: unknown } };
    return message.method === 'Tracing.dataCollected' ? [message.params as TraceEvent] : [];
  });
}

/** Lengths of the tasks of the page's main thread between two marks, in ms. */
function tasksBetween(events: readonly TraceEvent[], from: string, to: string): number[] {
  const begin = events.find((e) => e.name === from);
  const end = events.find((e) => e.name === to);
  if (!begin || !end) throw new Error(`The trace has no marks ${from} and ${to}.`);
  return events
    .filter((e) => e.pid === begin.pid && e.tid === begin.tid && e.ph === 'X' && e.name.endsWith('RunTask'))
    .filter((e) => e.ts + (e.dur ?? 0) >= begin.ts && e.ts <= end.ts)
    .map((e) => (e.dur ?? 0) / 1000);
}

const total = (tasks: readonly number[]): number => tasks.reduce((sum, t) => sum + t, 0);
const longest = (tasks: readonly number[]): number => Math.max(0, ...tasks);
const nineteenInTwenty = (all: readonly number[]): number =>
  [...all].sort((a, b) => a - b)[Math.ceil(all.length * 0.95) - 1] ?? 0;

/** Measures the page. @throws {Error} where there is no browser or no build */
export async function pageFigures(): Promise<readonly Figure[]> {
  const services = await startServices();
  const { driver } = await openBrowser(traced);
  const mark = (name: string): Promise<void> => driver.executeScript('performance.mark(arguments[0])', name);
  /** Until the page has painted what was asked of it, and has nothing left to do. */
  const settled = (): Promise<void> =>
    driver.executeAsyncScript(
      'const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(() => requestIdleCallback(() => done())));',
    );
  try {
    const ask = asking(() => services.address);
    const { job } = await jobWith(ask, 'A long evening', longTrack(captions));
    const events: TraceEvent[] = [];
    /** Takes over what was traced so far, before the browser’s buffer is full. */
    const collect = async (): Promise<void> => void events.push(...(await trace(driver)));
    await driver.get(services.address);
    await driver.wait(until.elementLocated(By.css('.row')), 20_000);
    await driver.get(`${services.address}/jobs/${job}/words`);
    await driver.wait(until.elementLocated(By.css('.cm-line')), 20_000);
    const opened = await driver.executeScript<number>(
      `return performance.getEntriesByType('paint').find((p) => p.name === 'first-contentful-paint').startTime;`,
    );
    const shown = await driver.executeScript<number>('return performance.now()');
    await settled();
    await driver.findElement(By.css('.cm-line')).click();
    // The page marks its own keys, so that what the driver asks of it is not counted.
    await driver.executeScript(`let n = 0; addEventListener('keydown', () => {
      const key = n++;
      performance.mark('key ' + key);
      requestAnimationFrame(() => requestAnimationFrame(() => performance.mark('done ' + key)));
    }, true);`);
    for (let n = 0; n < keys; n++) {
      await driver
        .actions()
        .sendKeys(n % 6 === 5 ? ' ' : 'a')
        .perform();
      await settled();
    }
    await collect();
    await mark('scrolling');
    await driver.executeAsyncScript(`const done = arguments[0]; const scroller = document.querySelector('.cm-scroller'); let n = 0;
      const step = () => { scroller.scrollTop += 400; if (++n < 60) requestAnimationFrame(step); else done(); }; step();`);
    await mark('scrolled');
    await settled();
    await mark('reading otherwise');
    await driver.findElement(By.xpath('//button[normalize-space()="Running text"]')).click();
    await settled();
    await mark('read otherwise');
    await driver.findElement(By.xpath('//button[normalize-space()="Line by line"]')).click();
    await settled();
    await driver.actions().keyDown(Key.CONTROL).sendKeys('f').keyUp(Key.CONTROL).perform();
    await driver.wait(until.elementLocated(By.id('find-text')), 20_000);
    await collect();
    await mark('finding');
    await driver.findElement(By.id('find-text')).sendKeys('talon');
    await driver.wait(
      until.elementTextMatches(await driver.findElement(By.css('.find-standing')), /^\d{3,} found/),
      20_000,
    );
    await settled();
    await mark('found');
    await driver.findElement(By.id('find-by')).sendKeys('Tollen');
    await driver.findElement(By.xpath('//button[normalize-space()="Replace all…"]')).click();
    const change = By.xpath('//button[starts-with(normalize-space(), "Change ")]');
    await driver.wait(until.elementLocated(change), 20_000);
    await settled();
    await mark('replacing');
    await driver.findElement(change).click();
    await settled();
    await mark('replaced');
    await settled();
    await collect();
    const each = Array.from({ length: keys }, (_, n) => tasksBetween(events, `key ${String(n)}`, `done ${String(n)}`));
    const typing = each.flat();
    return [
      { name: 'opening: first paint', ms: opened, most: null },
      { name: 'opening: to the first caption, at the most', ms: shown, most: 1500 },
      { name: 'typing: the work of a key, 95 of 100', ms: nineteenInTwenty(each.map(total)), most: 16 },
      { name: 'typing: the longest task', ms: longest(typing), most: 50 },
      { name: 'scrolling: the longest task', ms: longest(tasksBetween(events, 'scrolling', 'scrolled')), most: 32 },
      {
        name: 'the other reading: all of it',
        ms: total(tasksBetween(events, 'reading otherwise', 'read otherwise')),
        most: null,
      },
      {
        name: 'the other reading: the longest task',
        ms: longest(tasksBetween(events, 'reading otherwise', 'read otherwise')),
        most: 50,
      },
      { name: 'finding: the longest task', ms: longest(tasksBetween(events, 'finding', 'found')), most: 50 },
      { name: 'replacing everywhere: all of it', ms: total(tasksBetween(events, 'replacing', 'replaced')), most: null },
      {
        name: 'replacing everywhere: the longest task',
        ms: longest(tasksBetween(events, 'replacing', 'replaced')),
        most: 50,
      },
    ];
  } finally {
    await driver.quit();
    await services.stop();
  }
}
