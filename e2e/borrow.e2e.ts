/** Borrowing times: a track late and drifting goes where another language of it is, by ties that are found or set. */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeAs } from '../core/formats/arbitrary.ts';
import { importCaptions } from '../core/formats/registry.ts';
import { srt } from '../core/formats/srt/srt.ts';
import { caption, type Caption } from '../core/model/caption.ts';
import { shippedStyle } from '../core/style/shipped.ts';
import { violations } from './support/axe.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { By, control, eventually, holding, Key, pick, press, see, type, saved } from './support/browser.ts';
import { withApplication } from './support/application.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
const folder = 'demo/recordings/lock-after-dark';
const style = shippedStyle('lecture-38');
if (!style) throw new Error('The style ships.');
const french = importCaptions(readFileSync(`${folder}/french-for-another-copy.srt`), { style }).captions.map(
  (c, i) => ({
    ...c,
    id: `fr ${String(i).padStart(2, '0')}`,
  }),
);
const { sentences } = JSON.parse(readFileSync(`${folder}/true-script.json`, 'utf8')) as {
  readonly sentences: readonly { readonly text: string; readonly start: number; readonly end: number }[];
};
const english = sentences.map(({ text, start, end }, i) =>
  caption({ id: `en ${String(i).padStart(2, '0')}`, text, start, end }),
);
/** Where the French belongs: it was made for a copy that ran at 25 for 24000/1001 and began 2.6 s later. */
const trueStart = (ms: number): number => ((ms - 2600) * 24_000) / (25 * 1001);

/** A job of these captions with another track of the same, its columns open. */
async function borrowing(
  moved: readonly Caption[],
  giving: readonly Caption[],
): Promise<{ job: string; track: string }> {
  const { job, track } = await jobWith(ask, 'Borrowing', moved, { language: 'fr' });
  const body = { id: randomUUID(), kind: 'captions', language: 'en-GB', name: 'English', captions: giving } as const;
  await ask('POST /api/jobs/:id/tracks', { params: { id: job }, body });
  await app.driver.get(`${app.services.address}/jobs/${job}/tracks`);
  await see(app.driver, '.tracks tbody tr');
  await press(app.driver, 'Borrow timing');
  await see(app.driver, '.borrow-panel');
  await eventually(app.driver, 'the captions paired', () =>
    app.driver.executeScript<boolean>(
      `return !document.querySelector('.retime-bar').textContent.includes('Looking for') && document.querySelector('.tie-rows') !== null`,
    ),
  );
  return { job, track };
}
const starts = async (track: string): Promise<readonly number[]> => {
  await saved(app.driver);
  return (await captionsOf(ask, track)).map((c) => c.start);
};
const eventualStarts = (
  track: string,
  what: string,
  are: (starts: readonly number[]) => boolean,
): Promise<readonly number[]> =>
  eventually(app.driver, what, async () => {
    const now = await starts(track);
    return are(now) && now;
  });
const barSays = (text: RegExp): Promise<boolean> =>
  eventually(app.driver, `the bar to say ${String(text)}`, async () =>
    text.test(await (await see(app.driver, '.retime-bar')).getText()),
  );
/** Captions that say nothing alike, so that no tie is found. */
const bare = (prefix: string, many: number, start: (i: number) => number): Caption[] =>
  Array.from({ length: many }, (_, i) =>
    caption({
      id: `${prefix} ${String(i)}`,
      start: start(i),
      end: start(i) + 900 + ((i * 7) % 5) * 700,
      text: prefix === 'fr' ? 'Oui '.repeat(1 + ((i * 5) % 7)) : `No${' way'.repeat((i * 3) % 8)}?`,
    }),
  );

it('finds its ties in another language, shows the track where it will be, and moves it as one step', async () => {
  const { track } = await borrowing(french, english);
  const sure = /(\d+) ties/.exec(await (await see(app.driver, '.tie-rows')).getText());
  expect(Number(sure?.[1])).toBeGreaterThanOrEqual(30);
  expect(await violations(app.driver)).toEqual([]);
  // Nothing is moved before it is asked for.
  expect(await starts(track)).toEqual(french.map((c) => c.start));
  await press(app.driver, 'Apply');
  const moved = await eventualStarts(track, 'the track moved', (now) => (now[0] ?? 0) < 2000);
  const off = moved.map((ms, i) => Math.abs(ms - trueStart(french[i]?.start ?? 0)));
  expect(off.filter((ms) => ms <= 300).length / off.length).toBeGreaterThanOrEqual(0.95);
  // The track that gave the times is right as it is.
  expect(await (await see(app.driver, '.remark')).getText()).not.toContain('The same for');
  await control(app.driver, 'z');
  await eventualStarts(track, 'it undone', (now) => now[0] === french[0]?.start);
});

