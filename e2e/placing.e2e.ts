/** Listening and placing: captions that are late, drift and were made for another cut go where their words are said. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { plainly } from '../core/formats/sheet.ts';
import { readSrt } from '../core/formats/srt/read.ts';
import { srtWriter } from '../core/formats/srt/write.ts';
import { caption, type Caption } from '../core/model/caption.ts';
import { asking, captionsOf, jobWith, uploaded } from './support/ask.ts';
import { violations } from './support/axe.ts';
import { control, eventually, holding, Key, press, says, see, type, runCommand, saved } from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { heardThrough } from './support/new-job.ts';
import { scriptOf } from './support/script.ts';
import { seek } from './support/playhead.ts';

const app = withApplication();
const ask = asking(() => app.services.address);

const sentences = scriptOf('lock-after-dark');
/** Half a minute, where no more is needed. */
const short = scriptOf('fog-signals');
const shortSound = 'fixtures/recordings/fog-signals.wav';
let [hash, shortHash] = ['', ''];
beforeAll(async () => {
  const [demo] = await ask('GET /api/jobs');
  hash = demo?.recording?.hash ?? '';
  const sound = { length: 31_520, width: 0, height: 0 };
  shortHash = await uploaded(app.services.address, 'fog-signals.wav', readFileSync(shortSound), sound);
  for (const recording of [hash, shortHash]) {
    const { job } = await jobWith(ask, 'To be heard', [], { recording });
    await app.driver.get(`${app.services.address}/jobs/${job}/words`);
    await heardThrough(app, recording);
  }
});

/** Drifts by 25 for 24000/1001, is 8 s late, and 12 s more after a scene that the recording has no longer. */
const spoiled = (ms: number): number => Math.round(ms * 1.0427 + (ms > 80_000 ? 20_000 : 8000));
const captionsOfScript = (textOf: (text: string, i: number) => string = (text) => text, said = sentences): Caption[] =>
  said.map(({ text, start, end }, i) =>
    caption({
      id: `c${String(i).padStart(2, '0')}`,
      start: spoiled(start),
      end: spoiled(start) + end - start,
      text: textOf(text, i),
    }),
  );

/** Opens a job’s captions in the tape, to be placed by their sound. */
async function listening(
  captions: readonly Caption[],
  { language = 'en-GB', recording = hash } = {},
): Promise<{ job: string; track: string }> {
  const made = await jobWith(ask, 'Placing', captions, { recording, language });
  await app.driver.get(`${app.services.address}/jobs/${made.job}/tape`);
  await see(app.driver, '[data-test=tape]');
  await runCommand(app.driver, 'listen and place');
  await see(app.driver, '.retime-bar');
  return made;
}
const gone = (css: string): Promise<boolean> =>
  eventually(app.driver, `${css} to be gone`, () =>
    app.driver.executeScript<boolean>('return document.querySelector(arguments[0]) === null', css),
  );
const kept = async (track: string): Promise<readonly Caption[]> => {
  await saved(app.driver);
  return captionsOf(ask, track);
};

