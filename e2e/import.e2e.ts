/** Files that come in on an open job: seen for what they are before they become a track, worked on, and handed over. */
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Track } from '../core/model/caption.ts';
import { picked, By, downloaded, eventually, press, says, see, pick } from './support/browser.ts';
import { withApplication } from './support/application.ts';

const app = withApplication();
beforeAll(async () => {
  await app.driver.get(app.services.address);
  await (await see(app.driver, '.row-link')).click();
  await see(app.driver, '.cm-line');
});

/** Drops a file on an element, as from a folder on the desk. */
const drop = (on: string, name: string, bytes: readonly number[]): Promise<void> =>
  app.driver.executeScript(
    `const [on, name, bytes] = arguments;
     const data = new DataTransfer();
     data.items.add(new File([new Uint8Array(bytes)], name));
     document.querySelector(on).dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));`,
    on,
    name,
    bytes,
  );
const utf8 = (text: string): number[] => [...new TextEncoder().encode(text)];
const files = mkdtempSync(join(tmpdir(), 'fenwix-files-'));
const bring = async (name: string, content: string | Buffer): Promise<void> => {
  writeFileSync(join(files, name), content);
  await (await see(app.driver, '.tracks')).isDisplayed();
  await app.driver.findElement(By.css('.stage-bar input[type=file]')).sendKeys(join(files, name));
};
/** Names and caption counts of the job's tracks, as the list has them. */
const listed = async (): Promise<string[]> =>
  Promise.all((await app.driver.findElements(By.css('.tracks tbody tr'))).map((row) => row.getText()));
const tracksOfJob = async (): Promise<{ id: string; name: string; kind: string; language: string }[]> => {
  const job = await app.driver.executeScript<string>('return location.pathname.split("/")[2]');
  const found = await fetch(`${app.services.address}/api/jobs/${job}`);
  return ((await found.json()) as { tracks: { id: string; name: string; kind: string; language: string }[] }).tracks;
};

// Windows-1252: ñ is one byte that is no UTF-8.
const latin = Buffer.from(
  '1\n00:00:01.000 --> 00:00:03,000\nEl niño mira\nla compuerta, señora.\n\n9\n00:00:04,000 --> 00:00:06,000\nNo está abierta mañana.\n',
  'latin1',
);

it('a file dropped on the words is looked at in Tracks, and nothing is changed by that', async () => {
  await drop('.cm-content', 'visita.srt', [...latin]);
  const page = await says(app.driver, /visita\.srt 2 captions · 6 s/);
  expect(page).toMatch(/Western European \(Windows-1252\)/);
  expect(page).toContain('guessed: change it if the text looks wrong');
  expect(page).toContain('El niño mira\nla compuerta, señora.');
  expect(page).toMatch(/The time line was written “00:00:01\.000 --> 00:00:03,000”; it was read all the same\. line 2/);
  // The demo's draft, its fair copy and its French subtitles.
  expect(await tracksOfJob()).toHaveLength(3);
});

it('a file in Arabic that is called so is offered as Arabic', async () => {
  await drop('.tracks', 'captions.ar.vtt', utf8('WEBVTT\n\n00:01.000 --> 00:03.000\nالقناة مغلقة حتى الصباح\n'));
  await says(app.driver, 'captions.ar.vtt 1 caption');
  await eventually(app.driver, 'Arabic', async () => (await picked(app.driver, 'Language')) === 'Arabic');
  await drop('.tracks', 'visita.srt', [...latin]);
  await says(app.driver, 'visita.srt 2 captions');
});

it('another encoding can be chosen, and the words change with it', async () => {
  await pick(app.driver, 'Encoding', 'Cyrillic (Windows-1251)');
  await says(app.driver, 'El niсo mira');
  await pick(app.driver, 'Encoding', 'Detect automatically');
  await says(app.driver, 'El niño mira');
});

it('it becomes a track of the job, with the kind, language and name it is given', async () => {
  await pick(app.driver, 'Kind', 'subtitles');
  await pick(app.driver, 'Language', 'Spanish');
  await press(app.driver, 'Add the track');
  await says(app.driver, '“visita” is now a track of this job.');
  expect((await listed()).at(-1)).toMatch(/^Spanish\s+visita\s+subtitles\s+2/);
  expect((await tracksOfJob()).at(-1)).toMatchObject({ name: 'visita', kind: 'subtitles', language: 'es' });
});

it('rolling captions are seen, and unrolled when asked', async () => {
  const said = ['the lower gate is shut', 'and the water falls', 'until it stands as low', 'as the river below'];
  await drop(
    '.tracks',
    'live.vtt',
    utf8(
      `WEBVTT\n\n${said.map((l, i) => `00:0${String(i)}.000 --> 00:0${String(i + 1)}.000\n${i > 0 ? `${said[i - 1] ?? ''}\n` : ''}${l}\n`).join('\n')}`,
    ),
  );
  await says(app.driver, '3 of 4 captions are rolling');
  await app.driver.findElement(By.xpath('//label[contains(., "Show each word once")]')).click();
  await eventually(app.driver, 'each line to stand once', async () => {
    const first = (await app.driver.findElement(By.css('.import-first')).getText()).replace(/\s+/g, ' ');
    return first.match(/the lower gate/g)?.length === 1 && first.includes('and the water falls');
  });
  await press(app.driver, 'Cancel');
});

