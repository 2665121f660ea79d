/** Tools offered where their need shows, in as few actions as can be. */
import { caption } from '../core/model/caption.ts';
import { withApplication } from './support/application.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { violations } from './support/axe.ts';
import {
  By,
  control,
  eventually,
  Key,
  lines,
  press,
  runCommand,
  saved,
  says,
  see,
  shareDone,
  type,
} from './support/browser.ts';
import { scriptOf } from './support/script.ts';
import { seek } from './support/playhead.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
const one = caption({ id: 'one', start: 1000, end: 3000, text: 'The gate opens.' });
const two = caption({ id: 'two', start: 4000, end: 6000, text: 'The boat goes in.' });
const three = caption({ id: 'three', start: 7000, end: 9000, text: 'The gate shuts.' });
const untimed = {
  ...caption({ id: 'loose', start: 9000, end: 11_000, text: 'And up.' }),
  timing: 'provisional' as const,
};

async function opened(stage: string, captions = [one, two, three]): Promise<{ job: string; track: string }> {
  const [demo] = await ask('GET /api/jobs');
  const made = await jobWith(ask, 'Doors', captions, { recording: demo?.recording?.hash ?? '' });
  await app.driver.get(`${app.services.address}/jobs/${made.job}/${stage}`);
  await see(app.driver, stage === 'tape' ? '.tape-block' : stage === 'words' ? '.cm-line' : '.stage-bar h2');
  return made;
}
const texts = async (track: string): Promise<readonly string[]> =>
  (await captionsOf(ask, track)).map(({ text }) => text);

describe('what is typed after a caption is made is its text', () => {
  it('on the tape, whatever had the keyboard', async () => {
    const { track } = await opened('tape');
    await seek(app.driver, 12);
    await press(app.driver, 'New caption');
    await type(app.driver, 'test');
    await eventually(app.driver, 'its text', async () => (await texts(track)).includes('test'));
    await says(app.driver, '10 s on the page');
    expect(await app.driver.executeScript('return document.querySelector("video").paused')).toBe(true);
  });

  it('and where an empty one is chosen on the tape, letters open it', async () => {
    const { track } = await opened('tape', [one, { ...two, text: '' }]);
    await type(app.driver, Key.ARROW_DOWN);
    await says(app.driver, 'Caption 2 of 2');
    await type(app.driver, 'fast');
    await eventually(app.driver, 'its text', async () => (await texts(track)).includes('fast'));
  });

  it('in Checks, where Words opens for it', async () => {
    const { track } = await opened('checks');
    await seek(app.driver, 12);
    await control(app.driver, ' ', true);
    await type(app.driver, 'test');
    await see(app.driver, '.cm-line');
    await eventually(app.driver, 'its text', async () => (await texts(track)).includes('test'));
  });
});

it('Enter at the end of the last caption makes one that is not timed', async () => {
  const { track } = await opened('words');
  await control(app.driver, Key.END);
  await type(app.driver, Key.ENTER);
  await eventually(app.driver, 'a fourth caption', async () => (await lines(app.driver)).length === 4);
  await type(app.driver, 'Up we go.');
  await eventually(app.driver, 'it kept', async () => (await texts(track)).includes('Up we go.'));
  expect((await captionsOf(ask, track)).map(({ timing }) => timing)).toEqual(['set', 'set', 'set', 'provisional']);
});

it('another language is begun in two actions, with the same times, beside the first', async () => {
  const { job, track } = await opened('tracks');
  await press(app.driver, 'New language beside this one…');
  await says(app.driver, 'which stands beside it while you write');
  expect(await violations(app.driver)).toEqual([]);
  await press(app.driver, 'Make the track');
  await see(app.driver, '.cm-line');
  await says(app.driver, 'The gate opens.');
  await type(app.driver, 'La porte');
  await control(app.driver, Key.ARROW_DOWN);
  await says(app.driver, 'The boat goes in.');
  await type(app.driver, 'Le bateau');
  await saved(app.driver);
  const { tracks } = await ask('GET /api/jobs/:id', { params: { id: job } });
  const made = tracks.find((t) => t.id !== track);
  expect(made).toMatchObject({ kind: 'subtitles', language: 'cy', captions: 3 });
  const captions = await captionsOf(ask, made?.id ?? '');
  expect(captions.map(({ start, end }) => [start, end])).toEqual([one, two, three].map((c) => [c.start, c.end]));
  expect(captions.map(({ text }) => text)).toEqual(['La porte', 'Le bateau', '']);
});

