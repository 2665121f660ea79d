/** Narrow windows, 200 % zoom, long titles and titles that run from right to left: nothing is out of reach. */
import { outOfReach } from './support/layout.ts';
import { asking, jobWith } from './support/ask.ts';
import { devTools, press, says, see } from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { caption } from '../core/model/caption.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
/** A table of many columns, and a file as it is. */
const mayScroll = '.styles-scroll, .styles-scroll *, pre';

const screens = [
  ['Jobs', '/', '.row-link'],
  ['House styles', '/styles', '.uses'],
  ['New job', '/new', '.intake'],
  ['Words', 'words', '.cm-line'],
  ['Tape', 'tape', '.tape-block'],
  ['Checks', 'checks', '.row-choose'],
  ['Tracks', 'tracks', '.tracks tbody tr'],
  ['Handover', 'handover', '.cell'],
] as const;

const titles = [
  ['200 letters without a space', 'Lockworking'.repeat(19).slice(0, 200)],
  ['from right to left', 'العمل على القفل بعد حلول الظلام'],
] as const;

/** As a window of 640 pixels, and as one of 1280 at 200 % zoom, which has twice as many pixels for each. */
const windows = [
  ['640 pixels', { width: 640, height: 800, deviceScaleFactor: 1 }],
  ['200 % zoom', { width: 640, height: 400, deviceScaleFactor: 2 }],
  ['1280 pixels', { width: 1280, height: 800, deviceScaleFactor: 1 }],
] as const;

describe.each(titles)('with a title of %s', (_, title) => {
  let job = '';
  beforeAll(async () => {
    const texts = ['the gate', 'gggggggggg hhhhhhhhhhhhh iiiiiiiiiiiiii jjjjjjjjjjjj'];
    ({ job } = await jobWith(
      ask,
      title,
      texts.map((text, i) => caption({ id: String(i), start: i * 3000, end: i * 3000 + 1500, text })),
    ));
  });
  afterAll(() => ask('DELETE /api/jobs/:id', { params: { id: job } }));

  describe.each(windows)('at %s', (__, metrics) => {
    it.each(screens)('everything of %s can be got at', async (___, path, ready) => {
      await devTools(app.driver, 'Emulation.setDeviceMetricsOverride', { ...metrics, mobile: false });
      await app.driver.get(app.services.address + (path.startsWith('/') ? path : `/jobs/${job}/${path}`));
      await see(app.driver, ready);
      if (path === 'words') await says(app.driver, 'long line');
      expect(await outOfReach(app.driver, mayScroll)).toEqual([]);
    });
  });
});

it('the faults of a form stand beside its fields in a narrow window too', async () => {
  await devTools(app.driver, 'Emulation.setDeviceMetricsOverride', { ...windows[0][1], mobile: false });
  await app.driver.get(`${app.services.address}/new`);
  await press(app.driver, 'Create the job');
  await says(app.driver, 'Choose a recording first.');
  await says(app.driver, 'Give the job a title.');
  expect(await outOfReach(app.driver, mayScroll)).toEqual([]);
  expect(await app.driver.executeScript('return document.activeElement.innerText.trim()')).toBe('Choose a recording');
});
