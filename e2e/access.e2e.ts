/** Every screen in both themes: nothing for axe to find, nothing against the content policy, all of it by keyboard. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import {
  By,
  complaints,
  control,
  eventually,
  Key,
  openBrowser,
  says,
  see,
  type,
  type Opened,
  type WebDriver,
} from './support/browser.ts';
import { startServices, type Services } from './support/services.ts';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
let services: Services;
let opened: Opened;
let driver: WebDriver;
beforeAll(async () => {
  services = await startServices();
  opened = await openBrowser();
  driver = opened.driver;
});
afterAll(async () => {
  await driver.quit();
  await services.stop();
});

interface Violation {
  id: string;
  nodes: { html: string; failureSummary: string }[];
}
async function violations(): Promise<string[]> {
  await driver.executeScript(axe);
  const found = await driver.executeAsyncScript<Violation[]>(
    'const done = arguments[0]; axe.run(document, { resultTypes: ["violations"] }).then((r) => done(r.violations));',
  );
  return found.flatMap((v) => v.nodes.map((n) => `${v.id}: ${n.html.slice(0, 160)} ${n.failureSummary.slice(0, 300)}`));
}

const screens = [
  ['Jobs', '', '.row'],
  ['Intake', '/new', 'input[type=file]'],
  ['Words', 'words', '.cm-line'],
  ['Tape', 'tape', '.coming'],
  ['Checks', 'checks', '.rules'],
  ['Tracks', 'tracks', '.tracks'],
  ['Handover', 'handover', '.cell'],
] as const;

describe.each(['light', 'dark'] as const)('in the %s theme', (theme) => {
  it.each(screens)('%s has nothing for axe to find', async (_, path, ready) => {
    const jobs = (await (await fetch(`${services.address}/api/jobs`)).json()) as { id: string }[];
    const address = path === '' || path.startsWith('/') ? path : `/jobs/${jobs[0]?.id ?? ''}/${path}`;
    await driver.get(services.address);
    await driver.executeScript(
      `localStorage.setItem('fenwix-preferences', JSON.stringify({ theme: arguments[0] }))`,
      theme,
    );
    await driver.get(services.address + address);
    await see(driver, ready);
    await driver.executeAsyncScript(
      'const done = arguments[0]; document.fonts.ready.then(() => requestAnimationFrame(() => done()));',
    );
    expect(await driver.executeScript('return document.documentElement.dataset.theme')).toBe(theme);
    expect(await violations()).toEqual([]);
    expect(await complaints(driver)).toEqual([]);
  });
});

it('finds a command by part of its name and runs it, by keyboard alone', async () => {
  const jobs = (await (await fetch(`${services.address}/api/jobs`)).json()) as { id: string }[];
  await driver.get(`${services.address}/jobs/${jobs[0]?.id ?? ''}/words`);
  await see(driver, '.cm-line');
  await control(driver, 'k');
  await see(driver, '.finder-input');
  await eventually(driver, 'the cursor in the finder', () =>
    driver.executeScript<boolean>('return document.activeElement.classList.contains("finder-input")'),
  );
  expect(await violations()).toEqual([]);
  await type(driver, 'handov', Key.ENTER);
  await says(driver, 'what each place holds');
  expect(await driver.findElements(By.css('.cell'))).toHaveLength(1);
});