it('takes times one for one where captions are paired', async () => {
  const { track } = await borrowing(french, english);
  await press(app.driver, 'Times one for one');
  await barSays(/48 captions/);
  await press(app.driver, 'Apply');
  const moved = await eventualStarts(track, 'the track moved', (now) => (now[0] ?? 0) < 2000);
  expect(moved[0]).toBe(english[0]?.start);
});

it('takes the times of a file, which is come back to after a track was looked at, and becomes no track', async () => {
  const { job, track } = await borrowing(french, english);
  const late = english.map((c) => ({ ...c, start: c.start + 20_000, end: c.end + 20_000 }));
  const file = join(mkdtempSync(join(tmpdir(), 'fenwix-borrow-')), 'another-copy.en.srt');
  writeFileSync(file, writeAs(srt, late));
  await (await see(app.driver, '.retime-bar input[type=file]')).sendKeys(file);
  await barSays(/another-copy\.en\.srt[\s\S]*the first 1[67]\.\d+ s later/);
  await pick(app.driver, 'Which track gives the times', 'English (en-GB)');
  await barSays(/the first \d\.\d+ s earlier/);
  await pick(app.driver, 'Which track gives the times', 'another-copy.en.srt');
  await barSays(/the first 1[67]\.\d+ s later/);
  await press(app.driver, 'Apply');
  await eventualStarts(
    track,
    'the track moved',
    (now) => Math.abs((now[0] ?? 0) - 20_000 - (english[0]?.start ?? 0)) < 300,
  );
  expect((await ask('GET /api/jobs/:id', { params: { id: job } })).tracks).toHaveLength(2);
});

it('is tied by two keys at both firsts and both lasts where nothing is found', async () => {
  const moved = bare('fr', 12, (i) => 10_000 + i * 5000);
  const giving = bare('en', 9, (i) => 3000 + i * 7000);
  const { track } = await borrowing(moved, giving);
  const used = await (await see(app.driver, '.tie-rows h2')).getText();
  expect(used).toBe('0 ties');
  await eventually(app.driver, 'the keyboard in the column', () =>
    app.driver.executeScript<boolean>(`return document.activeElement.classList.contains('borrow-column')`),
  );
  await type(app.driver, Key.HOME, Key.ENTER);
  await barSays(/12 captions, 7\.00 s earlier/);
  await type(app.driver, Key.END, Key.ENTER);
  await barSays(/the first 7\.00 s earlier, the last 6\.00 s earlier/);
  await press(app.driver, 'Apply');
  await eventualStarts(track, 'the track moved', (now) => now[0] === 3000 && now.at(-1) === 59_000);
});

it('names ties that cross, does without one that is taken away, and cancels with nothing changed', async () => {
  const moved = bare('fr', 6, (i) => 10_000 + i * 5000);
  const giving = bare('en', 6, (i) => 3000 + i * 7000);
  const { track } = await borrowing(moved, giving);
  const block = async (column: string, nth: number): Promise<void> =>
    (await see(app.driver, `[aria-label="${column}"] [aria-posinset="${String(nth)}"]`)).click();
  await block('Captions to be moved', 1);
  await block('Captions that give the times', 2);
  await barSays(/6 captions, where it is/);
  await block('Captions to be moved', 2);
  await block('Captions that give the times', 1);
  await barSays(/The ties .* cross/);
  expect(await app.driver.executeScript(`return document.querySelector('.retime-bar [type=submit]').disabled`)).toBe(
    true,
  );
  await press(app.driver, 'Leave it out');
  await barSays(/6 captions, where it is/);
  await (await see(app.driver, '.retime-bar')).findElement(By.xpath(`.//button[contains(., 'Cancel')]`)).click();
  await see(app.driver, '.tracks tbody tr');
  expect(await starts(track)).toEqual(moved.map((c) => c.start));
});

it('moves a tie by its end to another caption, and hears where it leads', async () => {
  await borrowing(french, english);
  await type(app.driver, Key.HOME);
  const end = (await app.driver.findElements(By.css('.tie circle:nth-of-type(2)')))[0];
  if (!end) throw new Error('There is a tie.');
  const before = await (await see(app.driver, '.tie-rows li')).getText();
  await app.driver.actions().move({ origin: end }).press().move({ origin: end, y: 80 }).release().perform();
  await eventually(app.driver, 'the tie set by hand', async () =>
    (await (await see(app.driver, '.tie-rows li')).getText()).includes('set by you'),
  );
  expect(await (await see(app.driver, '.tie-rows li')).getText()).not.toBe(before);
});

it('shows the stage with the new times, and the old ones by a key', async () => {
  await borrowing(french, english);
  await press(app.driver, 'Show the captions');
  await see(app.driver, '.tracks tbody tr');
  await press(app.driver, 'Before');
  await holding(app.driver, [Key.ALT], 'y');
  await eventually(app.driver, 'the new times to be shown', () =>
    app.driver.executeScript<boolean>(
      `return [...document.querySelectorAll('.retime-bar .ant-radio-button-wrapper-checked')].some((b) => b.textContent.includes('After'))`,
    ),
  );
});
