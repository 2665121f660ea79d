/** Hearing while writing: played and held from inside the text, the word that is said, keys of one's own. */
import { withApplication } from './support/application.ts';
import {
  By,
  caretAt,
  control,
  devTools,
  eventually,
  Key,
  lines,
  pressWithControl,
  says,
  see,
  type,
  runCommand,
} from './support/browser.ts';
import { withDemoDesk } from './support/desk.ts';

const app = withApplication();
const { kept } = withDemoDesk(app);
const media = <T>(what: string): Promise<T> =>
  app.driver.executeScript<T>(`return document.querySelector('video').${what}`);
const playing = (is: boolean): Promise<boolean> =>
  eventually(app.driver, is ? 'it to play' : 'it to hold', async () => (await media<boolean>('paused')) !== is);

beforeAll(async () => {
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

it('moves the playhead of the skyline at every frame while it plays', async () => {
  await control(app.driver, Key.SPACE);
  await playing(true);
  const places = await app.driver.executeAsyncScript<number>(
    `const done = arguments[0]; const seen = new Set(); let frames = 0;
     const look = () => {
       seen.add(document.querySelector('.skyline-playhead').style.transform);
       if (++frames < 60) requestAnimationFrame(look); else done(seen.size);
     };
     requestAnimationFrame(look);`,
  );
  expect(places).toBeGreaterThan(20);
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

const sought = (seconds: number): Promise<undefined> =>
  app.driver.executeAsyncScript<undefined>(
    `const [at, done] = arguments;
     const media = document.querySelector('video');
     media.addEventListener('seeked', () => requestAnimationFrame(() => done()), { once: true });
     media.currentTime = at;`,
    seconds,
  );
const selected = (is: string): Promise<boolean> =>
  eventually(
    app.driver,
    `“${is}” selected`,
    async () => (await app.driver.executeScript<string>('return getSelection().toString()')) === is,
  );

it('goes on from the beginning of the word it was held in', async () => {
  await caretAt(app.driver, 'welcome', 'before');
  await app.driver.executeScript(`window.soughtTo = [];
    const media = document.querySelector('video');
    media.addEventListener('seeking', () => window.soughtTo.push(media.currentTime));`);
  const words = (await kept())[0]?.words ?? [];
  await sought(1.4);
  await control(app.driver, Key.SPACE);
  await eventually(app.driver, 'a word', async () => (await media<number>('currentTime')) > 1.5);
  await type(app.driver, 'x');
  await playing(false);
  const held = (await media<number>('currentTime')) * 1000;
  const inside = words.find((w) => w[2] <= held && held < w[3]);
  await playing(true);
  await control(app.driver, Key.SPACE);
  await playing(false);
  const soughtTo = await app.driver.executeScript<number[]>('return window.soughtTo');
  expect(soughtTo.slice(1).map((s) => Math.round(s * 1000))).toEqual(inside ? [inside[2]] : []);
  await control(app.driver, 'z');
});

it('brings up the words just heard as often as the key is pressed, however fast', async () => {
  await sought(2.3);
  await control(app.driver, Key.SPACE);
  // A word ends at 2.87 s, and the next begins at 3.10 s.
  await eventually(app.driver, 'the pause', async () => (await media<number>('currentTime')) > 2.72);
  await type(app.driver, Key.F3, Key.F3);
  await selected('night');
  await playing(false);
  // Held for somebody to type, it would go on after that.
  await control(app.driver, Key.SPACE);
  await playing(true);
  await control(app.driver, Key.SPACE);
  await playing(false);
});

it('brings up the word just heard, and the ones before it, to be typed over; a sign goes after it', async () => {
  await sought(2.9);
  await type(app.driver, Key.F3);
  await selected('school');
  await type(app.driver, Key.F3);
  await selected('night');
  await type(app.driver, 'day');
  await eventually(app.driver, 'the word', async () =>
    (await lines(app.driver))[0]?.startsWith('welcome to day school'),
  );
  await control(app.driver, 'z');
  await sought(2.9);
  await type(app.driver, Key.F3);
  await selected('school');
  await type(app.driver, Key.F2, '.');
  await eventually(app.driver, 'the sign', async () =>
    (await lines(app.driver)).join(' ').startsWith('welcome to night School. And three'),
  );
  // Held for that, playback goes on a moment after it.
  await sought(1.5);
  await control(app.driver, Key.SPACE);
  await playing(true);
  await eventually(app.driver, 'a word', async () => (await media<number>('currentTime')) > 2);
  await type(app.driver, Key.F3);
  await playing(false);
  await type(app.driver, ',');
  await playing(true);
  await control(app.driver, Key.SPACE);
  await playing(false);
  // After whichever word had been heard when the key came.
  const [first = ''] = await lines(app.driver);
  expect(first.split(',')).toHaveLength(2);
  expect(first.replace(',', '')).toBe('welcome to night School. And three');
  for (const left of ['welcome to night School. And three', 'welcome to night School. and three'])
    await control(app.driver, 'z').then(() =>
      eventually(app.driver, left, async () => (await lines(app.driver)).join(' ').startsWith(left)),
    );
  await control(app.driver, 'z');
  await control(app.driver, 'z');
  await eventually(app.driver, 'it as it was', async () =>
    (await lines(app.driver))[0]?.startsWith('welcome to night school and'),
  );
});

it('keeps the word being said in sight for somebody who listens along, and the cursor where it is', async () => {
  await caretAt(app.driver, 'welcome', 'before');
  await sought(50);
  await control(app.driver, Key.SPACE);
  await playing(true);
  await type(app.driver, Key.F3);
  await playing(false);
  await type(app.driver, 'x');
  await playing(true);
  const standing = await says(app.driver, /Caption \d+ of/);
  await sought(100);
  await eventually(app.driver, 'the word far down', async () =>
    app.driver.executeScript<boolean>(
      `const said = document.querySelector('.said')?.getBoundingClientRect();
       const seen = document.querySelector('.cm-scroller').getBoundingClientRect();
       return said !== undefined && said.top > seen.top && said.bottom < seen.bottom && document.querySelector('video').currentTime > 100;`,
    ),
  );
  expect(/Caption \d+ of/.exec(await says(app.driver, /Caption \d+ of/))?.[0]).toBe(
    /Caption \d+ of/.exec(standing)?.[0],
  );
  await control(app.driver, Key.SPACE);
  await playing(false);
  await control(app.driver, 'z');
});

it('brings the playhead to a word that is pressed with Ctrl', async () => {
  const before = await media<number>('currentTime');
  await pressWithControl(app.driver, 'keep the low');
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

it('replays a caption with the one before and after', async () => {
  await caretAt(app.driver, 'lantern', 'before');
  await control(app.driver, "'", true);
  await playing(true);
  // The one before begins at 20.6 s.
  await eventually(app.driver, 'the one before', async () => {
    const now = await media<number>('currentTime');
    return now >= 20.5 && now < 24;
  });
  await control(app.driver, Key.SPACE);
  await playing(false);
});

it('steps as far as was asked for, stays where it is when told so, and types on when it is not to hold', async () => {
  await app.driver.executeScript(
    `localStorage.setItem('fenwix-preferences', JSON.stringify({ step: 5000, holdWhileTyping: false }))`,
  );
  await app.driver.navigate().refresh();
  await see(app.driver, '.cm-line');
  await eventually(app.driver, 'the recording', async () => (await media<number>('readyState')) >= 2);
  await caretAt(app.driver, 'welcome', 'before');
  await control(app.driver, '.');
  await eventually(app.driver, 'five seconds on', async () => Math.abs((await media<number>('currentTime')) - 5) < 0.2);
  const caption = (nth: number): Promise<string> => says(app.driver, `Caption ${String(nth)} of`);
  await control(app.driver, Key.SPACE);
  await playing(true);
  await caption(2);
  await control(app.driver, 'f', true);
  await eventually(app.driver, 'the sound in another caption', async () => (await media<number>('currentTime')) > 8.6);
  await caption(2);
  await type(app.driver, 'x');
  expect(await media<boolean>('paused')).toBe(false);
  await control(app.driver, Key.SPACE);
  await playing(false);
  await control(app.driver, 'z');
  await app.driver.executeScript('localStorage.removeItem("fenwix-preferences")');
  await app.driver.navigate().refresh();
  await see(app.driver, '.cm-line');
  await eventually(app.driver, 'the recording', async () => (await media<number>('readyState')) >= 2);
});

describe('keys of one’s own', () => {
  const change = async (title: string): Promise<void> => {
    await runCommand(app.driver, 'all keys');
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
    await change('Play or pause');
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
    await app.driver.findElement(By.xpath('//button[normalize-space()="Use it here"]')).click();
    await eventually(app.driver, 'the finding without a key', async () => {
      const row = await app.driver
        .findElement(By.xpath('//*[contains(@class, "keys")]//li[contains(., "Next finding")]'))
        .getText();
      return !row.includes('F8');
    });
    await app.driver.findElement(By.css('[aria-label="Reset the key of Replay this caption"]')).click();
    await type(app.driver, Key.ESCAPE);
    await closed();
  });
});

describe('on a Mac', () => {
  it('are its own: with Cmd what other programs have with it, with Ctrl what is heard', async () => {
    await app.driver.executeScript('localStorage.removeItem("fenwix-preferences")');
    await devTools(app.driver, 'Emulation.setUserAgentOverride', {
      userAgent: 'Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/537.36 Chrome/140.0.0.0 Safari/537.36',
    });
    await app.driver.navigate().refresh();
    await see(app.driver, '.cm-line');
    await says(app.driver, 'Cmd K');
    await eventually(app.driver, 'the recording', async () => (await media<number>('readyState')) >= 2);
    await caretAt(app.driver, 'welcome', 'before');
    await sought(4);
    await control(app.driver, 'p');
    await playing(true);
    await control(app.driver, 's');
    await playing(false);
    await eventually(
      app.driver,
      'a word',
      async () => (await app.driver.executeScript<string>('return getSelection().toString()')) !== '',
    );
    await app.driver.actions().keyDown(Key.META).sendKeys('k').keyUp(Key.META).perform();
    await see(app.driver, '.finder-input');
    await type(app.driver, Key.ESCAPE);
  });
});
