/** House styles: copied, edited, exported, deleted, brought in again; changed for one job alone. */
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { withApplication } from './support/application.ts';
import { By, downloaded, eventually, press, says, see, type WebElement, pick } from './support/browser.ts';

const app = withApplication();
const named = (label: string): Promise<WebElement> => see(app.driver, `[aria-label="${label}"]`);
/** Puts another value into a field, as typing it does. */
async function put(label: string, value: string): Promise<void> {
  const input = await named(label);
  await app.driver.executeScript('arguments[0].select()', input);
  await input.sendKeys(value);
}
const more = async (style: string, item: string): Promise<void> => {
  await (await named(`More for ${style}`)).click();
  const found = By.xpath(`//*[@role="menuitem"][contains(., "${item}")]`);
  await eventually(app.driver, `${item} in the menu`, async () => {
    for (const entry of await app.driver.findElements(found))
      if (await entry.isDisplayed()) {
        await entry.click();
        return true;
      }
    return false;
  });
};
/** The figures of a row, a column each. */
const row = (title: string): Promise<string[]> =>
  app.driver.executeScript<string[]>(
    'const row = [...document.querySelectorAll("tbody tr")].find((r) => r.querySelector("td")?.innerText.trim() === arguments[0]); return [...row.querySelectorAll("td")].slice(1).map((c) => c.innerText.replace(/\\s+/g, " ").trim());',
    title,
  );
const bringIn = async (path: string): Promise<void> =>
  (await app.driver.findElement(By.css('input[type=file]'))).sendKeys(path);

it('shows all styles side by side, with the jobs that use them', async () => {
  await app.driver.get(`${app.services.address}/styles`);
  await says(app.driver, 'Working a lock after dark');
  expect(await row('Most characters in a line')).toEqual(
    [38, 17, 32, 41, 37].map((n) => `${String(n)} characters ▲ must`),
  );
  expect((await row('Used by')).map((cell) => cell === 'no job')).toEqual([false, true, true, true, true]);
});

it('copies one, edits the copy, and says what is impossible about it', async () => {
  await press(app.driver, 'Copy');
  await put('Name of the house style', 'Evening class');
  await put('Shortest on screen, s', '9');
  await press(app.driver, 'Save');
  await says(app.driver, '“Shortest on screen”: longer than “Longest on screen”.');
  await put('Shortest on screen, s', '1.2');
  await put('Reading speed, cps', '18');
  await pick(app.driver, 'Allowed characters: how much it weighs', 'should');
  await press(app.driver, 'Save');
  await says(app.driver, 'Evening class is saved.');
  expect((await row('Shortest on screen')).at(-1)).toBe('1.2 s ▲ must');
  expect((await row('Reading speed')).at(-1)).toBe('18 cps, aim for 15 ▲ must');
});

it('gives it to a job, and leaves the job as it is when the style changes', async () => {
  const jobs = (await (await fetch(`${app.services.address}/api/jobs`)).json()) as { id: string }[];
  await app.driver.get(`${app.services.address}/jobs/${jobs[0]?.id ?? ''}/checks`);
  await (await see(app.driver, '.head button[aria-haspopup=menu]')).click();
  await eventually(app.driver, 'the new style in the menu', async () => {
    await app.driver.findElement(By.xpath('//*[@role="menuitem"][contains(., "Evening class")]')).click();
    return true;
  });
  await says(app.driver, /House style\s*Evening class/);
  await app.driver.get(`${app.services.address}/styles`);
  await press(app.driver, 'Edit');
  await put('Reading speed, cps', '17');
  await press(app.driver, 'Save');
  await says(app.driver, 'One job keeps the figures it had');
  await press(app.driver, 'Update');
  await says(app.driver, 'uses Evening class as it is now');
});

it('is changed for one job alone', async () => {
  await press(app.driver, 'Working a lock after dark');
  await (await see(app.driver, '.head button[aria-haspopup=menu]')).click();
  await eventually(app.driver, 'the way to change it', async () => {
    await app.driver.findElement(By.xpath('//*[@role="menuitem"][contains(., "Change it for this job")]')).click();
    return true;
  });
  await see(app.driver, '.job-style');
  await put('Most characters in a line, characters', '20');
  const use = app.driver.findElement(By.css('.ant-modal-footer .ant-btn-primary'));
  await use.click();
  await says(app.driver, '“One line up to”: more than “Most characters in a line”.');
  await put('One line up to, characters', '20');
  await use.click();
  await says(app.driver, /House style\s*Evening class, changed/);
  await says(app.driver, /Line too long/);
  await eventually(
    app.driver,
    'findings under it',
    async () => Number(await app.driver.findElement(By.css('.rail-count')).getText()) > 5,
  );
});

it('is exported, deleted with another in its place, and brought in again', async () => {
  await app.driver.get(`${app.services.address}/styles`);
  await says(app.driver, 'changed for this job');
  await more('Evening class', 'Export');
  const file = await downloaded(app.opened, '.style.json');
  expect(JSON.parse(file.text)).toMatchObject({ name: 'Evening class', reading: { speed: { limit: 17 } } });
  await more('Evening class', 'Delete');
  await says(app.driver, 'One job uses it: Working a lock after dark.');
  await app.driver.findElement(By.css('.ant-modal-footer .ant-btn-dangerous')).click();
  await says(app.driver, 'Evening class is deleted.');
  expect(await row('Most lines')).toHaveLength(5);
  expect((await row('Used by'))[0]).toContain('Working a lock after dark');
  await bringIn(join(app.opened.downloads, file.name));
  await says(app.driver, /Evening class was imported from/);
  expect((await row('Reading speed')).at(-1)).toBe('17 cps, aim for 15 ▲ must');
});

it('names every fault of a file that is no style, and changes nothing', async () => {
  const path = join(app.opened.downloads, 'wrong.json');
  const good = JSON.parse(readFileSync(join(app.opened.downloads, 'evening-class.style.json'), 'utf8')) as object;
  const bad = async (text: string, ...expected: string[]): Promise<void> => {
    writeFileSync(path, text);
    await bringIn(path);
    for (const fault of expected) await says(app.driver, fault);
  };
  await bad('{', 'wrong.json is not JSON');
  await bad(JSON.stringify({ ...good, schema: 9 }), 'schema: 9 is of a later Fenwix');
  await bad(
    JSON.stringify({ ...good, colour: 'red', state: { proofed: { severity: 'perhaps' } } }),
    'colour: not a part of a house style.',
    'state.proofed.severity: expected one of must, should, off.',
  );
  expect(await row('Most lines')).toHaveLength(6);
});
