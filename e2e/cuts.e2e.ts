/** A recording that was cut again: captions follow what was typed, drawn on the tape, or found in the sound. */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { wavForm } from '../core/audio/wav.ts';
import { caption, type Caption } from '../core/model/caption.ts';
import { violations } from './support/axe.ts';
import { asking, captionsOf, jobWith, uploadedFog } from './support/ask.ts';
import { control, eventually, Key, press, says, see, type, runCommand } from './support/browser.ts';
import { withApplication } from './support/application.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
let fog = '';
beforeAll(async () => {
  fog = await uploadedFog(app.services.address);
});

const captions: readonly Caption[] = [1000, 5000, 9000, 14_000, 20_000].map((start, i) =>
  caption({ id: `c${String(i)}`, start, end: start + 2500, text: `Caption number ${String(i + 1)} here.` }),
);
/** @param more makes what else the job has */
async function cutting(more: (job: string) => Promise<void> = () => Promise.resolve()): Promise<{ track: string }> {
  const { job, track } = await jobWith(ask, 'Cuts', captions, { recording: fog });
  await more(job);
  await app.driver.get(`${app.services.address}/jobs/${job}/tape`);
  await see(app.driver, '[data-test=tape]');
  await runCommand(app.driver, 'cut again');
  await eventually(app.driver, 'the keyboard in the list', () =>
    app.driver.executeScript<boolean>(`return document.activeElement.id === 'cut-list'`),
  );
  return { track };
}
const barSays = (text: RegExp): Promise<boolean> =>
  eventually(app.driver, `the bar to say ${String(text)}`, async () =>
    text.test(await (await see(app.driver, '.retime-bar')).getText()),
  );
const kept = (track: string, starts: readonly number[]): Promise<boolean> =>
  eventually(app.driver, `captions at ${starts.join(', ')}`, async () => {
    const now = (await captionsOf(ask, track)).map((c) => c.start);
    return now.join() === starts.join();
  });

it('takes out what is typed, shown before it is kept, as one step', async () => {
  const { track } = await cutting();
  await type(app.driver, '0:04.5 – 0:12');
  await barSays(/2 captions move, 2 go with what was cut/);
  expect(await violations(app.driver)).toEqual([]);
  await kept(
    track,
    captions.map((c) => c.start),
  );
  await type(app.driver, Key.ENTER);
  await kept(track, [1000, 6500, 12_500]);
  await says(app.driver, '2 gone with what was cut');
  await control(app.driver, 'z');
  await kept(
    track,
    captions.map((c) => c.start),
  );
});

it('makes room for what was put in, and says what is no list', async () => {
  const { track } = await cutting();
  await type(app.driver, '0:12');
  await barSays(/Each cut has two times/);
  await press(app.driver, 'Put in');
  await (await see(app.driver, '#cut-list')).sendKeys(' 0:15');
  await barSays(/2 captions, 3\.00 s later/);
  await press(app.driver, 'Apply');
  await kept(track, [1000, 5000, 9000, 17_000, 23_000]);
});

const folder = mkdtempSync(join(tmpdir(), 'fenwix-cuts-'));
afterAll(() => rmSync(folder, { recursive: true }));
/** Another cut of the recording: three seconds more after five, the same horn as later on. */
function otherCut(): string {
  const wav = readFileSync('fixtures/recordings/fog-signals.wav');
  const form = wavForm(wav, wav.length);
  if (!form) throw new Error('It is a WAV file.');
  const at = (seconds: number): number => form.at + seconds * form.rate * 2;
  const path = join(folder, 'other-cut.wav');
  const cut = Buffer.concat([wav.subarray(0, at(5)), wav.subarray(at(21), at(24)), wav.subarray(at(5), at(31))]);
  // How many bytes of sound follow, as the file says of itself.
  cut.writeUInt32LE(cut.length - form.at, form.at - 4);
  cut.writeUInt32LE(cut.length - 8, 4);
  writeFileSync(path, cut);
  return path;
}

it('finds what became of the recording in the sound of the old one', async () => {
  const old = otherCut();
  const { track } = await cutting();
  await (await see(app.driver, '.retime-bar input[type=file]')).sendKeys(old);
  await barSays(/(2\.9|3\.0)\d s cut, 00:00:0(4\.9|5\.0)\d+ to 00:00:0(7\.9|8\.0)\d+/);
  expect(await violations(app.driver)).toEqual([]);
  await press(app.driver, 'Apply');
  await eventually(app.driver, 'the captions moved', async () => {
    const [first, , third] = await captionsOf(ask, track);
    return first?.start === 1000 && Math.abs((third?.start ?? 0) - 11_000) <= 100;
  });
});

