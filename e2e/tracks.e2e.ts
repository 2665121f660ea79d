/** The tracks of a job: compared, copied, given another name. */
import { randomUUID } from 'node:crypto';
import { caption } from '../core/model/caption.ts';
import type { Edit } from '../core/model/edits.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { violations } from './support/axe.ts';
import {
  By,
  caretAt,
  control,
  downloaded,
  eventually,
  holding,
  Key,
  lines,
  pick,
  press,
  says,
  see,
  type,
  saved,
} from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { seek } from './support/playhead.ts';

const app = withApplication();
const ask = asking(() => app.services.address);

const right = [
  caption({ id: 'a', start: 1000, end: 3000, text: 'Shut the lower gate.' }),
  caption({ id: 'b', start: 4000, end: 6000, text: 'Then wait for the bell.' }),
];
/** A job with a fair copy and a machine draft of it, its Tracks open. */
async function tracks(recording: string | null = null): Promise<{ job: string; track: string; draft: string }> {
  const made = await jobWith(ask, 'Tracks', right, { recording });
  const draft = randomUUID();
  const captions = [
    caption({ id: 'x', start: 1250, end: 3000, text: 'shut the lover gate' }),
    caption({ id: 'y', start: 4250, end: 6000, text: 'then wait the bell' }),
  ];
  const body = { id: draft, kind: 'machine', language: 'en-GB', name: 'machine draft', captions } as const;
  await ask('POST /api/jobs/:id/tracks', { params: { id: made.job }, body });
  await app.driver.get(`${app.services.address}/jobs/${made.job}/tracks`);
  await see(app.driver, '.compare-figures');
  return { ...made, draft };
}
/** Opens the menu of a track and takes one of what it offers, by its place. */
async function more(name: string, nth: number): Promise<void> {
  await (await see(app.driver, `[aria-label="More for ${name}"]`)).click();
  await eventually(app.driver, 'the keyboard in the menu', () =>
    app.driver.executeScript<boolean>('return document.activeElement.getAttribute("role") === "menuitem"'),
  );
  await type(app.driver, ...Array.from({ length: nth - 1 }, () => Key.ARROW_DOWN), Key.ENTER);
}

it('are compared: how many words differ, which, and how far apart they begin', async () => {
  const { track } = await tracks();
  const figures = await (await see(app.driver, '.compare-figures')).getText();
  expect(figures).toMatch(/Word error rate\s+22\.2 % of 9/);
  expect(figures).toMatch(/1, 1, 0/);
  expect(figures).toMatch(/250 ms later/);
  const rows = await app.driver.executeScript<string[]>(
    'return [...document.querySelectorAll(".compare-row")].map((row) => row.textContent.replace(/\\s+/g, " ").trim())',
  );
  expect(rows).toHaveLength(2);
  expect(rows[0]).toContain('Shut the lover lower gate. Then wait for');
  // Going to one of them chooses its caption.
  await (await see(app.driver, 'li[data-index="1"] .compare-row')).click();
  await says(app.driver, 'Caption 2 of 2');
  expect((await captionsOf(ask, track)).map((c) => c.text)).toEqual(right.map((c) => c.text));
});

it('that are compared change on the picture by a key, at the same moment', async () => {
  const jobs = await ask('GET /api/jobs');
  await tracks(jobs.find((j) => j.recording)?.recording?.hash ?? null);
  const onPicture = (text: string): Promise<boolean> =>
    eventually(app.driver, `“${text}” on the picture`, async () =>
      (await (await see(app.driver, '[data-test=picture-captions]')).getText()).replace(/\s+/g, ' ').includes(text),
    );
  await seek(app.driver, 2);
  await onPicture('Shut the lower gate.');
  await press(app.driver, 'machine draft');
  await onPicture('shut the lover gate');
  await holding(app.driver, [Key.ALT], 'o');
  await onPicture('Shut the lower gate.');
  await holding(app.driver, [Key.ALT], 'o');
  await onPicture('shut the lover gate');
  // Elsewhere the picture shows what is worked on.
  await control(app.driver, '1', true);
  await onPicture('Shut the lower gate.');
});

it('are copied whole, once, and a copy of a machine draft can be worked on', async () => {
  const { job } = await tracks();
  await more('machine draft', 2);
  await says(app.driver, '“machine draft, a copy” is now a track of this job.');
  const { tracks: all } = await ask('GET /api/jobs/:id', { params: { id: job } });
  expect(all.map((t) => [t.name, t.kind])).toEqual([
    ['fair copy', 'captions'],
    ['machine draft', 'machine'],
    ['machine draft, a copy', 'captions'],
  ]);
  expect((await captionsOf(ask, all[2]?.id ?? '')).map((c) => [c.start, c.text])).toEqual([
    [1250, 'shut the lover gate'],
    [4250, 'then wait the bell'],
  ]);
});

