/** Hearing while writing: played and held from inside the text, the word that is said, keys of one's own. */
import { withApplication } from './support/application.ts';
import { By, caretAt, control, eventually, Key, lines, says, see, type } from './support/browser.ts';

const app = withApplication();
const media = <T>(what: string): Promise<T> =>
  app.driver.executeScript<T>(`return document.querySelector('video').${what}`);
const playing = (is: boolean): Promise<boolean> =>
  eventually(app.driver, is ? 'it to play' : 'it to hold', async () => (await media<boolean>('paused')) !== is);

beforeAll(async () => {
  await app.driver.get(app.services.address);
  await (await see(app.driver, '.row-link')).click();
  await see(app.driver, '.cm-line');
  await eventually(app.driver, 'the recording', async () => (await media<number>('readyState')) >= 2);
});

it('plays from inside the text, shows the word that is said, and goes along', async () => {
  await caretAt(app.driver, 'welcome', 'before');
  await control(app.driver, Key.SPACE);
  await playing(true);
  const said = await eventually(app.driver, 'a word that is said', async () => {
    const [word] = await app.driver.findElements(By.css('.said'));
    return word ? word.getText() : null;
  });
  expect((await lines(app.driver)).join(' ')).toContain(said);
  await control(app.driver, Key.SPACE);
  await playing(false);
});

it('holds while somebody types, and goes on by itself', async () => {
  await control(app.driver, Key.SPACE);
  await playing(true);
  await type(app.driver, 'x');
  await playing(false);
  await playing(true);
  await control(app.driver, Key.SPACE);
  await playing(false);
  await control(app.driver, 'z');
});

it('brings the playhead to a word that is pressed with Ctrl', async () => {
  const before = await media<number>('currentTime');
  const line = await app.driver.findElement(By.xpath('//*[contains(@class, "cm-line ")][contains(., "lower grades")]'));
  await app.driver.actions().keyDown(Key.CONTROL).move({ origin: line }).click().keyUp(Key.CONTROL).perform();
  await eventually(app.driver, 'the playhead at that word', async () => {
    const now = await media<number>('currentTime');
    return now !== before && now > 20.6 && now < 23;
  });
  await says(app.driver, 'Caption 5 of');
});

it('plays a caption again and again until it is told otherwise', async () => {
  await caretAt(app.driver, 'welcome', 'before');
  await control(app.driver, ';');
  await playing(true);
  const began = await media<number>('currentTime');
  await eventually(app.driver, 'some way into it', async () => (await media<number>('currentTime')) > began + 0.8);
  await eventually(app.driver, 'its beginning again', async () => (await media<number>('currentTime')) < began + 0.6);
  expect(await media<boolean>('paused')).toBe(false);
  await control(app.driver, ';');
  await playing(false);
});

it('plays slower and faster with the pitch kept, and steps by what was asked for', async () => {
  await control(app.driver, '.', true);
  await eventually(app.driver, 'it faster', async () => (await media<number>('playbackRate')) === 1.25);
  expect(await media<boolean>('preservesPitch')).toBe(true);
  await control(app.driver, ',', true);
  await control(app.driver, ',', true);
  await eventually(app.driver, 'it slower', async () => (await media<number>('playbackRate')) === 0.75);
  await control(app.driver, '.', true);
  const before = await media<number>('currentTime');
  await control(app.driver, '.');
  await eventually(
    app.driver,
    'two seconds on',
    async () => Math.abs((await media<number>('currentTime')) - before - 2) < 0.2,
  );
});

describe('keys of one’s own', () => {
  const change = async (title: string): Promise<void> => {
    await control(app.driver, 'k');
    await see(app.driver, '.finder-input');
    await type(app.driver, 'all keys', Key.ENTER);
    await eventually(app.driver, 'the sheet of keys', async () => {
      await app.driver.findElement(By.css(`[aria-label="Change the key of ${title}"]`)).click();
      return true;
    });
  };
  const closed = (): Promise<boolean> =>
    eventually(
      app.driver,
      'the sheet closed',
      async () => !(await app.driver.findElement(By.css('.keys')).isDisplayed()),
    );

  it('may be any that a pedal sends, and are kept', async () => {
    await change('Play or hold');
    await type(app.driver, 'a');
    await says(app.driver, 'This key types text.');
    await type(app.driver, Key.F7);
    await eventually(app.driver, 'the key in the list', async () =>
      (await app.driver.findElement(By.css('.keys')).getText()).includes('F7'),
    );
    await type(app.driver, Key.ESCAPE);
    await closed();
    await caretAt(app.driver, 'welcome', 'before');
    await type(app.driver, Key.F7);
    await playing(true);
    await type(app.driver, Key.F7);
    await playing(false);
  });

  it('are taken from another command only when that is said', async () => {
    await change('Replay this caption');
    await type(app.driver, Key.F8);
    await says(app.driver, /F8 is the key of “Next finding”/);
    await app.driver.findElement(By.xpath('//button[normalize-space()="Give it to this one"]')).click();
    await eventually(app.driver, 'the finding without a key', async () => {
      const row = await app.driver
        .findElement(By.xpath('//*[contains(@class, "keys")]//li[contains(., "Next finding")]'))
        .getText();
      return !row.includes('F8');
    });
    await app.driver.findElement(By.css('[aria-label="The usual key for Replay this caption"]')).click();
    await type(app.driver, Key.ESCAPE);
    await closed();
  });
});
