/** The main job from end to end on the demo: open, play, mend, share, check, keep, hand over, see it there. */
import {
  caretAt,
  complaints,
  control,
  downloaded,
  eventually,
  holding,
  Key,
  lines,
  openBrowser,
  press,
  says,
  see,
  type,
  By,
  type Opened,
  type WebDriver,
} from './support/browser.ts';
import { startDemo, type Demo } from './support/services.ts';

let demo: Demo;
let opened: Opened;
let driver: WebDriver;
beforeAll(async () => {
  demo = await startDemo();
  opened = await openBrowser();
  driver = opened.driver;
});
afterAll(async () => {
  await opened.driver.quit();
  await demo.stop();
});

const playhead = async (): Promise<string> => (await see(driver, '[data-test=playhead]')).getText();
const cursorTitle = async (): Promise<string> => driver.findElement(By.css('.figures-head')).getText();
const findings = async (): Promise<number> =>
  Number(
    (await driver.findElements(By.css('.rail-count')))[0]
      ? await driver.findElement(By.css('.rail-count')).getText()
      : '0',
  );
const kept = () => says(driver, 'All changes saved');
const first = async (): Promise<string> => (await lines(driver))[0] ?? '';

/** Length of the first caption's first line as the margin shows it. */
const marginLength = (nth: number): Promise<string> =>
  driver.executeScript<string>(
    'return /^\\d+/.exec(document.querySelectorAll(".margin-figures")[arguments[0]]?.firstChild.data)?.[0]',
    nth,
  );

it('opens the demo job from the list of jobs', async () => {
  await driver.get(demo.address);
  await says(driver, 'Working a lock after dark');
  await (await see(driver, '.row-link')).click();
  await see(driver, '.cm-line');
  expect(await first()).toContain('welcome to night school');
  await kept();
});

it('plays: the time moves, the cursor caption goes along, the picture shows the caption', async () => {
  const before = await playhead();
  await control(driver, ' ');
  await eventually(driver, 'the playhead to move', async () => (await playhead()) > before);
  await eventually(driver, 'the picture to show what is said', async () =>
    (await driver.findElement(By.css('[data-test=picture-captions]')).getText()).includes('welcome'),
  );
  await eventually(driver, 'the next caption to become the cursor caption', async () =>
    (await cursorTitle()).startsWith('Caption 2 '),
  );
  await control(driver, ' ');
  await eventually(
    driver,
    'the play button again',
    async () => (await driver.findElements(By.css('[aria-label=Play]'))).length === 1,
  );
  const held = await playhead();
  expect(await playhead()).toBe(held);
  await control(driver, ',');
  await eventually(driver, 'one step back', async () => (await playhead()) < held);
});

it('brings the playhead to a caption whose time is pressed', async () => {
  await driver.findElement(By.xpath('(//*[contains(@class, "margin-time")])[4]')).click();
  await eventually(driver, 'that caption under the cursor', async () => (await cursorTitle()).startsWith('Caption 4 '));
  const start = await driver.findElement(By.css('[aria-label="Begin of caption"]')).getAttribute('value');
  await eventually(driver, 'the playhead at its start', async () => (await playhead()) === start);
});

it('replays the cursor caption and stops after it', async () => {
  await control(driver, "'");
  await eventually(
    driver,
    'holding while it plays',
    async () => (await driver.findElements(By.css('[aria-label=Pause]'))).length === 1,
  );
  await eventually(
    driver,
    'stopping by itself',
    async () => (await driver.findElements(By.css('[aria-label=Play]'))).length === 1,
  );
});

it('mends a misheard word, and the margin, the picture and the server follow', async () => {
  await caretAt(driver, 'talon', 'after');
  await type(driver, ...Array<string>(5).fill(Key.BACK_SPACE), 'Tollen');
  await eventually(driver, 'the word mended', async () =>
    (await lines(driver)).some((l) => l.includes('at the Tollen')),
  );
  await eventually(driver, 'the margin counting one more', async () => (await marginLength(2)) === '26');
  await kept();
});

it('gives a line break, and takes it back with one key', async () => {
  const before = await lines(driver);
  await caretAt(driver, 'welcome to night', 'after');
  await holding(driver, [Key.SHIFT], Key.ENTER);
  await eventually(driver, 'the finding about three lines', async () =>
    (await says(driver, 'Too many lines')).includes('limit 2'),
  );
  await control(driver, 'z');
  await eventually(driver, 'the lines as before', async () => (await lines(driver)).join('|') === before.join('|'));
});

