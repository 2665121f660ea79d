/** Every dialog, menu and list that opens, in both themes: nothing for axe to find, nothing against the content policy. */
import { violationsInBothThemes } from './support/axe.ts';
import { asking } from './support/ask.ts';
import {
  caretAt,
  complaints,
  control,
  eventually,
  Key,
  press,
  says,
  see,
  type,
  runCommand,
} from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { seek } from './support/playhead.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
const list = '.ant-select-dropdown:not([style*="display: none"]) [role=option]';

/** Opens the list of the field with this name by keyboard. */
async function openList(field: string): Promise<void> {
  await see(app.driver, `input[aria-label="${field}"]`);
  await app.driver.executeScript(
    'document.querySelector(`input[aria-label="${arguments[0]}"]`).focus({ preventScroll: false })',
    field,
  );
  await type(app.driver, Key.ARROW_DOWN);
  await see(app.driver, list);
}
/** Nothing is wrong with what is open; then it is closed. */
async function sound(): Promise<void> {
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  expect(await complaints(app.driver)).toEqual([]);
  await type(app.driver, Key.ESCAPE);
}
const goTo = async (path: string, ready: string): Promise<void> => {
  await app.driver.get(app.services.address + path);
  await see(app.driver, ready);
};

let job = '';
beforeAll(async () => {
  job = (await ask('GET /api/jobs'))[0]?.id ?? '';
});

it('Jobs: the order of the list, and the question before a job is deleted', async () => {
  await goTo('/', '.row-link');
  await openList('Sort by');
  await sound();
  await (await see(app.driver, '[aria-label^="Delete "]')).click();
  await says(app.driver, 'It cannot be undone');
  await sound();
});

it('New job: the languages, and what is missing', async () => {
  await goTo('/new', '.intake');
  await openList('Language spoken');
  await sound();
  await press(app.driver, 'Create the job');
  await says(app.driver, 'Choose a recording first.');
  await sound();
});

it('House styles: the menu of one, one being edited, and the question before it is deleted', async () => {
  await goTo('/styles', '.uses');
  await press(app.driver, 'Copy');
  await see(app.driver, 'input[aria-label="Name of the house style"]');
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  await openList('Smallest gap, unit');
  await sound();
  await press(app.driver, 'Save');
  await says(app.driver, 'made here');
  await eventually(app.driver, 'the keyboard back at the style', () =>
    app.driver.executeScript<boolean>('return document.activeElement.innerText.trim() === "Edit"'),
  );
  await (await see(app.driver, '[aria-label^="More for Lecture 38,"]')).click();
  await see(app.driver, '[role=menuitem]');
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  await type(app.driver, 'd', Key.ENTER);
  await says(app.driver, 'No job uses it');
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  await (await see(app.driver, '.ant-modal-footer .ant-btn-dangerous')).click();
  await says(app.driver, 'Lecture 38');
});

it('the head of a job: its house styles, and the one of this job', async () => {
  await goTo(`/jobs/${job}/words`, '.cm-line');
  await (await see(app.driver, '.head button[aria-haspopup=menu]')).click();
  await see(app.driver, '[role=menuitem]');
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  await type(app.driver, 'c', Key.ENTER);
  await see(app.driver, '.job-style');
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  await openList('Shape of two lines');
  await sound();
  await press(app.driver, 'Cancel');
});

it('Words: the finder, reflow with its lists, and the speeds of playback', async () => {
  await goTo(`/jobs/${job}/words`, '.cm-line');
  await openList('Playback speed');
  await sound();
  await caretAt(app.driver, 'welcome', 'before');
  await control(app.driver, 'k');
  await see(app.driver, '.finder-input');
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  await type(app.driver, 'Reflow', Key.ENTER);
  await says(app.driver, 'Include captions that already meet');
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  await openList('What is reflowed');
  await sound();
  await press(app.driver, 'Cancel');
});

it('the tape: about the recording, a drawn stretch, a part, a shift that is tried, and text being written', async () => {
  await goTo(`/jobs/${job}/tape`, '.tape-block');
  await (await see(app.driver, '[aria-label="About the recording…"]')).click();
  await see(app.driver, '.recording-form');
  await openList('Frame rate');
  await sound();
  await press(app.driver, 'Save');
  await runCommand(app.driver, 'keep only a part');
  await says(app.driver, 'Captions up to the playhead');
  await sound();
  await runCommand(app.driver, 'shift in time');
  await see(app.driver, '#shift-by');
  await type(app.driver, '0.4');
  await sound();
  await seek(app.driver, 2);
  await runCommand(app.driver, 'draw a stretch up to the playhead');
  await see(app.driver, '[aria-label="The drawn stretch"]');
  expect(await violationsInBothThemes(app.driver)).toEqual([]);
  await press(app.driver, 'Caption only this part');
  await says(app.driver, 'captions up to here');
  await press(app.driver, 'Show');
  await see(app.driver, '[role=menuitem]');
  await sound();
  await app.driver.executeScript('document.querySelector("[data-test=tape]").focus({ preventScroll: true })');
  await type(app.driver, Key.ENTER);
  await see(app.driver, '.tape-text .cm-content');
  await sound();
  await runCommand(app.driver, 'caption all of the recording');
  await eventually(
    app.driver,
    'all of it',
    async () => (await ask('GET /api/jobs/:id', { params: { id: job } })).stretch === null,
  );
});

it('Checks: captions of one bar, and a reason to let it be', async () => {
  await goTo(`/jobs/${job}/checks`, '.row-choose');
  await press(app.driver, 'Let it be');
  await see(app.driver, 'input[aria-label="The reason to let it be"]');
  await sound();
  await (await see(app.driver, '.spread-bar:not(:disabled)')).click();
  await see(app.driver, '.list-choose');
  await sound();
});

it('Tracks: an imported file with its lists', async () => {
  await goTo(`/jobs/${job}/tracks`, '.tracks tbody tr');
  await (
    await see(app.driver, '.stage-bar input[type=file]')
  ).sendKeys(`${process.cwd()}/demo/recordings/lock-after-dark/machine-draft.ctm`);
  await see(app.driver, '.import-first');
  await openList('Encoding');
  await sound();
  await openList('Kind');
  await sound();
});

it('Handover: the recordings at a destination', async () => {
  await goTo(`/jobs/${job}/handover`, '.cell');
  await openList('Recording at Quayside');
  await sound();
});