it('a new cut takes the place of the recording, captions follow it, and the one before can be had back', async () => {
  const { job, track } = await jobWith(ask, 'A new cut', captions, { recording: fog });
  const at = (stage: string): string => `${app.services.address}/jobs/${job}/${stage}`;
  const recordingOf = async () => {
    const { recording, recordingBefore } = await ask('GET /api/jobs/:id', { params: { id: job } });
    return [recording?.name, recordingBefore?.name];
  };
  // Another window has the job open meanwhile.
  await app.driver.get(at('words'));
  await see(app.driver, '.cm-content');
  const first = await app.driver.getWindowHandle();
  await app.driver.switchTo().newWindow('tab');
  await app.driver.get(at('tape'));
  await see(app.driver, '[data-test=tape]');

  await runCommand(app.driver, 'About the recording');
  await says(app.driver, 'fog-signals.webm');
  expect(await violations(app.driver)).toEqual([]);
  const chooser = await see(app.driver, '.recording-form input[type=file]');
  await chooser.sendKeys(`${process.cwd()}/package.json`);
  await says(app.driver, 'The job keeps its recording');
  await chooser.sendKeys(otherCut());
  await says(app.driver, 'The recording of this job is now “other-cut.wav”.');
  expect(await recordingOf()).toEqual(['other-cut.wav', 'fog-signals.webm']);
  await press(app.driver, 'Find what was cut');
  await barSays(/(2\.9|3\.0)\d s put in at 00:00:0(4\.9|5\.0)/);
  await press(app.driver, 'Apply');
  await eventually(app.driver, 'the captions with the new cut', async () => {
    const [one, , third] = await captionsOf(ask, track);
    return one?.start === 1000 && Math.abs((third?.start ?? 0) - 12_000) <= 100;
  });

  const source = (): Promise<string> =>
    app.driver.executeScript<string>(`return document.querySelector('video, audio')?.currentSrc ?? ''`);
  const now = await source();
  await app.driver.close();
  await app.driver.switchTo().window(first);
  await eventually(app.driver, 'the other window to play the new cut', async () => (await source()) === now);

  await runCommand(app.driver, 'About the recording');
  await press(app.driver, 'Go back to “fog-signals.webm”');
  await says(app.driver, 'The recording of this job is now “fog-signals.webm” again.');
  expect(await recordingOf()).toEqual(['fog-signals.webm', 'other-cut.wav']);
});

it('says where nothing of another recording is in this one, and moves nothing', async () => {
  const { track } = await cutting();
  const other = `${process.cwd()}/fixtures/speech/night-school.wav`;
  await (await see(app.driver, '.retime-bar input[type=file]')).sendKeys(other);
  await barSays(/Nothing of night-school\.wav is in this recording/);
  await (await see(app.driver, '.retime-bar input[type=file]')).sendKeys(`${process.cwd()}/package.json`);
  await barSays(/No captions were moved/);
  await kept(
    track,
    captions.map((c) => c.start),
  );
});

it('every other track of the job follows at once, and each can be gone back to what it was', async () => {
  const others = [randomUUID(), randomUUID()] as const;
  const starts = [2000, 6000, 13_000];
  const { track } = await cutting(async (job) => {
    for (const id of others) {
      const lines = starts.map((start, i) =>
        caption({ id: `${id}-${String(i)}`, start, end: start + 1500, text: `Ligne ${String(i + 1)}` }),
      );
      const body = {
        id,
        kind: 'subtitles',
        language: 'fr',
        name: `sous-titres ${id.slice(0, 4)}`,
        captions: lines,
      } as const;
      await ask('POST /api/jobs/:id/tracks', { params: { id: job }, body });
    }
  });
  await type(app.driver, '0:04.5 – 0:12');
  await barSays(/2 captions move, 2 go with what was cut/);
  await type(app.driver, Key.ENTER);
  await kept(track, [1000, 6500, 12_500]);
  await press(app.driver, 'The same for all 2 others');
  await says(app.driver, '2 other tracks moved alike. What each was before is under its Versions.');
  for (const id of others) await kept(id, [2000, 5500]);
  for (const id of others)
    expect(
      (await ask('GET /api/tracks/:id', { params: { id }, query: { at: 1 } })).captions.map((c) => c.start),
    ).toEqual(starts);
});