it('shares a caption in two where the word was said, and joins it again', async () => {
  const count = async (): Promise<number> => Number(/of (\d+)/.exec(await cursorTitle())?.[1]);
  const before = await count();
  await caretAt(driver, 'projects', 'before');
  await type(driver, Key.ENTER);
  await eventually(driver, 'one caption more', async () => (await count()) === before + 1);
  await eventually(driver, 'the second part under the cursor', async () =>
    (await cursorTitle()).startsWith('Caption 4 '),
  );
  await eventually(driver, 'the time of the fourth caption', () =>
    driver.executeScript<boolean>(
      'return document.querySelectorAll(".margin-time")[3]?.textContent.startsWith("00:0") === true',
    ),
  );
  await type(driver, Key.HOME, Key.BACK_SPACE);
  await eventually(driver, 'them joined', async () => (await count()) === before);
  await control(driver, 'z');
  await eventually(driver, 'them shared again', async () => (await count()) === before + 1);
  await control(driver, 'z', true);
  await eventually(driver, 'them joined again', async () => (await count()) === before);
  await control(driver, 'z');
  await eventually(driver, 'them shared for good', async () => (await count()) === before + 1);
});

it('goes to a finding from Checks, and the finding goes when it is mended', async () => {
  await caretAt(driver, 'is read you wait', 'after');
  await type(driver, ' for the keeper');
  await eventually(driver, 'a finding', async () => (await findings()) > 0);
  const before = await findings();
  await (await see(driver, 'a[href$="/checks"]')).click();
  await says(driver, `▲ ${String(before)} must`);
  await press(driver, 'Line too long');
  await press(driver, 'Edit in Words');
  const long = await eventually(
    driver,
    'the finding in the monitor',
    async () => await driver.findElement(By.css('[aria-label="Findings of this caption"] li.must')).getText(),
  );
  expect(long).toMatch(/Line too long.*Line 1 has 46 characters; limit 38/);
  await type(driver, ...Array<string>(24).fill(Key.DELETE));
  await eventually(driver, 'one finding fewer', async () => (await findings()) === before - 1);
  await control(driver, 'z');
  await eventually(driver, 'the finding back after undo', async () => (await findings()) === before);
  await control(driver, 'z', true);
  await eventually(driver, 'the finding gone after redo', async () => (await findings()) === before - 1);
});

it('proofs a caption by key and goes on to the next, playing it', async () => {
  const before = Number(/Caption (\d+)/.exec(await cursorTitle())?.[1]);
  await control(driver, Key.ENTER);
  await says(driver, '1 of 33 proofed');
  await eventually(driver, 'the next caption', async () =>
    (await cursorTitle()).startsWith(`Caption ${String(before + 1)} `),
  );
  await eventually(
    driver,
    'it playing to its end',
    async () => (await driver.findElements(By.css('[aria-label=Play]'))).length === 1,
  );
});

it('finds all of it kept after a reload', async () => {
  await kept();
  const count = await findings();
  await driver.navigate().refresh();
  await see(driver, '.cm-line');
  await says(driver, '1 of 33 proofed');
  expect((await lines(driver)).some((l) => l.includes('at the Tollen'))).toBe(true);
  expect(await findings()).toBe(count);
});

it('downloads the SRT under its proper name, byte for byte what the track says', async () => {
  await (await see(driver, 'a[href$="/handover"]')).click();
  await press(driver, 'Download the SRT file');
  const file = await downloaded(opened, '.srt');
  expect(file.name).toBe('working-a-lock-after-dark.en_GB.srt');
  const job = await driver.executeScript<string>('return location.pathname.split("/")[2]');
  const tracks = (await (await fetch(`${demo.address}/api/jobs/${job}`)).json()) as {
    tracks: { id: string; kind: string }[];
  };
  const id = tracks.tracks.find((t) => t.kind === 'captions')?.id ?? '';
  const { captions } = (await (await fetch(`${demo.address}/api/tracks/${id}`)).json()) as {
    captions: { start: number; end: number; text: string }[];
  };
  const two = (n: number, size = 2): string => String(n).padStart(size, '0');
  const clock = (ms: number): string =>
    `${two(Math.floor(ms / 3.6e6))}:${two(Math.floor(ms / 6e4) % 60)}:${two(Math.floor(ms / 1000) % 60)},${two(ms % 1000, 3)}`;
  expect(file.text).toBe(
    captions.map((c, i) => `${String(i + 1)}\n${clock(c.start)} --> ${clock(c.end)}\n${c.text}\n`).join('\n'),
  );
  expect(file.text).toContain('at the Tollen');
});

it('sends it, waits for live, and the watch page shows the mended caption', async () => {
  await press(driver, 'Send');
  await says(driver, 'Being processed');
  await eventually(driver, 'it to be live', async () =>
    (await driver.findElement(By.css('.cell')).getText()).includes('Live'),
  );
  const watch = await (await see(driver, '.cell a')).getAttribute('href');
  expect(await complaints(driver)).toEqual([]);
  await driver.get(watch ?? '');
  const shown = await eventually(driver, 'the mended caption in the browser’s own track', () =>
    driver.executeAsyncScript<string | null>(
      `const done = arguments[arguments.length - 1];
       const video = document.querySelector('video');
       const track = video.textTracks[[...document.querySelectorAll('track')].findIndex((t) => t.default)];
       const look = () => { const cue = track.activeCues && track.activeCues[0]; return cue && cue.text; };
       if (video.currentTime < 7.5) { video.addEventListener('seeked', () => done(look()), { once: true }); video.currentTime = 8; } else done(look());`,
    ),
  );
  expect(shown).toContain('Tollen');
});
