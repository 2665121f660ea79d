/** A track of 5,000 captions: looked over in the worker, under one style and another, repaired, reflowed. */
import { findIn } from '../core/rules/finder.ts';
import type { RuleContext } from '../core/rules/finding.ts';
import { repairAll } from '../core/rules/repairs/repairs.ts';
import { shippedStyle } from '../core/style/shipped.ts';
import { usualRate } from '../core/timing/clock/frames.ts';
import { caption } from '../core/model/caption.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { withApplication } from './support/application.ts';
import { By, control, eventually, Key, press, says, see, type, runCommand, saved } from './support/browser.ts';

const app = withApplication();
const texts = [
  'The lower gate is shut\nand the water begins to fall.',
  'We wait until it stands as low as the river below the lock, and then a little.',
  'Mind the edge, it is wet tonight.',
  'KEEPER: Nobody opens a gate\nagainst the water, and nobody hurries it.',
];
const captions = Array.from({ length: 5000 }, (_, i) =>
  caption({ id: `c${String(i)}`, start: i * 3000, end: i * 3000 + 2600, text: texts[(i * 7) % texts.length] ?? '' }),
);
const groundOf = (id: string): RuleContext => {
  const style = shippedStyle(id);
  if (!style) throw new Error(`${id} ships.`);
  return { style, rate: usualRate, length: null, language: 'en-GB' };
};
const expected = (style: string): number => findIn(captions, groundOf(style)).must;
const ask = asking(() => app.services.address);
const heading = (): Promise<string> => app.driver.findElement(By.css('.stage-bar h2')).getText();
const finds = (count: number): Promise<boolean> =>
  eventually(app.driver, `${String(count)} findings`, async () =>
    (await heading()).startsWith(`▲ ${String(count)} must`),
  );
let track: string;

beforeAll(async () => {
  const made = await jobWith(ask, 'A long evening', captions);
  ({ track } = made);
  await app.driver.get(`${app.services.address}/jobs/${made.job}/checks`);
  await see(app.driver, '.rules');
});

it('is looked over whole, and again under another style', async () => {
  await finds(expected('lecture-38'));
  await (await see(app.driver, '.head button[aria-haspopup=menu]')).click();
  await eventually(app.driver, 'Upright 17 in the menu', async () => {
    await app.driver.findElement(By.xpath('//*[@role="menuitem"][contains(., "Upright 17")]')).click();
    return true;
  });
  await finds(expected('upright-17'));
  expect(expected('upright-17')).not.toBe(expected('lecture-38'));
});

it('shows times of over an hour whole, each beside its caption', async () => {
  await app.driver.findElement(By.css('a[href$="/words"]')).click();
  await see(app.driver, '.cm-line');
  await app.driver.executeScript(`document.querySelector('.cm-scroller').scrollTop = 120000`);
  const clocks = await eventually(app.driver, 'times of over an hour', async () => {
    const all = await app.driver.executeScript<{ text: string; lines: number; inside: boolean }[]>(
      `return [...document.querySelectorAll('.margin-time')].map((clock) => {
         const range = document.createRange();
         range.selectNodeContents(clock);
         const box = range.getBoundingClientRect();
         const inside = [...document.querySelectorAll('.cm-line.row-first')].some((line) => {
           const row = line.getBoundingClientRect();
           const text = row.left + parseFloat(getComputedStyle(line).paddingLeft);
           return box.top >= row.top && box.bottom <= row.bottom && box.right <= text;
         });
         return { text: clock.textContent, lines: range.getClientRects().length, inside };
       });`,
    );
    return all.length > 10 && all.every(({ text }) => /^\d\d:\d\d:\d\d\.\d\d$/.test(text)) ? all : null;
  });
  for (const clock of clocks) expect(clock).toMatchObject({ lines: 1, inside: true });
});

it('finds by pattern in all of it, and a pattern made to run away ends as soon', async () => {
  await app.driver.findElement(By.css('a[href$="/words"]')).click();
  await see(app.driver, '.cm-line');
  await control(app.driver, 'f');
  const input = await see(app.driver, '#find-text');
  await press(app.driver, 'Pattern');
  const found = (says: RegExp): Promise<boolean> =>
    eventually(app.driver, String(says), async () =>
      says.test(await app.driver.findElement(By.css('.find-standing')).getText()),
    );
  const look = async (pattern: string): Promise<void> => {
    await input.sendKeys(Key.chord(Key.CONTROL, 'a'), pattern);
  };
  const count = (pattern: RegExp): number => captions.reduce((n, c) => n + [...c.text.matchAll(pattern)].length, 0);
  await look('(gate|water)s?\\b');
  await found(new RegExp(`^${String(count(/(gate|water)s?\b/gi))} found`));
  // Nested repeats take an engine that goes back ages over each of these lines (common practice).
  await look('(([a-z])+.)+[A-Z]([a-z])+$');
  await found(/^(\d+ found|Nothing found)$/);
  await look('(a|b');
  await found(/cannot be read/);
  await type(app.driver, Key.ESCAPE);
  await app.driver.findElement(By.css('a[href$="/checks"]')).click();
  await see(app.driver, '.rules');
});

it('is repaired in one step, while the page stays live, and comes back with one key', async () => {
  const before = expected('upright-17');
  await press(app.driver, 'Repair everything');
  await says(app.driver, /\d+ repairs made/);
  let made = 0;
  const ground = groundOf('upright-17');
  const left = findIn(repairAll(captions, ground, () => `new ${String(++made)}`).captions, ground).must;
  expect(left).toBeLessThan(before);
  await eventually(app.driver, 'as many findings as cannot be repaired', async () =>
    (await heading()).startsWith(`▲ ${String(left)} must`),
  );
  await control(app.driver, 'z');
  await finds(before);
  await saved(app.driver);
  expect((await captionsOf(ask, track)).map((c) => c.text)).toEqual(captions.map((c) => c.text));
});

it('is reflowed with nothing left to find that words and times allow to be repaired', async () => {
  await runCommand(app.driver, 'Reflow');
  await says(app.driver, /\d+ captions become \d+/);
  // While the captions are looked over again the button waits for that.
  await eventually(app.driver, 'the captions reflowed', async () => {
    const [go] = await app.driver.findElements(By.css('.ant-modal-footer .ant-btn-primary:not(:disabled)'));
    if (go && (await go.isDisplayed())) await go.click();
    return (await app.driver.findElement(By.css('body')).getText()).includes('captions reflowed into');
  });
  await saved(app.driver);
  const words = (of: readonly { text: string }[]): string =>
    of
      .map((c) => c.text)
      .join(' ')
      .replace(/\s+/g, ' ');
  const now = await captionsOf(ask, track);
  expect(words(now)).toBe(words(captions));
});
