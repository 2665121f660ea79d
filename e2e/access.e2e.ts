/** Every screen in both themes: nothing for axe to find, nothing against the content policy, all of it by keyboard. */
import { caption } from '../core/model/caption.ts';
import { asking, jobWith } from './support/ask.ts';
import {
  By,
  caretAt,
  complaints,
  control,
  eventually,
  Key,
  lines,
  press,
  says,
  see,
  type,
  runCommand,
} from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { violationsInBothThemes } from './support/axe.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
/** Where a stage of the demo’s job is. */
async function stageOf(name: string): Promise<string> {
  const [job] = await ask('GET /api/jobs');
  return `/jobs/${job?.id ?? ''}/${name}`;
}

const screens = [
  ['Jobs', '', '.row'],
  ['House styles', '/styles', '.uses'],
  ['Intake', '/new', 'input[type=file]'],
  ['Words', 'words', '.cm-line'],
  ['Tape', 'tape', '.tape-block'],
  ['Checks', 'checks', '.rules'],
  ['Tracks', 'tracks', '.tracks'],
  ['Handover', 'handover', '.cell'],
] as const;

it.each(screens)('%s has nothing for axe to find', async (_, path, ready) => {
  await app.driver.get(app.services.address + (path === '' || path.startsWith('/') ? path : await stageOf(path)));
  await see(app.driver, ready);
  await app.driver.executeAsyncScript(
    'const done = arguments[0]; document.fonts.ready.then(() => requestAnimationFrame(() => done()));',
  );
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  expect(await complaints(app.driver)).toEqual([]);
});

it('a caption in conflict and changes set aside have nothing for axe to find', async () => {
  const { driver } = app;
  const gate = caption({ id: 'a', start: 0, end: 2000, text: 'the gate' });
  const { job } = await jobWith(ask, 'Torn', [{ ...gate, versions: [{ ...gate, id: 'b', text: 'a gate' }, null] }]);
  await driver.get(`${app.services.address}/jobs/${job}/words`);
  await says(driver, 'Removed elsewhere');
  await driver.executeScript(
    `const real = window.fetch;
     window.fetch = (url, how) => how?.method === 'POST'
       ? Promise.resolve(new Response(JSON.stringify({ code: 'edit-refused', message: 'It does not fit.', details: null }), { status: 422 }))
       : real(url, how);`,
  );
  await caretAt(driver, 'the gate', 'after');
  await type(driver, 's');
  await says(driver, 'set aside: It does not fit.');
  expect(await violationsInBothThemes(driver)).toEqual([]);
  await ask('DELETE /api/jobs/:id', { params: { id: job } });
});

describe('Words', () => {
  const nothing = async (): Promise<void> => {
    expect(await violationsInBothThemes(app.driver)).toEqual([]);
    expect(await complaints(app.driver)).toEqual([]);
  };

  it('has nothing for axe to find with suggestions, find and replace, many selected, and the sheet of keys open', async () => {
    await app.driver.get(app.services.address);
    await app.driver.executeScript(`localStorage.setItem('fenwix-preferences', JSON.stringify({ reading: 'text' }))`);
    await app.driver.get(app.services.address + (await stageOf('words')));
    await see(app.driver, '.sign-caption');
    await nothing();
    await caretAt(app.driver, 'welcome', 'before');
    await type(app.driver, Key.F4);
    await see(app.driver, '.suggestions button');
    await nothing();
    await type(app.driver, Key.ESCAPE);
    await control(app.driver, 'f');
    await (await see(app.driver, '#find-text')).sendKeys('the');
    await says(app.driver, /\d+ found/);
    await nothing();
    await (await see(app.driver, '#find-by')).sendKeys('a');
    await press(app.driver, 'Replace all…');
    await see(app.driver, '.places li');
    await nothing();
    await press(app.driver, 'Cancel');
    await (await see(app.driver, '#find-text')).sendKeys(Key.ESCAPE);
    await caretAt(app.driver, 'welcome', 'before');
    await control(app.driver, Key.ARROW_DOWN, true);
    await control(app.driver, Key.ARROW_DOWN, true);
    await says(app.driver, '2 captions');
    await nothing();
    await control(app.driver, 'l');
    await (await see(app.driver, '#label-speaker')).sendKeys('Keeper');
    await nothing();
    await type(app.driver, Key.ESCAPE);
    await press(app.driver, 'Shift…');
    await (await see(app.driver, '#shift-by')).sendKeys('soon', Key.ENTER);
    await says(app.driver, 'Write seconds as in');
    await nothing();
    await type(app.driver, Key.ESCAPE);
    // A correction with the same elsewhere, and taken back.
    await caretAt(app.driver, 'why is the land', 'after');
    await control(app.driver, Key.BACK_SPACE);
    await type(app.driver, 'lamp');
    await says(app.driver, /“land” also occurs in \d other places/);
    await nothing();
    await press(app.driver, 'Choose…');
    await see(app.driver, '.places li');
    await nothing();
    await press(app.driver, 'Cancel');
    await press(app.driver, 'Skip');
    await caretAt(app.driver, 'why is the lamp', 'after');
    await control(app.driver, Key.BACK_SPACE);
    await type(app.driver, 'land');
    await says(app.driver, 'why is the land');
    await runCommand(app.driver, 'all keys');
    await see(app.driver, '.keys li');
    await eventually(app.driver, 'the sheet to stand still', async () =>
      app.driver.executeScript<boolean>('return document.getAnimations().every((a) => a.playState === "finished")'),
    );
    await nothing();
  });
});

