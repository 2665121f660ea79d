/** Checks: findings under one style and another, repaired one by one, by kind, all at once, let be and taken back. */
import { withApplication } from './support/application.ts';
import { By, control, eventually, Key, press, says, see } from './support/browser.ts';

const app = withApplication();
const count = async (): Promise<number> => {
  const [badge] = await app.driver.findElements(By.css('.rail-count'));
  return badge ? Number(await badge.getText()) : 0;
};
const becomes = (what: string, wanted: (n: number) => boolean): Promise<boolean> =>
  eventually(app.driver, what, async () => wanted(await count()));
const style = async (name: string): Promise<void> => {
  await app.driver.findElement(By.css('button.head-box[aria-haspopup=menu]')).click();
  const item = By.xpath(`//*[@role="menuitem"][contains(., "${name}")]`);
  await eventually(app.driver, `${name} in the menu`, async () => {
    await app.driver.findElement(item).click();
    return true;
  });
  await eventually(app.driver, `${name} in the header`, async () =>
    (await app.driver.findElement(By.css('button.head-box[aria-haspopup=menu]')).getText()).includes(name),
  );
};
/** The first row's own button to repair it. */
const repairFirst = async (): Promise<void> => {
  await (await see(app.driver, '.checks-rows li .row-says')).isDisplayed();
  await app.driver.findElement(By.xpath('//*[@class="row-deeds"]/button[normalize-space()="Repair"]')).click();
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
  await says(app.driver, /→ It is shared among \d captions\./);
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
  await style('Lecture 38');
});

it('lets a finding be with a reason, keeps that, and takes it back', async () => {
  const before = await count();
  expect(before).toBeGreaterThan(0);
  await press(app.driver, 'Let it be');
  await (await see(app.driver, '.checks-rows .let-be input')).sendKeys('said that fast', Key.ENTER);
  await becomes('one fewer', (n) => n === before - 1);
  await says(app.driver, 'All changes kept');
  await app.driver.navigate().refresh();
  await see(app.driver, '.rules');
  await press(app.driver, 'Kept on purpose');
  await says(app.driver, /Too fast to read let be: said that fast/);
  await press(app.driver, 'Take back');
  await becomes('the finding again', (n) => n === before);
});

it('goes through findings by key and repairs what the monitor shows', async () => {
  await (await see(app.driver, 'a[href$="/words"]')).click();
  await see(app.driver, '.cm-line');
  await app.driver.actions().sendKeys(Key.F8).perform();
  await says(app.driver, /Too fast to read\./);
  await control(app.driver, 'e');
  await says(app.driver, /Too fast to read(?::| was not repaired\.)/);
});
