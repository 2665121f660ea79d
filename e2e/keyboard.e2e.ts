/** The main job by keyboard alone, from a new job to its files at a destination, through every menu on the way. */
import { control, eventually, holding, Key, picked, says, see, type, runCommand } from './support/browser.ts';
import { withApplication } from './support/application.ts';

const app = withApplication();
/** No screen has more stops on the way to anything. */
const most = 140;

interface Stop {
  readonly name: string;
  readonly element: string;
  /** Whether one can see that it has the keyboard. */
  readonly ringed: boolean;
}

/** What has the keyboard. A caret is seen in the text itself; a control has a ring, on itself or on the box around it. */
const stop = (): Promise<Stop> =>
  app.driver.executeScript<Stop>(
    `const held = document.activeElement;
     const label = held.id && document.querySelector('label[for="' + held.id + '"]');
     const name = held.ariaLabel || label?.innerText || held.closest('label')?.innerText || held.innerText || held.querySelector('img')?.alt || '';
     const boxes = [held, ...['.ant-select-selector', '.ant-radio-wrapper', '.ant-radio-button-wrapper', '.ant-checkbox-wrapper', '.ant-input-number'].map((each) => held.closest(each))];
     const ringed = held.matches('.cm-content, body') || boxes.some((box) => {
       const { outlineStyle, outlineWidth } = box ? getComputedStyle(box) : { outlineStyle: 'none', outlineWidth: '0' };
       return outlineStyle !== 'none' && Number.parseFloat(outlineWidth) >= 1.5;
     });
     return { name: name.trim().replace(/\\s+/g, ' '), element: held.outerHTML.slice(0, 120), ringed };`,
  );

/** Goes on with Tab, or back, until something with this name has the keyboard. Every stop on the way has to be seen. */
async function tabTo(name: string, back = false): Promise<void> {
  const passed: string[] = [];
  for (let n = 0; n < most; n++) {
    if (back) await holding(app.driver, [Key.SHIFT], Key.TAB);
    else await type(app.driver, Key.TAB);
    // A field is told that it has the keyboard a moment after it has it.
    const here = await eventually(
      app.driver,
      `a sign of the keyboard after ${passed.at(-1) ?? 'the first'}`,
      async () => {
        const now = await stop();
        return now.ringed ? now : null;
      },
    );
    if (here.name.startsWith(name)) return;
    passed.push(here.name.slice(0, 30));
  }
  throw new Error(`The keyboard never came to “${name}”, but to: ${passed.join(' | ')}`);
}
const held = (name: string): Promise<boolean> =>
  eventually(app.driver, `the keyboard on “${name}”`, async () => (await stop()).name.startsWith(name));

/** The dialog that asks, with the keyboard in it. */
async function asked(): Promise<void> {
  await says(app.driver, 'It cannot be undone');
  await eventually(app.driver, 'the keyboard in the dialog', () =>
    app.driver.executeScript<boolean>(`return document.activeElement.closest('.ant-modal') !== null`),
  );
}

it('makes a job', async () => {
  await app.driver.get(app.services.address);
  await see(app.driver, '.row-link');
  await tabTo('Search jobs');
  await tabTo('Sort by');
  await type(app.driver, Key.ARROW_DOWN, 'title', Key.ENTER);
  await eventually(app.driver, 'the other order', async () => (await picked(app.driver, 'Sort by')) === 'title');
  await tabTo('New job');
  await type(app.driver, Key.ENTER);
  await see(app.driver, '.intake');
  // The window in which a file is chosen is the browser's own.
  const files = await app.driver.findElements({ css: '.intake input[type=file]' });
  const demo = `${process.cwd()}/demo/recordings/lock-after-dark`;
  await tabTo('Choose a recording');
  await files[0]?.sendKeys(`${demo}/recording.webm`);
  await says(app.driver, '✓ recording.webm');
  await tabTo('Title');
  await control(app.driver, 'a');
  await type(app.driver, 'By keyboard alone');
  await tabTo('Choose a draft or caption file');
  await files[1]?.sendKeys(`${demo}/machine-draft.ctm`);
  await says(app.driver, /machine-draft\.ctm \d+ captions/);
  await tabTo('Language spoken');
  await type(app.driver, Key.ARROW_DOWN, 'american', Key.ENTER);
  await eventually(app.driver, 'American English', async () =>
    (await picked(app.driver, 'Language spoken'))?.startsWith('American'),
  );
  await tabTo('Lecture 38');
  await type(app.driver, Key.ARROW_DOWN);
  await held('Upright 17');
  await type(app.driver, Key.ARROW_UP);
  await tabTo('Create the job');
  await type(app.driver, Key.ENTER);
  await see(app.driver, '.cm-line');
});

