/** Times of many moved at once: edges, ties that are typed and halved, and the same move for another track. */
import { randomUUID } from 'node:crypto';
import { caption, type Caption } from '../core/model/caption.ts';
import { violations } from './support/axe.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { control, eventually, holding, Key, press, see, type, runCommand } from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { seek } from './support/playhead.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
let recording = '';
beforeAll(async () => {
  const [demo] = await ask('GET /api/jobs');
  recording = demo?.recording?.hash ?? '';
});

const spaced = (many: number, first: number, apart: number): readonly Caption[] =>
  Array.from({ length: many }, (_, i) =>
    caption({
      id: `c${String(i)}`,
      start: first + i * apart,
      end: first + i * apart + 2000,
      text: `Caption ${String(i)}.`,
    }),
  );
/** A job of these captions with its tape open and this command given. */
async function moving(captions: readonly Caption[], command: string): Promise<{ job: string; track: string }> {
  const made = await jobWith(ask, 'Retime', captions, { recording });
  await app.driver.get(`${app.services.address}/jobs/${made.job}/tape`);
  await see(app.driver, '.tape-block');
  await find(command);
  return made;
}
async function find(command: string): Promise<void> {
  await runCommand(app.driver, command);
  await see(app.driver, '.retime-bar');
}
const barSays = (text: RegExp): Promise<boolean> =>
  eventually(app.driver, `the bar to say ${String(text)}`, async () =>
    text.test(await (await see(app.driver, '.retime-bar')).getText()),
  );
const kept = (track: string, times: readonly (readonly [number, number])[]): Promise<boolean> =>
  eventually(app.driver, `captions at ${times.join('; ')}`, async () => {
    const now = await captionsOf(ask, track);
    return now.map((c) => [c.start, c.end].join()).join(';') === times.map((t) => t.join()).join(';');
  });
/** Types another text into a field. */
async function retype(css: string, text: string): Promise<void> {
  await (await see(app.driver, css)).click();
  await control(app.driver, 'a');
  await type(app.driver, text);
}

it('begins and ends at frames, closes gaps, and leads and lingers, each seen first and one step', async () => {
  const { track } = await moving(
    [
      caption({ id: 'a', start: 1013, end: 3000, text: 'One here.' }),
      caption({ id: 'b', start: 3400, end: 5000, text: 'Two here.' }),
      caption({ id: 'c', start: 9000, end: 10_000, text: 'Three here.' }),
    ],
    'snap to frames',
  );
  await barSays(/One caption begins/);
  expect(await violations(app.driver)).toEqual([]);
  await press(app.driver, 'Apply');
  await kept(track, [
    [1000, 3000],
    [3400, 5000],
    [9000, 10_000],
  ]);
  await find('snap to frames');
  await press(app.driver, 'Close gaps');
  await barSays(/One caption begins/);
  await press(app.driver, 'Apply');
  await eventually(app.driver, 'the gap closed', async () => {
    const [first] = await captionsOf(ask, track);
    return (first?.end ?? 0) > 3200 && (first?.end ?? 0) <= 3400;
  });
  await control(app.driver, 'z');
  await kept(track, [
    [1000, 3000],
    [3400, 5000],
    [9000, 10_000],
  ]);
  await find('snap to frames');
  await press(app.driver, 'Lead and linger');
  await retype('#edge-lead', '0,2');
  await retype('#edge-linger', 'long');
  await barSays(/Write seconds/);
  await retype('#edge-linger', '1');
  await barSays(/3 captions begin/);
  await press(app.driver, 'Apply');
  await eventually(app.driver, 'room taken', async () => {
    const now = await captionsOf(ask, track);
    return now[0]?.start === 800 && now[1]?.start === 3200 && now[1].end === 6000 && now[2]?.start === 8800;
  });
});

