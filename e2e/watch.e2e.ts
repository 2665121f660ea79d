/** Watching through with marks to come back to, the numbers of captions, and a track in another language than it says. */
import { caption, type Caption } from '../core/model/caption.ts';
import { withApplication } from './support/application.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { violations } from './support/axe.ts';
import { By, control, eventually, holding, Key, press, runCommand, saved, says, see, type } from './support/browser.ts';
import { seek } from './support/playhead.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
const gates = ['The gate opens.', 'The boat goes in.', 'The gate shuts.'].map((text, i) =>
  caption({ id: `gate-${String(i)}`, start: 1000 + i * 3000, end: 3000 + i * 3000, text }),
);

async function opened(stage: string, captions: readonly Caption[] = gates): Promise<string> {
  const [demo] = await ask('GET /api/jobs');
  const made = await jobWith(ask, 'Watched', captions, { recording: demo?.recording?.hash ?? '' });
  await app.driver.get(`${app.services.address}/jobs/${made.job}/${stage}`);
  await see(app.driver, stage === 'tape' ? '.tape-block' : '.cm-line');
  return made.track;
}
const notes = async (track: string): Promise<(string | null)[]> => {
  await saved(app.driver);
  return (await captionsOf(ask, track)).map(({ comeBack }) => comeBack);
};
const become = (track: string, wanted: readonly (string | null)[]): Promise<boolean> =>
  eventually(app.driver, String(wanted), async () => String(await notes(track)) === String(wanted));
const paused = (): Promise<boolean> =>
  eventually(app.driver, 'a picture at rest', () =>
    app.driver.executeScript<boolean>('return document.querySelector("video").paused'),
  );

describe('watching through', () => {
  it('marks what is heard by one key, with a note; the mark is a finding until it is done', async () => {
    const track = await opened('words');
    await seek(app.driver, 5);
    await holding(app.driver, [Key.ALT], 'w');
    await see(app.driver, '.watch-bar');
    await eventually(app.driver, 'sound', () =>
      app.driver.executeScript<boolean>('return !document.querySelector("video").paused'),
    );
    await type(app.driver, 'm');
    await become(track, [null, '', null]);
    expect(await violations(app.driver)).toEqual([]);
    await (await see(app.driver, '.watch-note')).click();
    await type(app.driver, 'mm, the name');
    await become(track, [null, 'mm, the name', null]);
    await type(app.driver, Key.ESCAPE);
    await paused();
    await says(app.driver, 'One caption is marked to come back to');
    await says(app.driver, 'Marked to come back to: mm, the name.');
    await app.driver.navigate().refresh();
    await see(app.driver, '.margin-come-back');
    await holding(app.driver, [], Key.F8);
    await see(app.driver, '.come-back-note');
    expect(await violations(app.driver)).toEqual([]);
    await press(app.driver, 'Done');
    await become(track, [null, null, null]);
    await control(app.driver, 'z');
    await become(track, [null, 'mm, the name', null]);
  });

  it('goes from caption to caption, and takes a mark back by the same key', async () => {
    const track = await opened('words');
    await press(app.driver, 'Line by line');
    await app.driver.findElement(By.css('.picture-watch')).click();
    await see(app.driver, '.watch-bar');
    await app.driver.executeScript('document.querySelector("video").pause()');
    await paused();
    await seek(app.driver, 1.5);
    await type(app.driver, Key.ARROW_DOWN);
    await says(app.driver, '00:04.00');
    await type(app.driver, Key.ARROW_DOWN);
    await says(app.driver, '00:07.00');
    await type(app.driver, 'm');
    await become(track, [null, null, '']);
    await type(app.driver, 'm');
    await become(track, [null, null, null]);
    await press(app.driver, 'Leave');
    await see(app.driver, '#monitor:not(.watching)');
  });
});

it('captions have numbers where somebody asks for them', async () => {
  await opened('words');
  await control(app.driver, 'g');
  await see(app.driver, '#go-to');
  await app.driver.executeScript(
    `[...document.querySelectorAll('label')].find((each) => each.innerText.includes('Show the numbers')).click()`,
  );
  await type(app.driver, Key.ESCAPE);
  await eventually(app.driver, 'numbers', async () => {
    const shown = await app.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('.margin-number')].map((each) => each.textContent)`,
    );
    return shown.join(' ') === '1 2 3';
  });
  await runCommand(app.driver, 'go to tape');
  await eventually(app.driver, 'numbers on the tape', async () => {
    const shown = await app.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('.block-signs')].map((each) => each.textContent)`,
    );
    return shown.length > 0 && shown.every((each) => /^\d$/.test(each));
  });
});

it('a track in another language than it says is told, and changed by one press', async () => {
  // The first article of the Universal Declaration of Human Rights, as the United Nations publish it.
  const text =
    'Tous les êtres humains naissent libres et égaux en dignité et en droits. Ils sont doués de raison et de conscience et doivent agir les uns envers les autres dans un esprit de fraternité. Chacun peut se prévaloir de tous les droits.';
  const track = await opened('words', [caption({ id: 'one', start: 0, end: 9000, text })]);
  await says(app.driver, 'These words look like French');
  await press(app.driver, 'It is French');
  await eventually(app.driver, 'another language', async () => {
    const { language } = await ask('GET /api/tracks/:id', { params: { id: track } });
    return language === 'fr';
  });
  await says(app.driver, /^(?![\s\S]*These words look like)/);
});