describe('the finder of commands', () => {
  it('says why what it lists cannot be done, and so does its key', async () => {
    await opened('tape');
    await control(app.driver, 'k');
    await see(app.driver, '.finder-input');
    await type(app.driver, 'capital for');
    await says(app.driver, 'Go to Words for this.');
    await type(app.driver, Key.ENTER);
    await says(app.driver, 'Go to Words for this.');
    await type(app.driver, Key.F4);
    await says(app.driver, 'Go to Words for this.');
  });

  it('goes to a caption by its number, and to a moment', async () => {
    await opened('words');
    await control(app.driver, 'g');
    await eventually(app.driver, 'the field', () =>
      app.driver.executeScript<boolean>('return document.activeElement.id === "go-to"'),
    );
    await type(app.driver, '9', Key.ENTER);
    await says(app.driver, 'There are 3 captions.');
    await type(app.driver, Key.BACK_SPACE, '3', Key.ENTER);
    await says(app.driver, 'Caption 3 of 3');
    await control(app.driver, 'g');
    await eventually(app.driver, 'the field', () =>
      app.driver.executeScript<boolean>('return document.activeElement.id === "go-to"'),
    );
    await type(app.driver, '0:04.5', Key.ENTER);
    await says(app.driver, 'Caption 2 of 3');
    await says(app.driver, '00:04.50');
  });

  it('has the title, series and language of the job', async () => {
    const { job } = await opened('words');
    await runCommand(app.driver, 'Change title, series');
    const [title, series] = await eventually(app.driver, 'the form', async () => {
      const found = await app.driver.findElements(By.css('.about-job input[type=text]'));
      return found.length >= 2 ? found : null;
    });
    await title?.sendKeys(' 39');
    await series?.sendKeys('River walks');
    await press(app.driver, 'Save');
    await says(app.driver, 'Doors 39');
    expect(await ask('GET /api/jobs/:id', { params: { id: job } })).toMatchObject({
      title: 'Doors 39',
      series: 'River walks',
    });
  });
});

it('captions that are not timed are left out of what leaves, or kept by choice, with their number', async () => {
  const { track } = await opened('handover', [one, two, untimed]);
  await says(app.driver, 'One caption is not timed and is left out, here and where captions are sent.');
  const preview = async (): Promise<string> => (await see(app.driver, 'pre[aria-label]')).getText();
  expect(await preview()).not.toContain('And up.');
  const file = (): Promise<string> =>
    app.driver
      .executeScript<string>('return document.querySelector("a[download]").href')
      .then(async (url) => (await fetch(url)).text());
  expect(await file()).not.toContain('And up.');
  await app.driver.findElement(By.xpath('//label[contains(., "at a made-up time")]')).click();
  await eventually(app.driver, 'it in the preview', async () => (await preview()).includes('And up.'));
  expect(await file()).toContain('And up.');
  expect(track).not.toBe('');
});

it('a track beside its sound is told without being asked, and is put right in two actions', async () => {
  const said = scriptOf('lock-after-dark');
  const late = said.map(({ text, start, end }, i) =>
    caption({ id: `c${String(i)}`, start: start + 5000, end: end + 5000, text }),
  );
  const { job, track } = await opened('words', late);
  await says(app.driver, 'All captions begin about 5.0 s later than somebody begins to speak.');
  expect(await violations(app.driver)).toEqual([]);
  await press(app.driver, 'Listen and place');
  await eventually(
    app.driver,
    'something to apply',
    () =>
      app.driver.executeScript<boolean>(
        'return document.querySelector(".retime-bar [type=submit]")?.disabled === false',
      ),
    () => shareDone(app.driver),
  );
  await press(app.driver, 'Apply');
  await saved(app.driver);
  await eventually(app.driver, 'no more word of it', async () => {
    const [line] = await app.driver.findElements(By.css('.off-sound-line'));
    return line === undefined;
  });
  const placed = await captionsOf(ask, track);
  const right = placed.filter(({ start }, i) => Math.abs(start - (said[i]?.start ?? 0)) < 300);
  expect(right.length / said.length).toBeGreaterThan(0.9);

  await control(app.driver, 'z');
  await says(app.driver, 'All captions begin about 5.0 s later');
  await press(app.driver, 'Not now');
  await app.driver.get(`${app.services.address}/jobs/${job}/tape`);
  await see(app.driver, '.tape-block');
  await see(app.driver, '.skyline-switch:not(:disabled)');
  expect(await app.driver.findElements(By.css('.off-sound-line'))).toEqual([]);
});