it('puts captions back where their words are said, shown before they are moved, as one step', async () => {
  const { track } = await listening(
    captionsOfScript((text, i) => (i === 20 ? 'Bananas are cheaper on Thursdays' : text)),
  );
  await press(app.driver, 'Listen for 39 captions');
  await see(app.driver, '.placing-panel');
  await says(app.driver, 'Captions certain');
  const figures = await (await see(app.driver, '.placing-figures')).getText();
  expect(figures).toMatch(/At the beginning\s+8\.\d+ s late/);
  expect(figures).toMatch(/Jump at 01:\d\d\.\d+\s+1\d\.\d+ s late/);
  expect(figures).toMatch(/Left where they are\s+0/);
  const picture = await see(app.driver, '.offset-picture');
  expect(await picture.getAttribute('aria-label')).toMatch(
    /At the beginning 8\.\d+ s late\. At 01:\d\d\.\d+: 1\d\.\d+ s missing/,
  );
  expect(await violations(app.driver)).toEqual([]);
  // Nothing is changed yet.
  expect((await kept(track))[0]?.start).toBe(spoiled(sentences[0]?.start ?? 0));
  // The one that is uncertain is gone to and heard, and left where it is.
  await press(app.driver, 'Next uncertain of');
  await eventually(app.driver, 'the caption to be played', () =>
    app.driver.executeScript<boolean>('return !document.querySelector("video").paused'),
  );
  await eventually(app.driver, 'the cursor at one that is uncertain', () =>
    app.driver.executeScript<boolean>('return document.querySelector(".placed-row.current .uncertain") !== null'),
  );
  await holding(app.driver, [Key.ALT], 'm');
  await says(app.driver, /38 captions, the first/);
  await holding(app.driver, [Key.ALT], 'm');
  await says(app.driver, /39 captions, the first/);
  // The tape shows the new times beside the old ones before they are kept.
  await press(app.driver, 'Show the captions');
  await see(app.driver, '[data-test=tape]');
  await press(app.driver, 'Show what was found');
  await see(app.driver, '.placing-panel');
  await press(app.driver, 'Apply');
  await gone('.placing-panel');
  const after = await eventually(app.driver, 'captions at their words', async () => {
    const now = await kept(track);
    return now[0]?.start === 1500 && now;
  });
  const off = after.map((c, i) => Math.abs(c.start - (sentences[i]?.start ?? 0)));
  expect(off.filter((ms) => ms <= 100).length).toBeGreaterThanOrEqual(37);
  expect(after.map((c) => c.id)).toEqual(captionsOfScript().map((c) => c.id));
  expect(after[0]?.words.map((w) => w[6])).toEqual(['Welcome', 'to', 'night', 'school,', 'part', 'three.']);
  // It had times, and keeps some.
  expect(after[20]?.timing).toBe('set');
  await control(app.driver, 'z');
  await eventually(app.driver, 'all of it back', async () => {
    const now = await kept(track);
    return now[0]?.start === spoiled(1500) && now[0].words.length === 0 && now[20]?.timing === 'set';
  });
});

it('moves only the part that is taken', async () => {
  const { track } = await listening(captionsOfScript(undefined, short), { recording: shortHash });
  await press(app.driver, 'Listen for 8 captions');
  await see(app.driver, '.placing-panel');
  const [box] = await app.driver.findElements({ css: '.placed-list input[type=checkbox]' });
  await box?.click();
  await says(app.driver, /7 captions, the first/);
  await press(app.driver, 'Apply');
  const moved = await eventually(app.driver, 'all but the first moved', async () => {
    const now = await kept(track);
    const first = now.find((c) => c.id === 'c00');
    const second = now.find((c) => c.id === 'c01');
    return (
      first?.start === spoiled(short[0]?.start ?? NaN) &&
      Math.abs((second?.start ?? NaN) - (short[1]?.start ?? NaN)) < 100 &&
      now
    );
  });
  // The command line hears the same in the same sound.
  const byCommand = placedByCommand(captionsOfScript(undefined, short));
  expect(byCommand).toHaveLength(8);
  const startOf = (text: string): number | undefined => byCommand.find((c) => c.text === text)?.start;
  const others = moved.filter((c) => c.id !== 'c00');
  expect(others.map((c) => c.start)).toEqual(others.map((c) => startOf(c.text)));
});

/** What `fenwix place` makes of captions and the same sound. */
function placedByCommand(captions: readonly Caption[]): readonly Pick<Caption, 'start' | 'text'>[] {
  const folder = mkdtempSync(join(tmpdir(), 'fenwix-placed-'));
  const [late, out] = [join(folder, 'late.srt'), join(folder, 'out.srt')];
  writeFileSync(late, srtWriter.write({ captions, title: '', language: 'en-GB', foreign: null }, plainly));
  const how = ['--audio', shortSound, '--language', 'en-GB', '--captions', late];
  execFileSync(process.execPath, ['dist/cli.mjs', 'place', ...how, out], { stdio: 'ignore' });
  const { captions: placed } = readSrt(readFileSync(out, 'utf8'));
  rmSync(folder, { recursive: true });
  return placed;
}