it('are given another name, which the header says too', async () => {
  const { job, track } = await tracks();
  await more('fair copy', 1);
  await see(app.driver, '#track-name');
  await app.driver.executeScript('document.getElementById("track-name").select()');
  await type(app.driver, 'for the reach', Key.ENTER);
  await eventually(app.driver, 'the name to be kept', async () => {
    const { tracks: all } = await ask('GET /api/jobs/:id', { params: { id: job } });
    return all.find((t) => t.id === track)?.name === 'for the reach';
  });
  await eventually(app.driver, 'the header to say it', async () =>
    (await (await see(app.driver, 'header')).getText()).includes('for the reach'),
  );
  // Typed and left at once by a link, it is kept too.
  await more('for the reach', 1);
  await see(app.driver, '#track-name');
  await app.driver.executeScript('document.getElementById("track-name").select()');
  await type(app.driver, 'for the weir');
  await (await see(app.driver, 'a[href$="/words"]')).click();
  await eventually(app.driver, 'the name to be kept', async () => {
    const { tracks: all } = await ask('GET /api/jobs/:id', { params: { id: job } });
    return all.find((t) => t.id === track)?.name === 'for the weir';
  });
});

it('that count from a whole hour are offered without it, words and all, as one step', async () => {
  const hour = 3_600_000;
  const words = [[0, 4, hour + 1100, hour + 1300, 1, 'aligned', 'Shut']] as const;
  const late = right.map((c, i) => ({ ...c, start: c.start + hour, end: c.end + hour, words: i === 0 ? words : [] }));
  const [demo] = await ask('GET /api/jobs');
  const { job, track } = await jobWith(ask, 'From tape', late, { recording: demo?.recording?.hash ?? null });
  await app.driver.get(`${app.services.address}/jobs/${job}/words`);
  await says(app.driver, 'The captions count from 01:00:00');
  await press(app.driver, 'Take 01:00:00 off');
  await eventually(app.driver, 'the hour to be gone', async () => {
    const [first, second] = await captionsOf(ask, track);
    return first?.start === 1000 && first.words[0]?.[2] === 1100 && second?.start === 4000;
  });
  await control(app.driver, 'z');
  await eventually(
    app.driver,
    'the hour to be back',
    async () => (await captionsOf(ask, track))[0]?.start === hour + 1000,
  );
});

it('are deleted and brought back, get another language and kind, and the one that is worked on stays', async () => {
  const { job, track, draft } = await tracks();
  await more('machine draft', 5);
  await says(app.driver, '“machine draft” is deleted, and kept for thirty days.');
  await says(app.driver, 'kept for 30 more days');
  expect((await ask('GET /api/jobs/:id', { params: { id: job } })).tracks.map((t) => t.name)).toEqual(['fair copy']);
  expect(await violations(app.driver)).toEqual([]);
  await app.driver.navigate().refresh();
  await says(app.driver, 'kept for 30 more days');
  await press(app.driver, 'Bring it back');
  await eventually(app.driver, 'it back', async () =>
    (await ask('GET /api/jobs/:id', { params: { id: job } })).tracks.some((t) => t.id === draft),
  );
  const menu = await see(app.driver, '[aria-label="More for fair copy"]');
  await more('fair copy', 3);
  await see(app.driver, '.ant-modal');
  await pick(app.driver, 'Kind', 'subtitles');
  await press(app.driver, 'Save');
  await eventually(app.driver, 'the kind changed', async () =>
    (await ask('GET /api/jobs/:id', { params: { id: job } })).tracks.some((t) => t.kind === 'subtitles'),
  );
  // The stages show it without being taken away, whoever changed it.
  await eventually(app.driver, 'the list to say it', async () =>
    (await (await see(app.driver, '.data-table')).getText()).includes('subtitles'),
  );
  await menu.click();
  await eventually(
    app.driver,
    'the menu',
    async () => (await app.driver.findElements(By.css('[role=menuitem]'))).length === 4,
  );
  await ask('PATCH /api/tracks/:id', { params: { id: track }, body: { language: 'fr-FR', name: 'copie' } });
  await eventually(app.driver, 'the header to say it', async () =>
    /French.*copie/s.test(await (await see(app.driver, 'header')).getText()),
  );
  await eventually(
    app.driver,
    'its row to say it',
    async () => (await menu.getAttribute('aria-label')) === 'More for copie',
  );
  // Deleted from elsewhere it is told, and what is written meanwhile is there when it is back.
  await ask('PATCH /api/tracks/:id', { params: { id: track }, body: { deleted: true } });
  await says(app.driver, '“copie” was deleted in another window.');
  await type(app.driver, Key.ESCAPE);
  await control(app.driver, '1', true);
  await caretAt(app.driver, 'lower', 'before');
  await type(app.driver, 'old ');
  await saved(app.driver);
  await control(app.driver, '4', true);
  await press(app.driver, 'Bring it back');
  await eventually(app.driver, 'it back with what was written', async () => {
    const { tracks: all } = await ask('GET /api/jobs/:id', { params: { id: job } });
    return all.some((t) => t.id === track) && (await captionsOf(ask, track))[0]?.text === 'Shut the old lower gate.';
  });
  await eventually(
    app.driver,
    'no more word of it',
    async () => !(await (await see(app.driver, 'body')).getText()).includes('was deleted in another window'),
  );
});

