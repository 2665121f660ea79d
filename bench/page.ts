/**
 * A track of 5,000 captions in the real page, measured through the browser's own performance trace: what
 * the main thread did for each key, for scrolling, for the other reading, for replacing everywhere.
 */
import { median } from 'd3-array';
import { longTrack } from '../demo/long-track.ts';
import { asking, jobWith } from '../e2e/support/ask.ts';
import { until } from 'selenium-webdriver';
import { By, Key, openBrowser, press } from '../e2e/support/browser.ts';
import { serveBareSurface } from './bare-surface.ts';
import { startServices } from '../e2e/support/services.ts';
import { answers, longest, tasksBetween, total, trace, traced, type Figure, type TraceEvent } from './trace.ts';

const captions = 5000;
const keys = 100;
const nineteenInTwenty = (all: readonly number[]): number =>
  [...all].sort((a, b) => a - b)[Math.ceil(all.length * 0.95) - 1] ?? 0;

/** So often the page is opened and measured; the median of each figure counts, since machines pause of their own accord. */
const rounds = 5;

/** How many times as long as a bare text surface with the same text, in the same round. */
export interface Ratio {
  readonly name: string;
  readonly ratio: number;
  readonly most: number;
}

interface Round {
  readonly figures: readonly Figure[];
  readonly ratios: readonly Ratio[];
}

/** Measures the page. @throws {Error} where there is no browser or no build */
export async function pageFigures(): Promise<Round> {
  const all: Round[] = [];
  for (let n = 0; n < rounds; n++) all.push(await oneRound());
  const [first] = all;
  return {
    figures: (first?.figures ?? []).map((figure, i) => ({
      ...figure,
      ms: median(all.map((round) => round.figures[i]?.ms ?? NaN)) ?? NaN,
    })),
    ratios: (first?.ratios ?? []).map((ratio, i) => ({
      ...ratio,
      ratio: median(all.map((round) => round.ratios[i]?.ratio ?? NaN)) ?? NaN,
    })),
  };
}

/** From one key until the frame that shows it is painted: marked by the page itself, so that what the driver asks of it is not counted. */
const markKeys = `let n = 0; addEventListener('keydown', () => {
  const key = n++;
  performance.mark('key ' + key);
  requestAnimationFrame(() => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => performance.mark('done ' + key);
    port2.postMessage(null);
  });
}, true);`;
const scroll = `const done = arguments[0]; const scroller = document.querySelector('.cm-scroller'); let n = 0;
  const step = () => { scroller.scrollTop += 400; if (++n < 60) requestAnimationFrame(step); else done(); }; step();`;

async function oneRound(): Promise<Round> {
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
    const track = longTrack(captions);
    const { job } = await jobWith(ask, 'A long evening', track);
    const events: TraceEvent[] = [];
    /** Takes over what was traced up to a mark, before the driver’s log is full: not every answer of it has what there is. */
    const collect = async (upTo: string): Promise<void> => {
      for (let n = 0; n < answers && !events.some((e) => e.name === upTo); n++) events.push(...(await trace(driver)));
    };
    await driver.get(services.address);
    await driver.wait(until.elementLocated(By.css('.row')), 20_000);
    await driver.get(`${services.address}/jobs/${job}/words`);
    await driver.wait(until.elementLocated(By.css('.cm-line')), 20_000);
    const opened = await driver.executeScript<number>(
      `return performance.getEntriesByType('paint').find((p) => p.name === 'first-contentful-paint').startTime;`,
    );
    const shown = await driver.executeScript<number>('return performance.now()');
    await settled();
    await mark('opened');
    await collect('opened');
    await driver.findElement(By.css('.cm-line')).click();
    await driver.executeScript(markKeys);
    const write = async (): Promise<void> => {
      for (let n = 0; n < keys; n++) {
        await driver
          .actions()
          .sendKeys(n % 6 === 5 ? ' ' : 'a')
          .perform();
        await settled();
      }
    };
    await mark('typing');
    await write();
    await mark('typed');
    await collect('typed');
    await mark('scrolling');
    await driver.executeAsyncScript(scroll);
    await mark('scrolled');
    await settled();
    await mark('reading otherwise');
    await press(driver, 'Running text');
    await settled();
    await mark('read otherwise');
    await collect('read otherwise');
    await driver.findElement(By.css('.cm-line')).click();
    await mark('typing there');
    await write();
    await mark('typed there');
    await collect('typed there');
    await press(driver, 'Line by line');
    await settled();
    await driver.actions().keyDown(Key.CONTROL).sendKeys('f').keyUp(Key.CONTROL).perform();
    await driver.wait(until.elementLocated(By.id('find-text')), 20_000);
    await mark('asking');
    await collect('asking');
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
    await collect('replaced');
    /** The work of each key from the first of them on. */
    const worked = (first: number, of = events): number[] =>
      Array.from({ length: keys }, (_, n) => String(first + n)).map((n) =>
        total(tasksBetween(of, `key ${n}`, `done ${n}`)),
      );
    const bare = await serveBareSurface(track.map((c) => c.text).join('\n'));
    const floorEvents: TraceEvent[] = [];
    await driver.get(bare.address);
    await driver.wait(until.elementLocated(By.css('.cm-line')), 20_000);
    const bareShown = await driver.executeScript<number>('return performance.now()');
    await settled();
    await driver.findElement(By.css('.cm-line')).click();
    await driver.executeScript(markKeys);
    await write();
    await mark('bare scrolling');
    await driver.executeAsyncScript(scroll);
    await mark('bare scrolled');
    await settled();
    for (let n = 0; n < answers && !floorEvents.some((e) => e.name === 'bare scrolled'); n++)
      floorEvents.push(...(await trace(driver)));
    bare.stop();
    const key = nineteenInTwenty(worked(0));
    const scrolled = longest(tasksBetween(events, 'scrolling', 'scrolled'));
    const ratios: readonly Ratio[] = [
      { name: 'a key', ratio: key / nineteenInTwenty(worked(0, floorEvents)), most: 2 },
      {
        name: 'scrolling',
        ratio: scrolled / longest(tasksBetween(floorEvents, 'bare scrolling', 'bare scrolled')),
        most: 2,
      },
      { name: 'opening', ratio: shown / bareShown, most: 3 },
    ];
    const figures: readonly Figure[] = [
      { name: 'opening: first paint', ms: opened, most: null },
      { name: 'opening: to the first caption, at the most', ms: shown, most: 1500 },
      { name: 'typing: the work of a key, 95 of 100', ms: key, most: 16 },
      { name: 'typing: the longest task', ms: longest(tasksBetween(events, 'typing', 'typed')), most: 50 },
      { name: 'scrolling: the longest task', ms: scrolled, most: 32 },
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
      { name: 'typing in running text: the work of a key, 95 of 100', ms: nineteenInTwenty(worked(keys)), most: 16 },
      {
        name: 'typing in running text: the longest task',
        ms: longest(tasksBetween(events, 'typing there', 'typed there')),
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
    return { figures, ratios };
  } finally {
    await driver.quit();
    await services.stop();
  }
}