it('refuses words that are not said there, and moves nothing', async () => {
  const wrong = captionsOfScript(
    (_, i) => `Bananas ${String(i)} are cheaper at the market every single Thursday afternoon`,
    short,
  );
  const { track } = await listening(wrong, { recording: shortHash });
  await press(app.driver, 'Listen for 8 captions');
  await says(app.driver, 'The words and the sound do not match');
  expect((await kept(track)).map((c) => c.start)).toEqual(wrong.map((c) => c.start));
  const move = await app.driver.executeScript<boolean>(
    'return [...document.querySelectorAll(".retime-bar button")].find((b) => b.textContent.includes("Apply")).disabled',
  );
  expect(move).toBe(true);
});

it('is stopped in the middle, and nothing has happened', async () => {
  const { track } = await listening(captionsOfScript());
  await press(app.driver, 'Listen for 39 captions');
  await see(app.driver, '.retime-bar [role=progressbar]');
  await press(app.driver, 'Stop');
  await gone('.retime-bar [role=progressbar]');
  await says(app.driver, 'Listen for 39 captions');
  await type(app.driver, Key.ESCAPE);
  expect((await kept(track)).map((c) => c.start)).toEqual(captionsOfScript().map((c) => c.start));
});

it('says so where there is no acoustic model', async () => {
  await listening(captionsOfScript().slice(0, 3), { language: 'cy' });
  await says(app.driver, 'There is no acoustic model for cy');
});

it('lets go of what it found where the track is given another language, wherever that is done', async () => {
  const { track } = await listening(captionsOfScript(undefined, short), { recording: shortHash });
  await press(app.driver, 'Listen for 8 captions');
  await see(app.driver, '.placing-panel');
  await ask('PATCH /api/tracks/:id', { params: { id: track }, body: { language: 'cy' } });
  await gone('.placing-panel');
  await says(app.driver, 'There is no acoustic model for cy');
});

it('sends a caption nothing was heard of along with the one after it, where its neighbours disagree', async () => {
  const nonsense = 4;
  /** Late, and 12 s later still from that caption on. */
  const captions = short.map(({ text, start, end }, i) => {
    const by = i >= nonsense ? 20_000 : 8000;
    const words = i === nonsense ? 'Bananas are cheaper on Thursdays' : text;
    return caption({ id: `c0${String(i)}`, start: start + by, end: end + by, text: words });
  });
  const { track } = await listening(captions, { recording: shortHash });
  await press(app.driver, 'Listen for 8 captions');
  await see(app.driver, '.placing-panel');
  await press(app.driver, 'Next uncertain of');
  await see(app.driver, '.placed-row.current .uncertain');
  await press(app.driver, 'Next uncertain of');
  await press(app.driver, 'with the one after');
  await see(app.driver, '.send [aria-pressed=true]');
  await press(app.driver, 'Apply');
  const after = await eventually(app.driver, 'the captions moved', async () => {
    const now = await kept(track);
    return now[0]?.start !== captions[0]?.start && now;
  });
  const by = (i: number): number => {
    const before = captions[i];
    return (after.find((c) => c.id === before?.id)?.start ?? NaN) - (before?.start ?? NaN);
  };
  expect(by(nonsense)).toBe(by(nonsense + 1));
  expect(after.find((c) => c.id === captions[nonsense]?.id)?.timing).toBe('set');
});