it('has versions: what changed in each, looked at beside the track as it is, gone back to and undone', async () => {
  const { job, track } = await tracks();
  await more('fair copy', 4);
  const rows = async (): Promise<string[]> =>
    app.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('.versions tbody tr')].map((row) => row.textContent.replace(/\\s+/g, ' ').trim())`,
    );
  await eventually(app.driver, 'its first state', async () => (await rows()).join().includes('2 new'));
  // Every caption is made another: many at once, by somebody elsewhere.
  const many = Array.from({ length: 25 }, (_, i) =>
    caption({ id: `n${String(i)}`, start: 10_000 + i * 2000, end: 11_500 + i * 2000, text: `Gate ${String(i)}.` }),
  );
  const batch = (id: string, base: number, edit: Edit) =>
    ask('POST /api/tracks/:id/edits', { params: { id: track }, body: { id, base, edits: [edit] } });
  await batch('first', 1, { type: 'insert', captions: many });
  await batch('second', 2, { type: 'splice', id: 'a', from: 0, to: 4, insert: 'Open' });
  await eventually(app.driver, 'three states', async () => (await rows()).length === 3);
  const [now, inserted, first] = await rows();
  expect(now).toMatch(/1 reworded.*as it is now/);
  expect(inserted).toMatch(/25 new/);
  expect(first).toMatch(/2 new.*Look at it.*Go back to it/);
  const pressOfFirst = async (what: string): Promise<void> =>
    (
      await app.driver.findElement(
        By.xpath(`//*[contains(@class,'versions')]//tbody/tr[last()]//button[contains(.,'${what}')]`),
      )
    ).click();
  await pressOfFirst('Look at it');
  await eventually(app.driver, 'what differs', async () =>
    /Shut\s*Open|Open\s*Shut/.test(await (await see(app.driver, '.compare')).getText()),
  );
  expect(await violations(app.driver)).toEqual([]);
  await pressOfFirst('Go back to it');
  await says(app.driver, /The track is what it was on .*; one step to undo/);
  await eventually(app.driver, 'the first captions', async () => (await captionsOf(ask, track)).length === 2);
  expect(await captionsOf(ask, track)).toEqual(right);
  await control(app.driver, 'z');
  await eventually(app.driver, 'all of them again', async () => (await captionsOf(ask, track)).length === 27);
  expect((await captionsOf(ask, track))[0]?.text).toBe('Open the lower gate.');
  // Left as soon as it is shown it is gone back to all the same, and once.
  await pressOfFirst('Go back to it');
  await says(app.driver, /The track is what it was on .*; one step to undo/);
  await app.driver.navigate().refresh();
  await eventually(app.driver, 'the first captions once more', async () => (await captionsOf(ask, track)).length === 2);
  expect(await captionsOf(ask, track)).toEqual(right);
  await ask('DELETE /api/jobs/:id', { params: { id: job } });
});

it('are shown beside the one that is worked on, with what they have at the time of its caption', async () => {
  const { job, draft } = await tracks();
  await more('machine draft', 4);
  const beside = async (): Promise<string> =>
    (await see(app.driver, '[aria-label="The track beside this one"]')).getText();
  await eventually(app.driver, 'what the draft has there', async () =>
    (await beside()).includes('shut the lover gate'),
  );
  await control(app.driver, '1', true);
  await see(app.driver, '.cm-line');
  await control(app.driver, Key.ARROW_DOWN);
  await eventually(app.driver, 'the next', async () => (await beside()).includes('then wait the bell'));
  expect(await violations(app.driver)).toEqual([]);
  // After a reload it is still there.
  await app.driver.navigate().refresh();
  await eventually(app.driver, 'the first again', async () => (await beside()).includes('shut the lover gate'));
  await (await see(app.driver, '[aria-label="Show no track beside this one"]')).click();
  await eventually(
    app.driver,
    'none beside it',
    async () => (await app.driver.findElements(By.css('[aria-label="The track beside this one"]'))).length === 0,
  );
  await ask('PATCH /api/tracks/:id', { params: { id: draft }, body: { deleted: true } });
  await ask('DELETE /api/jobs/:id', { params: { id: job } });
});

it('go with a job that is deleted elsewhere: that is told at once, and what the page shows can be saved', async () => {
  const { job } = await tracks();
  await control(app.driver, '1', true);
  await see(app.driver, '.cm-line');
  await ask('DELETE /api/jobs/:id', { params: { id: job } });
  await says(app.driver, 'The server does not have this track any more');
  await says(app.driver, 'Not on the server any more');
  await caretAt(app.driver, 'lower', 'before');
  await type(app.driver, 'old ');
  await eventually(
    app.driver,
    'what was typed',
    async () => (await lines(app.driver))[0] === 'Shut the old lower gate.',
  );
  expect(await violations(app.driver)).toEqual([]);
  await press(app.driver, 'Save as a file');
  expect((await downloaded(app.opened, '.json')).text).toContain('Shut the old lower gate.');
});
