/** Our reading of WebVTT beside the browser's own: the same files, cue by cue. */
import { plainly } from '../core/formats/sheet.ts';
import type { ReadCaption } from '../core/model/caption.ts';
import fc from 'fast-check';
import { withIds } from '../core/formats/cue.ts';
import { Unreadable } from '../core/formats/format.ts';
import { cases } from '../core/formats/webvtt/cases.ts';
import { readWebvtt } from '../core/formats/webvtt/read.ts';
import { vttWriter } from '../core/formats/webvtt/write.ts';
import { openBrowser, type Opened } from './support/browser.ts';

let opened: Opened;
beforeAll(async () => {
  opened = await openBrowser();
  await opened.driver.get('data:text/html,<title>reader</title>');
});
afterAll(() => opened.driver.quit());

interface BrowserCue {
  readonly id: string;
  readonly start: number;
  readonly end: number;
  readonly text: string;
  /** What the browser made of the settings, one after another. */
  readonly settings?: string;
}

/** Cues of each file as the browser's track element reads them; null where it refuses the file. */
function readByBrowser(files: readonly string[]): Promise<(BrowserCue[] | null)[]> {
  return opened.driver.executeAsyncScript(
    `const [files, done] = arguments;
     const video = document.createElement('video');
     document.body.append(video);
     Promise.all(files.map((text) => new Promise((resolve) => {
       const track = document.createElement('track');
       track.addEventListener('load', () => resolve([...track.track.cues].map((cue) => ({
         id: cue.id, start: Math.round(cue.startTime * 1000), end: Math.round(cue.endTime * 1000), text: cue.getCueAsHTML().textContent,
         settings: [cue.vertical, cue.snapToLines, cue.line, cue.position, cue.size, cue.align].join(' ') }))));
       track.addEventListener('error', () => resolve(null));
       track.src = URL.createObjectURL(new Blob([text], { type: 'text/vtt' }));
       video.append(track);
       track.track.mode = 'hidden';
     }))).then((result) => { video.remove(); done(result); });`,
    files,
  );
}

const sortKey = (c: BrowserCue): string =>
  [String(c.start).padStart(12, '0'), String(c.end).padStart(12, '0'), c.id, c.text].join('|');
/** Cues as lines of text in one order, so that two readings can be told apart; null for a file that was refused. */
const told = (cues: readonly BrowserCue[] | null): string => (cues ? cues.map(sortKey).sort().join('\n') : 'refused');

function readByUs(file: string): BrowserCue[] | null {
  try {
    return readWebvtt(file, { rescue: false }).captions.map((c: ReadCaption) => ({
      id: c.foreign?.['vttId'] ?? '',
      start: c.start,
      end: c.end,
      text: c.text,
    }));
  } catch (error) {
    if (error instanceof Unreadable) return null;
    throw error;
  }
}

/**
 * Files that are read differently. A cue that ends before it begins is given no time by us. Chromium takes
 * the line above the times for an identifier even where the block has more lines before it; the
 * recommendation ends that block there ("collect a WebVTT block"), so that the cue has none, and so do we.
 */
async function differences(files: readonly string[]): Promise<object[]> {
  const theirs = await readByBrowser(files);
  return files.flatMap((file, i) => {
    const us = readByUs(file);
    const ids = new Set(us?.map((c) => c.id));
    const browser =
      theirs[i]?.map(({ settings: _, ...c }) => ({
        ...c,
        id: ids.has(c.id) ? c.id : '',
        end: Math.max(c.start, c.end),
      })) ?? null;
    const same = told(browser) === told(us);
    return same ? [] : [{ file, browser, us }];
  });
}

const times = [
  '00:01.000',
  '00:02.500',
  '01:00:00.000',
  '1:00:00.000',
  '00:60.000',
  '60:00.000',
  '00:01.00',
  '00:01,000',
  '0:01.000',
  '123:00:00.001',
  '00:01.0000',
  '1.000',
  '',
];
const timings = fc
  .tuple(
    fc.constantFrom('', ' ', '\t'),
    fc.constantFrom(...times),
    fc.constantFrom(' --> ', '-->', '\t-->  ', ' -> ', ' -- > '),
    fc.constantFrom(...times),
    fc.constantFrom('', ' line:0', ' align:start', 'x', ' nonsense', '\t'),
  )
  .map((parts) => parts.join(''));
