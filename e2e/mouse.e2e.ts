/** The main job by mouse alone, from a new job to its files at a destination: no key is pressed. */
import { Button, Origin } from 'selenium-webdriver/lib/input.js';
import { withApplication } from './support/application.ts';
import { asking, captionsOf } from './support/ask.ts';
import { eventually, saved, says, see, type WebElement } from './support/browser.ts';

const app = withApplication();
const ask = asking(() => app.services.address);

/** What can be pressed and is called so, in sight and covered by nothing. */
const pressable = (name: string): Promise<WebElement> =>
  eventually(app.driver, `“${name}” to be pressed`, () =>
    app.driver.executeScript<WebElement | null>(
      `const [name] = arguments;
       const called = (each) => (each.ariaLabel || each.innerText || each.querySelector('img')?.alt || '').trim().replace(/\\s+/g, ' ').startsWith(name);
       // A dialog covers what is called so behind it.
       return [...document.querySelectorAll('button, a, label, [role=menuitem], [role=option]')].find((each) => {
         if (!called(each) || each.disabled || !each.checkVisibility({ visibilityProperty: true })) return false;
         each.scrollIntoView({ block: 'nearest' });
         const box = each.getBoundingClientRect();
         return each.contains(document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2));
       }) ?? null;`,
      name,
    ),
  );
const press = async (name: string): Promise<void> =>
  app.driver
    .actions()
    .move({ origin: await pressable(name), duration: 0 })
    .press(Button.LEFT)
    .release(Button.LEFT)
    .perform();
const has = (css: string): Promise<WebElement> => see(app.driver, css);
const only = async (): Promise<{ readonly job: string; readonly track: string }> => {
  const job = (await ask('GET /api/jobs')).find(({ title }) => title !== 'Working a lock after dark');
  const whole = await ask('GET /api/jobs/:id', { params: { id: job?.id ?? '' } });
  return { job: whole.id, track: whole.tracks.find((t) => t.kind !== 'machine')?.id ?? '' };
};

it('makes a job', async () => {
  await app.driver.get(app.services.address);
  await has('.row-link');
  await press('New job');
  await has('.intake');
  // The window in which a file is chosen is the browser’s own.
  const files = await app.driver.findElements({ css: '.intake input[type=file]' });
  const demo = `${process.cwd()}/demo/recordings/lock-after-dark`;
  await files[0]?.sendKeys(`${demo}/recording.webm`);
  await says(app.driver, '✓ recording.webm');
  await files[1]?.sendKeys(`${demo}/machine-draft.ctm`);
  await says(app.driver, /machine-draft\.ctm \d+ captions/);
  await press('Create the job');
  await has('.cm-line');
});

it('corrects a doubtful word by what is suggested, and proofs its caption', async () => {
  const { track } = await only();
  const before = (await captionsOf(ask, track)).map(({ text }) => text);
  await says(app.driver, /\d+ doubtful/);
  const doubtful = await app.driver.executeScript<string>(
    `return [...document.querySelectorAll('button')].find((each) => /^\\d+ doubtful/.test(each.innerText)).innerText.trim().replace(/\\s+/g, ' ')`,
  );
  await press(doubtful.slice(0, doubtful.indexOf(' ')));
  await press('1');
  await eventually(app.driver, 'another word', async () => {
    await saved(app.driver);
    return (await captionsOf(ask, track)).some(({ text }, i) => text !== before[i]);
  });
  await press('Proofed');
  await says(app.driver, /1 of \d+ proofed/);
});

it('drags the end of a caption on the tape, and takes it back', async () => {
  const { track } = await only();
  await press('Tape');
  await has('.tape-block.here');
  const times = async (): Promise<string> => {
    await saved(app.driver);
    return (await captionsOf(ask, track)).map(({ start, end }) => `${String(start)}–${String(end)}`).join(' ');
  };
  const before = await times();
  const edge = await has('.tape-block.here .block-edge.start');
  await app.driver
    .actions()
    .move({ origin: edge, duration: 0 })
    .press()
    .move({ origin: Origin.POINTER, x: 0, y: 15, duration: 30 })
    .move({ origin: Origin.POINTER, x: 0, y: 15, duration: 30 })
    .release()
    .perform();
  await eventually(app.driver, 'another time', async () => (await times()) !== before);
  await press('Undo');
  await eventually(app.driver, 'the time as it was', async () => (await times()) === before);
});

it('repairs everything at Checks', async () => {
  await press('Checks');
  await has('.rules');
  await press('Repair everything');
  await says(app.driver, /\d+ repairs? made/);
  await press('Close');
});

it('sends the files', async () => {
  await press('Handover');
  await has('.cell');
  await press('Upload recording and send');
  await eventually(app.driver, 'it to be live', async () => (await (await has('.cell')).getText()).includes('Live'));
});

it('deletes the job, asked first', async () => {
  await press('All jobs');
  await has('.row-link');
  const { job } = await only();
  const { title } = await ask('GET /api/jobs/:id', { params: { id: job } });
  await press(`Delete ${title}`);
  await says(app.driver, 'It cannot be undone');
  await press('Delete');
  await eventually(app.driver, 'the job gone', async () => (await ask('GET /api/jobs')).every(({ id }) => id !== job));
});
