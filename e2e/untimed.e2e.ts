/** Captions that are not timed: what can be done about them is said where they are, and takes two actions. */
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { caption, type Caption } from '../core/model/caption.ts';
import { asking, captionsOf, jobWith, uploaded } from './support/ask.ts';
import { violations } from './support/axe.ts';
import { By, eventually, press, saved, says, see } from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { heardThrough } from './support/new-job.ts';
import { scriptOf } from './support/script.ts';

const app = withApplication();
const ask = asking(() => app.services.address);

const sentences = scriptOf('fog-signals');
let hash = '';
beforeAll(async () => {
  const sound = { length: 31_520, width: 0, height: 0 };
  hash = await uploaded(
    app.services.address,
    'fog-signals.wav',
    readFileSync('fixtures/recordings/fog-signals.wav'),
    sound,
  );
  const { job } = await jobWith(ask, 'To be heard', [], { recording: hash });
  await app.driver.get(`${app.services.address}/jobs/${job}/words`);
  await heardThrough(app, hash);
});

const canApply = (): Promise<unknown> =>
  eventually(app.driver, 'something to apply', () =>
    app.driver.executeScript<boolean>('return document.querySelector(".retime-bar [type=submit]")?.disabled === false'),
  );
const line = async (): Promise<string | null> => {
  const [found] = await app.driver.findElements(By.css('.untimed-line'));
  return (await found?.getText()) ?? null;
};

it('a pasted transcript is timed in two actions, each sentence where it is said', async () => {
  const { job, track } = await jobWith(ask, 'Pasted', [], { recording: hash });
  await app.driver.get(`${app.services.address}/jobs/${job}/words`);
  await press(app.driver, 'Write the first caption');
  await see(app.driver, '.cm-content');
  await app.driver.executeScript(
    `const data = new DataTransfer(); data.setData('text/plain', arguments[0]);
     document.querySelector('.cm-content').dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));`,
    sentences.map(({ text }) => text).join('\n'),
  );
  await says(app.driver, `None of the ${String(sentences.length)} captions is timed yet.`);
  expect(await violations(app.driver)).toEqual([]);

  await press(app.driver, 'Listen and place');
  await canApply();
  await press(app.driver, 'Apply');

  await eventually(app.driver, 'no more word of it', async () => (await line()) === null);
  await saved(app.driver);
  const placed = await captionsOf(ask, track);
  expect(placed.map((c) => c.timing)).toEqual(sentences.map(() => 'set'));
  for (const [i, { start }] of sentences.entries()) expect(Math.abs((placed[i]?.start ?? 0) - start)).toBeLessThan(300);
});

it('one that is not timed among others gets its times, and the others stay where they are', async () => {
  const captions = sentences.map(({ text, start, end }, i): Caption => ({
    // Where somebody put them, which is not where they are heard to begin.
    ...caption({ id: `c${String(i)}`, start: start + 150, end: end + 150, text }),
    // Between its neighbours, as the text has it.
    ...(i === 1 ? { start: start + 400, end: start + 900, timing: 'provisional' as const } : {}),
  }));
  const { job, track } = await jobWith(ask, 'One of them', captions, { recording: hash });
  await app.driver.get(`${app.services.address}/jobs/${job}/words`);
  await says(app.driver, 'One caption is not timed yet.');
  await press(app.driver, 'Listen and place');
  await canApply();
  await press(app.driver, 'Apply');
  await saved(app.driver);
  await eventually(app.driver, 'its times kept', async () =>
    (await captionsOf(ask, track)).every((c) => c.timing === 'set'),
  );
  const placed = new Map((await captionsOf(ask, track)).map((c) => [c.id, c.start]));
  for (const c of captions.filter(({ timing }) => timing === 'set')) expect(placed.get(c.id)).toBe(c.start);
  expect(Math.abs((placed.get('c1') ?? 0) - (sentences[1]?.start ?? 0))).toBeLessThan(300);
});

it('the finding in the monitor offers the same, and marking goes to the tape', async () => {
  const captions = sentences.map(({ text }, i): Caption => ({
    ...caption({ id: `c${String(i)}`, start: i * 1000, end: i * 1000 + 900, text }),
    timing: 'provisional',
  }));
  const { job } = await jobWith(ask, 'By hand', captions, { recording: hash });
  await app.driver.get(`${app.services.address}/jobs/${job}/words`);
  await see(app.driver, '.untimed-line');
  const finding = await see(app.driver, '.monitor li.hollow');
  expect(await finding.getText()).toMatch(/Not timed.*Listen and place.*Mark them while it plays.*Borrow timing/s);
  await (await finding.findElement(By.xpath('.//button[contains(., "Mark them")]'))).click();
  await see(app.driver, '[data-test=next-to-time]');
});

it('a transcript that is imported is offered the same, and timed', async () => {
  const { job } = await jobWith(ask, 'Imported', [], { recording: hash });
  const path = join(mkdtempSync(join(tmpdir(), 'fenwix-files-')), 'said.txt');
  writeFileSync(path, sentences.map(({ text }) => text).join('\n\n'));
  await app.driver.get(`${app.services.address}/jobs/${job}/tracks`);
  await (await see(app.driver, '.stage-bar input[type=file]')).sendKeys(path);
  await press(app.driver, 'Add the track');
  await press(app.driver, 'Open it, and listen and place');
  await canApply();
  await press(app.driver, 'Apply');
  await eventually(app.driver, 'no more word of it', async () => (await line()) === null);
  await saved(app.driver);
  const { tracks } = await ask('GET /api/jobs/:id', { params: { id: job } });
  const added = tracks.find((t) => t.kind === 'transcript')?.id ?? '';
  expect((await captionsOf(ask, added)).map((c) => c.timing)).toEqual(sentences.map(() => 'set'));
});