it('goes on after a reload, and what was found is there again after another', async () => {
  await listening(captionsOfScript());
  await press(app.driver, 'Listen for 39 captions');
  await see(app.driver, '.retime-bar [role=progressbar]');
  await app.driver.navigate().refresh();
  await see(app.driver, '.placing-panel');
  await says(app.driver, /39 captions, the first/);
  await app.driver.navigate().refresh();
  await see(app.driver, '.placing-panel');
  // Once it is left, nothing comes back.
  await press(app.driver, 'Cancel');
  await gone('.retime-bar');
  await app.driver.navigate().refresh();
  await see(app.driver, '.tape-block');
  await saved(app.driver);
  expect(await app.driver.executeScript('return sessionStorage.getItem("fenwix-listening")')).toBeNull();
  expect(await app.driver.executeScript('return document.querySelector(".retime-bar")')).toBeNull();
});

it('tells where words and sound disagree, also in a track that is on time', async () => {
  const onTime = short.map(({ text, start, end }, i) =>
    caption({ id: `s${String(i)}`, start, end, text: i === 2 ? text.replace(/\S+$/, 'bananas.') : text }),
  );
  const { track } = await listening(onTime, { recording: shortHash });
  await press(app.driver, 'Listen for 8 captions');
  await see(app.driver, '.placing-panel');
  await eventually(app.driver, 'something to keep', () =>
    app.driver.executeScript<boolean>('return !document.querySelector(".retime-bar [type=submit]").disabled'),
  );
  await app.driver.findElement({ css: '.retime-bar [type=submit]' }).click();
  await eventually(app.driver, 'words with their times', async () => (await kept(track))[0]?.words.length === 10);
  await control(app.driver, '1', true);
  await see(app.driver, '.cm-line');
  await control(app.driver, Key.ARROW_DOWN);
  await control(app.driver, Key.ARROW_DOWN);
  await says(app.driver, 'Words and sound disagree');
  await says(app.driver, '“bananas.” was not heard here.');
});

it('makes captions of a text that has no times: placed and laid out in one step, and back in one', async () => {
  // Two sentences to a caption, as they came out of a transcript.
  const text = Array.from({ length: 4 }, (_, i) => `${short[i * 2]?.text ?? ''} ${short[i * 2 + 1]?.text ?? ''}`);
  const bare = text.map((each, i) =>
    caption({ id: `b${String(i)}`, start: i * 4000, end: i * 4000 + 3000, text: each, timing: 'provisional' }),
  );
  const { track } = await listening(bare, { recording: shortHash });
  await press(app.driver, 'Listen for 4 captions');
  await see(app.driver, '.placing-panel');
  await says(app.driver, /\d+ captions in all/);
  await press(app.driver, 'Apply');
  await says(app.driver, /4 captions moved and the text laid out; \d+ captions in all; one step to undo/);
  const laid = await eventually(app.driver, 'the text laid out', async () => {
    const now = await kept(track);
    return now.length > 4 && now;
  });
  expect(laid.map((c) => c.text.replace(/\s+/g, ' ')).join(' ')).toBe(text.join(' '));
  expect(laid.every((c) => c.timing === 'set')).toBe(true);
  for (const { start } of short.filter((_, i) => i % 2 === 0))
    expect(Math.min(...laid.map((c) => Math.abs(c.start - start)))).toBeLessThan(150);
  await control(app.driver, 'z');
  await eventually(app.driver, 'the text as it came', async () => (await kept(track)).length === 4);
  expect(await kept(track)).toEqual(bare);
});

it('notes where the playhead was when a caption of a text without times was begun', async () => {
  const { job, track } = await jobWith(ask, 'Written by ear', [], { recording: hash });
  await app.driver.get(`${app.services.address}/jobs/${job}/words`);
  await press(app.driver, 'Write the first caption');
  await see(app.driver, '.cm-line');
  await type(app.driver, 'Welcome to night school.');
  await seek(app.driver, 7);
  await type(app.driver, Key.ENTER, 'At the Tollen Reach flight.');
  await eventually(app.driver, 'both captions', async () => (await kept(track)).length === 2);
  expect((await kept(track)).map((c) => [c.start, c.timing, c.text])).toEqual([
    [0, 'provisional', 'Welcome to night school.'],
    [7000, 'provisional', 'At the Tollen Reach flight.'],
  ]);
});