const bits = [
  'a',
  ' ',
  'b c',
  '<i>',
  '</i>',
  '<b>',
  '</b>',
  '<u.x>',
  '</u>',
  '<c.red.y>',
  '</c>',
  '<v Keeper of locks>',
  '</v>',
  '<lang cy>',
  '</lang>',
  '<ruby>',
  '<rt>',
  '</rt>',
  '</ruby>',
  '<00:01.500>',
  '<1>',
  '<',
  '>',
  '<3',
  'a < b',
  '&amp;',
  '&lt;',
  '&gt;',
  '&nbsp;',
  '&lrm;',
  '&#65;',
  '&#x41;',
  '&',
  '&nope;',
  '&hearts;',
  '&copy',
  '&ampx',
  '&#0;',
  '&#128;',
  '<unknown>',
  '</unknown>',
  '</>',
  '<>',
  'é',
  '水',
];
const payload = fc.array(fc.constantFrom(...bits), { maxLength: 7 }).map((parts) => parts.join(''));
// STYLE blocks are left out of these files: after one, Chromium loses the identifier of the next cue.
const line = fc.oneof(
  { weight: 4, arbitrary: timings },
  { weight: 5, arbitrary: payload },
  { weight: 4, arbitrary: fc.constant('') },
  {
    weight: 1,
    arbitrary: fc.constantFrom('NOTE', 'NOTE x', 'intro', 'WEBVTT', '7'),
  },
);
const good = fc
  .tuple(fc.constantFrom('00:01.000 --> 00:02.000', 'id\n00:03.000 --> 00:04.000 line:1'), payload)
  .map(([head, text]) => `\n${head}\n${text}\n`);
const file = fc
  .tuple(
    fc.constantFrom('WEBVTT', 'WEBVTT - title', '\ufeffWEBVTT', 'WEBVTT\t', 'WEBVTTX', 'webvtt'),
    fc.constantFrom('\n', '\r\n', '\r'),
    fc.array(fc.oneof({ weight: 3, arbitrary: line }, { weight: 1, arbitrary: good }), { maxLength: 14 }),
  )
  .map(([head, end, body]) => [head, '', ...body.flatMap((l) => l.split('\n'))].join(end));

it('reads the table of cases of the recommendation as the browser does', async () => {
  // Chromium begins a style at STYLE even where the next line has an arrow, which makes STYLE an identifier.
  const files = cases
    .flatMap(([, table]) => table.map(([, text]) => text))
    .filter((text) => !/STYLE\n.*-->/.test(text));
  expect(files.length).toBeGreaterThanOrEqual(49);
  expect(await differences(files)).toEqual([]);
});

it('reads five hundred made-up files as the browser does', async () => {
  const files = fc.sample(file, { numRuns: 500, seed: 20 });
  expect(await differences(files)).toEqual([]);
  const cues = (await readByBrowser(files)).reduce((n, c) => n + (c?.length ?? 0), 0);
  expect(cues).toBeGreaterThan(300);
});

/** The file as we write it after reading it. */
function rewritten(file: string): string {
  const { captions, foreign } = readWebvtt(file, { rescue: false });
  let made = 0;
  const withId = withIds(captions, () => String(made++));
  return vttWriter.write({ captions: withId, title: '', language: null, foreign }, plainly);
}

// Chromium knows no alignment after a comma (`line:3,end`), so none stands here; the table of cases has them.
const setting = fc.oneof(
  fc.constantFrom('vertical:rl', 'vertical:lr', 'vertical:x', 'align:start', 'align:center', 'align:end', 'align:left'),
  fc.constantFrom('align:middle', 'line:0', 'line:-1', 'line:50%', 'line:5.5%', 'line:-5%'),
  fc.constantFrom('line:a', 'line:1.5', 'position:50%', 'position:101%', 'position:10'),
  fc.constantFrom('size:50%', 'size:33.3%', 'size:-1%', 'size:', ':50%', 'colour:red', 'size:5%:'),
);
const withSettings = fc
  .array(fc.array(setting, { maxLength: 4 }), { minLength: 3, maxLength: 3 })
  .map(
    (cues) =>
      `WEBVTT\n\n${cues.map((words, i) => `00:0${String(i)}.000 --> 00:0${String(i + 1)}.000 ${words.join(' ')}\nx\n`).join('\n')}`,
  );

it('writes two hundred files with settings so that the browser makes the same of them as of what we read', async () => {
  const files = fc.sample(withSettings, { numRuns: 200, seed: 21 });
  const found = await readByBrowser(files);
  expect(await readByBrowser(files.map(rewritten))).toEqual(found);
  expect(new Set(found.flatMap((cues) => cues?.map((c) => c.settings) ?? [])).size).toBeGreaterThan(50);
});

it('reads what we write as the browser does, and the words come out the same', async () => {
  const text =
    'WEBVTT\n\nfirst\n00:00:01.000 --> 00:00:03.000 line:0 align:start\n<v Keeper>Wait &amp; <i>look</i>\nbelow.</v>\n\n00:00:04.000 --> 00:00:05.000\n水門 &lt;3\n';
  expect(rewritten(text)).toBe(text);
  expect(await readByBrowser([text])).toMatchObject([
    [
      { id: 'first', start: 1000, end: 3000, text: 'Wait & look\nbelow.' },
      { id: '', start: 4000, end: 5000, text: '水門 <3' },
    ],
  ]);
});
