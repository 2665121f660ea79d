/** Checks: findings under one style and another, repaired one by one, by kind, all at once, let be and taken back. */
import { withApplication } from './support/application.ts';
import {
  By,
  caretAt,
  control,
  eventually,
  holding,
  Key,
  lines,
  press,
  says,
  see,
  runCommand,
  saved,
} from './support/browser.ts';

const app = withApplication();
const count = async (): Promise<number> => {
  const [badge] = await app.driver.findElements(By.css('.rail-count'));
  return badge ? Number(await badge.getText()) : 0;
};
const becomes = (what: string, wanted: (n: number) => boolean): Promise<boolean> =>
  eventually(app.driver, what, async () => wanted(await count()));
/** Another style with one click: its menu opens under the pointer. */
const style = async (name: string): Promise<void> => {
  const menu = app.driver.findElement(By.css('.head button[aria-haspopup=menu]'));
  await app.driver.actions().move({ origin: menu }).perform();
  const item = By.xpath(`//*[@role="menuitem"][contains(., "${name}")]`);
  await eventually(app.driver, `${name} in the menu`, async () => {
    await app.driver.findElement(item).click();
    return true;
  });
  await eventually(app.driver, `${name} in the header`, async () =>
    (await app.driver.findElement(By.css('.head button[aria-haspopup=menu]')).getText()).includes(name),
  );
};
/** The first row's own button to repair it. */
const repairFirst = async (): Promise<void> => {
  await (await see(app.driver, '.checks-rows li .row-says')).isDisplayed();
  await app.driver
    .findElement(By.xpath('//*[contains(@class, "list-row")]//button[normalize-space()="Repair"]'))
    .click();
};

beforeAll(async () => {
  await app.driver.get(app.services.address);
  await (await see(app.driver, '.row-link')).click();
  await see(app.driver, '.cm-line');
  await (await see(app.driver, 'a[href$="/checks"]')).click();
  await see(app.driver, '.rules');
});

it('shows other findings under another style', async () => {
  const lecture = await count();
  await style('Upright 17');
  await becomes('many more findings', (n) => n > lecture + 10);
  await style('Lecture 38');
  await becomes('as many as before', (n) => n === lecture);
});

it('shows what a repair would make of a caption, repairs one, then all of its kind', async () => {
  await style('Upright 17');
  const before = await count();
  await says(app.driver, /→ Split into \d captions\./);
  await repairFirst();
  await becomes('fewer findings', (n) => n < before);
  const one = await count();
  await press(app.driver, 'Repair all');
  expect(await says(app.driver, /\d+ repairs made/)).toContain('one step to undo');
  await becomes('fewer still', (n) => n < one);
  await press(app.driver, 'Close');
  await control(app.driver, 'z');
  await becomes('those of the kind back', (n) => n === one);
  await control(app.driver, 'z');
  await becomes('the one back too', (n) => n === before);
});

it('repairs everything as one step, says what it did, and takes it back with one key', async () => {
  const before = await count();
  await press(app.driver, 'Repair everything');
  expect(await says(app.driver, /\d+ repairs made/)).toContain('one step to undo');
  await becomes('nearly none left', (n) => n <= before / 10);
  await control(app.driver, 'z');
  await becomes('all of them back', (n) => n === before);
  await press(app.driver, 'Close');
});

it('leaves nothing that has to go under Upright 17, where reflow would leave nothing', async () => {
  await style('Upright 17');
  await becomes('findings', (n) => n > 10);
  await press(app.driver, 'Repair everything');
  await becomes('none left', (n) => n === 0);
  await control(app.driver, 'z');
  await becomes('findings again', (n) => n > 10);
  await press(app.driver, 'Close');
});

it('lets a finding be with a reason, keeps that, and takes it back', async () => {
  const before = await count();
  expect(before).toBeGreaterThan(0);
  await press(app.driver, 'Let it be');
  await (await see(app.driver, '.checks-rows .let-be input')).sendKeys('asked for so', Key.ENTER);
  await becomes('one fewer', (n) => n === before - 1);
  await saved(app.driver);
  await app.driver.navigate().refresh();
  await see(app.driver, '.rules');
  await press(app.driver, 'Kept on purpose');
  await says(app.driver, /Line too long let be: asked for so/);
  await press(app.driver, 'Take back');
  await becomes('the finding again', (n) => n === before);
});