it('ties are typed, and what is halfway between two that disagree is heard', async () => {
  const captions = spaced(20, 2000, 6000);
  const { track } = await moving(captions, 'by ties');
  await holding(app.driver, [Key.ALT], 't');
  await see(app.driver, '.tie-list li');
  await retype('.tie-to', '0:04');
  await type(app.driver, Key.ENTER);
  await barSays(/20 captions, 2\.00 s later/);
  await retype('.tie-to', 'soon');
  await type(app.driver, Key.ENTER);
  await barSays(/Write a time as/);
  await retype('.tie-to', '0:03');
  await type(app.driver, Key.ENTER);
  await barSays(/20 captions, 1\.00 s later/);
  // The last belongs elsewhere than the first says: halfway tells where that begins.
  await app.driver.executeScript(`document.querySelector('[data-test=tape]').focus({ preventScroll: true })`);
  await holding(app.driver, [Key.CONTROL], ...captions.slice(1).map(() => Key.ARROW_DOWN));
  await barSays(/Caption 20 belongs/);
  await seek(app.driver, 120);
  await holding(app.driver, [Key.ALT], 't');
  await press(app.driver, 'Hear halfway');
  await barSays(/Press at its first word; the last one/);
  await eventually(app.driver, 'the caption halfway at the cursor', async () =>
    /Caption (10|11) belongs/.test(await (await see(app.driver, '.retime-bar')).getText()),
  );
  await press(app.driver, 'Skip it');
  await press(app.driver, 'Apply');
  await eventually(app.driver, 'the track moved', async () => {
    const now = await captionsOf(ask, track);
    return now[0]?.start === 3000 && Math.abs((now.at(-1)?.start ?? 0) - 120_000) <= 50;
  });
});

it('the same move is offered to another track of the job, seen there before it is kept', async () => {
  const { job, track } = await moving(spaced(4, 2000, 6000), 'shift in time');
  const other = randomUUID();
  const french = spaced(3, 3000, 7000);
  const body = { id: other, kind: 'subtitles', language: 'fr', name: 'sous-titres', captions: french } as const;
  await ask('POST /api/jobs/:id/tracks', { params: { id: job }, body });
  await app.driver.navigate().refresh();
  await see(app.driver, '.tape-block');
  await find('shift in time');
  await type(app.driver, '-1');
  await barSays(/4 captions, 1\.00 s earlier/);
  await press(app.driver, 'Apply');
  await kept(track, [
    [1000, 3000],
    [7000, 9000],
    [13_000, 15_000],
    [19_000, 21_000],
  ]);
  await press(app.driver, 'The same for sous-titres');
  await barSays(/The same as in fair copy/);
  await barSays(/3 captions, 1\.00 s earlier/);
  await kept(
    other,
    french.map((c) => [c.start, c.end] as const),
  );
  await press(app.driver, 'Apply');
  await kept(
    other,
    french.map((c) => [c.start - 1000, c.end - 1000] as const),
  );
});

it('a move can become a track of its own, made once, and this one stays as it was', async () => {
  const captions = spaced(4, 2000, 6000);
  const { job, track } = await moving(captions, 'by ties');
  await holding(app.driver, [Key.ALT], 't');
  await see(app.driver, '.tie-list li');
  await retype('.tie-to', '0:03');
  await type(app.driver, Key.ENTER);
  await barSays(/4 captions, 1\.00 s later/);
  await press(app.driver, 'Apply to a new track');
  await press(app.driver, 'Work on that');
  const { tracks } = await ask('GET /api/jobs/:id', { params: { id: job } });
  expect(tracks.map((t) => t.name)).toEqual(['fair copy', 'fair copy, moved']);
  await kept(
    track,
    captions.map((c) => [c.start, c.end] as const),
  );
  await kept(
    tracks[1]?.id ?? '',
    captions.map((c) => [c.start + 1000, c.end + 1000] as const),
  );
  await eventually(app.driver, 'the new track open', async () =>
    (await (await see(app.driver, 'header')).getText()).includes('fair copy, moved'),
  );
});