it('corrects a doubtful word and proofs its caption', async () => {
  await says(app.driver, /\d+ doubtful/);
  await eventually(app.driver, 'the keyboard in the text', () =>
    app.driver.executeScript<boolean>('return document.activeElement.matches(".cm-content")'),
  );
  await type(app.driver, Key.F4);
  await eventually(
    app.driver,
    'suggestions',
    async () => (await app.driver.findElements({ css: '.suggestions button' })).length > 1,
  );
  await type(app.driver, '1');
  await says(app.driver, 'All changes saved');
  await control(app.driver, Key.ENTER);
  await says(app.driver, /1 of \d+ proofed/);
});

it('goes through the menu of house styles, whose button has the keyboard again after it', async () => {
  await tabTo('House style', true);
  await type(app.driver, Key.ENTER);
  await held('Lecture 38');
  await type(app.driver, 'u');
  await held('Upright 17');
  await type(app.driver, Key.ENTER);
  await says(app.driver, 'Upright 17');
  await held('House style Upright 17');
  await type(app.driver, Key.ARROW_DOWN);
  await held('Upright 17');
  await type(app.driver, Key.HOME);
  await held('Lecture 38');
  await type(app.driver, Key.ENTER);
  await held('House style Lecture 38');
  await type(app.driver, Key.ENTER);
  await held('Lecture 38');
  await type(app.driver, Key.END);
  await held('All house styles');
  await type(app.driver, 'c', Key.ENTER);
  await see(app.driver, '.job-style');
  await type(app.driver, Key.ESCAPE);
  await held('House style Lecture 38');
});

it('sets the width of the monitor and the speed of playback', async () => {
  await tabTo('Width of the monitor');
  const wide = (): Promise<number> =>
    app.driver.executeScript<number>('return document.querySelector("#monitor").getBoundingClientRect().width');
  const before = await wide();
  await type(app.driver, Key.ARROW_LEFT);
  await eventually(app.driver, 'a wider monitor', async () => (await wide()) > before + 10);
  await tabTo('Playback speed');
  await type(app.driver, Key.ARROW_DOWN, '0.75', Key.ENTER);
  await eventually(app.driver, 'the other speed', async () =>
    (await picked(app.driver, 'Playback speed'))?.startsWith('0.75'),
  );
});

it('repairs everything at Checks, and takes it back', async () => {
  await runCommand(app.driver, 'Go to Checks');
  await see(app.driver, '.rules');
  await tabTo('Repair everything');
  await type(app.driver, Key.ENTER);
  await says(app.driver, /\d+ repairs? made/);
  await tabTo('Close');
  await type(app.driver, Key.ENTER);
  await held('Repair everything');
  await control(app.driver, 'z');
  await says(app.driver, 'All changes saved');
});

it('sends the files', async () => {
  await tabTo('Handover', true);
  await type(app.driver, Key.ENTER);
  await see(app.driver, '.cell');
  await tabTo('Recording at Quayside');
  await tabTo('Upload recording and send');
  await type(app.driver, Key.ENTER);
  await eventually(app.driver, 'it to be live', async () =>
    (await (await see(app.driver, '.cell')).getText()).includes('Live'),
  );
});

it('goes through the menu of a house style', async () => {
  await runCommand(app.driver, 'house styles');
  await see(app.driver, '.uses');
  await tabTo('More for Lecture 38');
  await type(app.driver, Key.ARROW_DOWN);
  await held('Export as a file');
  await type(app.driver, Key.ESCAPE);
  await held('More for Lecture 38');
});

it('deletes the job, asked first', async () => {
  await tabTo('All jobs', true);
  await type(app.driver, Key.ENTER);
  await see(app.driver, '.row-link');
  await tabTo('Delete By keyboard alone');
  await type(app.driver, Key.ENTER);
  await asked();
  await tabTo('Cancel');
  await type(app.driver, Key.ENTER);
  await held('Delete By keyboard alone');
  await type(app.driver, Key.ENTER);
  await asked();
  await tabTo('Delete');
  await type(app.driver, Key.ENTER);
  await eventually(
    app.driver,
    'the job gone',
    async () => !(await app.driver.executeScript<string>('return document.body.innerText')).includes('By keyboard'),
  );
});