/** Which caption the monitor shows. */
const cursor = async (): Promise<string> =>
  /Caption \d+/.exec(await app.driver.findElement(By.css('.figures-head')).getText())?.[0] ?? '';

it('goes through all findings by key, from any stage, and repairs what the monitor shows', async () => {
  const wrong = await app.driver.executeScript<number>(
    'return [...document.querySelectorAll(".rules button")].map((b) => b.innerText).filter((t) => t.startsWith("Line too long")).map((t) => Number(t.match(/\\d+/)[0]))[0]',
  );
  const seen = new Set<string>();
  for (let i = 0; i < wrong; i++) {
    const last = await cursor();
    await app.driver.actions().sendKeys(Key.F8).perform();
    await eventually(app.driver, 'another caption', async () => (await cursor()) !== last);
    seen.add(await cursor());
  }
  expect(seen.size).toBe(wrong);
  await (await see(app.driver, 'a[href$="/handover"]')).click();
  await see(app.driver, '.cell');
  const last = await cursor();
  await holding(app.driver, [Key.SHIFT], Key.F8);
  await eventually(app.driver, 'the one before', async () => (await cursor()) !== last);
  const before = await count();
  await control(app.driver, 'e');
  await says(app.driver, /Line too long: /);
  await becomes('fewer', (n) => n < before);
  await control(app.driver, 'z');
  await becomes('as before', (n) => n === before);
});

it('shows how captions are spread, and the captions of a bar', async () => {
  await (await see(app.driver, 'a[href$="/checks"]')).click();
  await press(app.driver, 'Reading speed');
  const bars = await app.driver.findElements(By.css('.spread-bar:not(:disabled)'));
  const names = await Promise.all(bars.map((b) => b.getAttribute('aria-label')));
  const all = names.reduce((sum, name) => sum + Number(/: (\d+) caption/.exec(name ?? '')?.[1]), 0);
  expect(all).toBe(Number(/of (\d+)/.exec(await app.driver.findElement(By.css('.figures-head')).getText())?.[1]));
  await bars[0]?.click();
  const [, few = ''] = /: (\d+) caption/.exec(names[0] ?? '') ?? [];
  await eventually(
    app.driver,
    'its captions',
    async () => (await app.driver.findElements(By.css('.checks-rows ol li'))).length === Number(few),
  );
  await bars[0]?.click();
});

it('lays the whole track out again with before and after, as one step', async () => {
  const before = await count();
  await runCommand(app.driver, 'Reflow');
  await says(
    app.driver,
    new RegExp(`\\d+ captions become \\d+\\. Findings in the track: ${String(before)} before, 0 after`),
  );
  await see(app.driver, '.reflow-caption');
  await app.driver.findElement(By.css('.ant-modal-footer .ant-btn-primary')).click();
  await says(app.driver, /captions reflowed into \d+; one step to undo/);
  await becomes('none', (n) => n === 0);
  await control(app.driver, 'z');
  await becomes('all again', (n) => n === before);
});

it('breaks the lines of the selected captions again', async () => {
  await style('Lecture 38');
  await (await see(app.driver, 'a[href$="/words"]')).click();
  await see(app.driver, '.cm-line');
  await caretAt(app.driver, 'never opened it', 'after');
  await holding(app.driver, [Key.SHIFT], Key.ENTER);
  await becomes('a finding about lines', (n) => n > 0);
  await holding(app.driver, [Key.SHIFT], Key.ARROW_DOWN, Key.ARROW_DOWN, Key.ARROW_DOWN);
  await control(app.driver, Key.ENTER, true);
  await says(app.driver, 'The lines of one caption break elsewhere now.');
  await becomes('none', (n) => n === 0);
  expect(await lines(app.driver)).toContain('never opened it faster than one turn');
});