it('what WebVTT drops is named and can be rescued; its comments and settings go with the track', async () => {
  await bring(
    'tour.vtt',
    'WEBVTT\n\nNOTE from the keeper\n\n00:01.000 --> 00:02.000 align:end\nMind <i>the</i> edge.\n\n00:03,000 --> 00:04,000\nDropped.\n',
  );
  await says(app.driver, /Skipped The times “00:03,000 --> 00:04,000”/);
  await app.driver.findElement(By.xpath('//label[contains(., "Recover skipped cues")]')).click();
  await says(app.driver, 'tour.vtt 2 captions');
  await press(app.driver, 'Add the track');
  await says(app.driver, '“tour” is now a track of this job.');
  const id = (await tracksOfJob()).find((t) => t.name === 'tour')?.id ?? '';
  const track = (await (await fetch(`${app.services.address}/api/tracks/${id}`)).json()) as Track;
  expect(track.foreign).toEqual({ vttBlocks: 'NOTE from the keeper' });
});

it.each([
  ['picture.srt', [0x89, 0x50, 0x4e, 0x47, 0, 1], /picture\.srt: The file is a PNG picture/],
  ['empty.vtt', [], /empty\.vtt: The file is empty\. Nothing was changed/],
  ['settings.json', utf8('{"gates": 2}'), /No caption format was recognised.*Nothing was changed/],
])('%s is refused with a sentence, and the job stays as it was', async (name, bytes, expected) => {
  await drop('.tracks', name, bytes);
  await says(app.driver, expected);
  expect(await tracksOfJob()).toHaveLength(5);
  await press(app.driver, 'Cancel');
});

it('a track that came in can be worked on, also after the page is opened again', async () => {
  await app.driver.findElement(By.xpath('//tr[contains(., "visita")]//button[contains(., "Work on this")]')).click();
  await eventually(app.driver, 'the header to name it', async () =>
    (await app.driver.findElement(By.css('.head')).getText()).includes('visita'),
  );
  await app.driver.navigate().refresh();
  await (await see(app.driver, 'a[href$="/words"]')).click();
  await see(app.driver, '.cm-line');
  await says(app.driver, 'El niño mira');
});

it('is handed over in any format, with what the format does not hold said beforehand', async () => {
  await (await see(app.driver, 'a[href$="/tracks"]')).click();
  await app.driver.findElement(By.xpath('//tr[contains(., "tour")]//button')).click();
  await (await see(app.driver, 'a[href$="/handover"]')).click();
  await says(app.driver, /SRT \.srt\s+without 1 cue’s settings, 1 part of the file’s head/);
  expect(await says(app.driver, /WebVTT \.vtt\s+complete/)).toMatch(
    /Transcript \.txt\s+without 2 captions’ times, 1 italic stretch/,
  );
  await (await see(app.driver, 'input[value="vtt"]')).click();
  await press(app.driver, 'Download the WebVTT file');
  const vtt = await downloaded(app.opened, '.vtt');
  expect(vtt.text).toBe(
    'WEBVTT\n\nNOTE from the keeper\n\n00:00:01.000 --> 00:00:02.000 align:end\nMind <i>the</i> edge.\n\n00:00:03.000 --> 00:00:04.000\nDropped.\n',
  );
  await (await see(app.driver, 'input[value="ttml"]')).click();
  await press(app.driver, 'Download the TTML (IMSC 1.1 text) file');
  expect((await downloaded(app.opened, '.ttml')).text).toContain(
    '<p begin="00:00:01.000" end="00:00:02.000">Mind <span tts:fontStyle="italic">the</span> edge.</p>',
  );
});

it('a long file is read by the page itself while the server is away, and beside the page when it is there', async () => {
  await (await see(app.driver, 'a[href$="/tracks"]')).click();
  const talk = Array.from({ length: 3000 }, (_, i) => `Gate ${String(i)} is shut.`).join('\n');
  await app.services.stopServer();
  await bring('a long talk.txt', talk);
  await says(app.driver, /a long talk\.txt \d+ captions/);
  await press(app.driver, 'Cancel');
  await app.services.startServer();
  // Counts the workers that are hired from here on and that answer.
  await app.driver.executeScript(`window.done = 0;
    const Real = window.Worker;
    window.Worker = class extends Real {
      constructor(...how) {
        super(...how);
        this.addEventListener('message', () => window.done++);
      }
    };`);
  await bring('the same again.txt', talk);
  await says(app.driver, /the same again\.txt \d+ captions/);
  expect(await app.driver.executeScript('return window.done')).toBe(1);
  await press(app.driver, 'Cancel');
});