it('has nothing for axe to find in a track that is empty', async () => {
  const { driver } = app;
  const { job: id } = await jobWith(ask, 'Empty basin', []);
  await driver.get(`${app.services.address}/jobs/${id}/words`);
  await says(driver, 'No captions yet');
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  await ask('DELETE /api/jobs/:id', { params: { id } });
});

it('finds a command by part of its name and runs it, by keyboard alone', async () => {
  await app.driver.get(app.services.address + (await stageOf('words')));
  await see(app.driver, '.cm-line');
  await control(app.driver, 'k');
  await see(app.driver, '.finder-input');
  await eventually(app.driver, 'the cursor in the finder', () =>
    app.driver.executeScript<boolean>('return document.activeElement.classList.contains("finder-input")'),
  );
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  await type(app.driver, 'handov', Key.ENTER);
  await says(app.driver, 'what each destination has');
  await see(app.driver, '.cell');
  expect(await app.driver.findElements(By.css('.cell'))).toHaveLength(1);
});

it('takes what is typed at once after the key of the finder, and the caption gets none of it', async () => {
  const { driver } = app;
  await driver.get(app.services.address + (await stageOf('words')));
  await see(driver, '.cm-line');
  await caretAt(driver, 'welcome to', 'after');
  const before = await lines(driver);
  await driver.actions().keyDown(Key.CONTROL).sendKeys('k').keyUp(Key.CONTROL).sendKeys('handovx').perform();
  await driver.actions().sendKeys(Key.BACK_SPACE, Key.ENTER).perform();
  await see(driver, '.cell');
  await driver.navigate().back();
  await see(driver, '.cm-line');
  expect(await lines(driver)).toEqual(before);
});

it('asks before a job is deleted, and gives the keyboard back', async () => {
  const { driver } = app;
  await jobWith(ask, 'To be gone', [caption({ id: 'a', start: 0, end: 2000, text: 'the gate' })]);
  await driver.get(app.services.address);
  const bin = 'button[aria-label="Delete To be gone"]';
  await (await see(driver, bin)).click();
  await says(driver, 'This deletes the job and everything in it: 1 track with all edits');
  expect(await violationsInBothThemes(driver)).toEqual([]);
  await type(driver, Key.ESCAPE);
  await eventually(driver, 'the keyboard back at the button', () =>
    driver.executeScript<boolean>('return document.activeElement?.matches(arguments[0]) === true', bin),
  );
  await driver.findElement(By.css(bin)).click();
  await (await see(driver, '[role=dialog] .ant-btn-dangerous')).click();
  await eventually(driver, 'it gone', async () => (await driver.findElements(By.css(bin))).length === 0);
});
