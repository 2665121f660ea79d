/** What the sound is for: speech is found, captions are put to it, marked along it, and written from nothing. */
import { caption, type Caption } from '../core/model/caption.ts';
import type { Regions } from '../core/audio/regions.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { control, eventually, holding, Key, press, says, see, type, saved } from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { heardThrough, jobFromRecording } from './support/new-job.ts';

const app = withApplication();
const ask = asking(() => app.services.address);

let hash = '';
let regions: Regions = { speech: [], sound: [] };
/** The demo's recording, once a page has heard it through. */
beforeAll(async () => {
  const [demo] = await ask('GET /api/jobs');
  hash = demo?.recording?.hash ?? '';
  await app.driver.get(`${app.services.address}/jobs/${demo?.id ?? ''}/words`);
  regions = await heardThrough(app, hash);
});

async function tapeOf(captions: readonly Caption[]): Promise<{ job: string; track: string }> {
  const made = await jobWith(ask, 'By sound', captions, { recording: hash });
  await app.driver.get(`${app.services.address}/jobs/${made.job}/tape`);
  await see(app.driver, '[data-test=tape]');
  return made;
}
const at = (start: number, end: number, text = 'the lower gate', id = `c${String(start)}`): Caption =>
  caption({ id, start, end, text });
const kept = async (track: string): Promise<readonly Caption[]> => {
  await saved(app.driver);
  return captionsOf(ask, track);
};
const onTape = (): Promise<void> =>
  app.driver.executeScript('document.querySelector("[data-test=tape]").focus({ preventScroll: true })');
const remarks = (text: string | RegExp): Promise<string> => says(app.driver, text);

describe('speech', () => {
  it('is where the synthesiser says it is, and sound that is none beside it', () => {
    expect(regions.speech.slice(0, 3).map((s) => Math.round(s.start / 100))).toEqual([15, 42, 71]);
    expect(regions.sound.length).toBeGreaterThanOrEqual(2);
  });

  it('takes a caption to itself by one key', async () => {
    const { track } = await tapeOf([at(1900, 3300), at(30_000, 31_000)]);
    await see(app.driver, '.tape-block.here');
    await see(app.driver, '.skyline-switch:not(:disabled)');
    await holding(app.driver, [Key.ALT, Key.SHIFT], '[');
    const [first] = regions.speech;
    await eventually(app.driver, 'the caption at its speech', async () => {
      const [here] = await kept(track);
      return here?.start === first?.start && here?.end === (first?.end ?? 0) + 200;
    });
    await control(app.driver, 'z');
    await eventually(app.driver, 'the times back', async () => (await kept(track))[0]?.start === 1900);
  });

  it('gets an empty caption wherever there is none, as one step', async () => {
    const { track } = await tapeOf([]);
    await press(app.driver, 'New for speech');
    await remarks(/\d+ empty captions added where speech had no caption/);
    const made = await eventually(app.driver, 'captions', async () => {
      const captions = await kept(track);
      return captions.length > 0 ? captions : null;
    });
    for (const { start, end } of regions.speech) {
      const under = made.map((c) => Math.max(0, Math.min(c.end, end) - Math.max(c.start, start)));
      expect(under.reduce((sum, ms) => sum + ms, 0) * 2).toBeGreaterThanOrEqual(end - start);
    }
    expect(made[0]?.start).toBe(regions.speech[0]?.start);
    made.slice(1).forEach((c, i) => expect(c.start).toBeGreaterThanOrEqual(made[i]?.end ?? 0));
    await control(app.driver, 'z');
    await eventually(app.driver, 'none again', async () => (await kept(track)).length === 0);
  });

  it('shows on the skyline how early or late captions begin', async () => {
    await tapeOf([at(1500, 3300), at(8200, 9000)]);
    await (await see(app.driver, '.skyline-switch:not(:disabled)')).click();
    await says(app.driver, '↑ early');
    await (await see(app.driver, '.skyline-switch[aria-pressed=true]')).click();
    await says(app.driver, '20 cps');
  });
});

describe('times that are typed', () => {
  const field = (name: string) => see(app.driver, `input[aria-label="${name} of caption"]`);
  async function typed(name: string, text: string): Promise<void> {
    const input = await field(name);
    await input.click();
    await holding(app.driver, [Key.CONTROL], 'a');
    await type(app.driver, text, Key.ENTER);
  }
  const times = (track: string, expected: string): Promise<boolean> =>
    eventually(
      app.driver,
      expected,
      async () => (await kept(track)).map((c) => `${String(c.start)}–${String(c.end)}`).join(' ') === expected,
    );

  it('count in every usual form, one step each', async () => {
    const { track } = await tapeOf([at(1000, 3000), at(5000, 7000)]);
    await typed('Begin', '0:01.5');
    await times(track, '1500–3000 5000–7000');
    await typed('End', '+0.3');
    await times(track, '1500–3300 5000–7000');
    await typed('Lasts', '2.5');
    await times(track, '1500–4000 5000–7000');
    await typed('Begin', '00:00:02:00');
    await times(track, '2000–4000 5000–7000');
    await control(app.driver, 'z');
    await times(track, '1500–4000 5000–7000');
  });

  it('are taken in either order, far from where the caption was; Shift and Enter move it whole', async () => {
    const { track } = await tapeOf([at(1000, 3000), at(5000, 7000)]);
    await typed('Begin', '10');
    await times(track, '5000–7000 10000–12000');
    await typed('End', '11');
    await times(track, '5000–7000 10000–11000');
    await (await field('Begin')).click();
    await holding(app.driver, [Key.CONTROL], 'a');
    await type(app.driver, '20');
    await holding(app.driver, [Key.SHIFT], Key.ENTER);
    await times(track, '5000–7000 20000–21000');
  });

  it('count for the caption they were typed for, whatever is pressed next', async () => {
    const { track } = await tapeOf([at(1000, 3000), at(5000, 7000)]);
    const input = await field('End');
    await input.click();
    await holding(app.driver, [Key.CONTROL], 'a');
    await type(app.driver, '3.5');
    const other = await see(app.driver, '.tape-block:nth-child(2) .block-text');
    await other.click();
    await says(app.driver, 'Caption 2 of 2');
    await times(track, '1000–3500 5000–7000');
  });

  it('stay as they were typed, with what is wrong, where they can be none; Escape gives them up', async () => {
    const { track } = await tapeOf([at(1000, 3000), at(5000, 7000)]);
    await typed('End', 'soon');
    await says(app.driver, 'Write a time as');
    expect(await (await field('End')).getAttribute('value')).toBe('soon');
    expect(await (await field('End')).getAttribute('aria-invalid')).toBe('true');
    await typed('End', '6');
    await says(app.driver, 'End 6: caption 2 is there, from 00:05.00 to 00:07.00.');
    await (await field('End')).sendKeys(Key.ESCAPE);
    await eventually(
      app.driver,
      'the time as it is',
      async () => (await (await field('End')).getAttribute('value')) === '00:03.00',
    );
    await times(track, '1000–3000 5000–7000');
  });
});

describe('writing on the tape', () => {
  it('puts the cursor into a block; Enter makes the next caption, and Escape goes back to the tape', async () => {
    const { track } = await tapeOf([at(1000, 3000, 'the lower gate')]);
    await see(app.driver, '.tape-block.here');
    await onTape();
    await type(app.driver, Key.ENTER);
    await see(app.driver, '.tape-text .cm-content');
    await type(app.driver, Key.END, ' is shut');
    await eventually(app.driver, 'the text', async () => (await kept(track))[0]?.text === 'the lower gate is shut');
    await type(app.driver, Key.ENTER);
    await eventually(app.driver, 'a caption after it', async () => (await kept(track)).length === 2);
    await eventually(app.driver, 'the cursor in it', () =>
      app.driver.executeScript<boolean>(
        `return document.activeElement.closest('.tape-block')?.getAttribute('aria-label')?.startsWith('Caption 2') === true`,
      ),
    );
    await type(app.driver, 'and the upper one');
    await eventually(app.driver, 'its text', async () => {
      const [first, next] = await kept(track);
      return next?.text === 'and the upper one' && first?.text === 'the lower gate is shut' && next.start === 3080;
    });
    await type(app.driver, Key.ESCAPE);
    await eventually(app.driver, 'the keyboard on the tape', () =>
      app.driver.executeScript<boolean>(`return document.activeElement.matches('[data-test=tape]')`),
    );
  });

  it('makes one before where Enter is pressed at the beginning, in Words too, and says what is in the way', async () => {
    const { job, track } = await tapeOf([at(100, 400, 'one'), at(3000, 5000, 'two')]);
    await app.driver.get(`${app.services.address}/jobs/${job}/words`);
    await see(app.driver, '.cm-line');
    await control(app.driver, Key.ARROW_DOWN);
    await type(app.driver, Key.HOME, Key.ENTER);
    await eventually(app.driver, 'a caption between', async () => {
      const captions = await kept(track);
      return captions.length === 3 && captions[1]?.text === '' && captions[1].end === 2920;
    });
    await control(app.driver, Key.ARROW_UP);
    await control(app.driver, Key.ARROW_UP);
    await type(app.driver, Key.HOME, Key.ENTER);
    await remarks(/There is room for 0\.\d+ s only/);
    expect(await kept(track)).toHaveLength(3);
  });
});

describe('marking by key', () => {
  const press2 = (key: string) => app.driver.actions().keyDown(key);
  const playhead = (): Promise<number> =>
    app.driver.executeScript<number>('return document.querySelector("video").currentTime * 1000');
  const untimed = (text: string, nth: number): Caption => ({
    ...at(nth * 100, nth * 100 + 90, text, `u${String(nth)}`),
    timing: 'provisional',
  });

  it('gives the next caption its times while the recording plays: held, then tapped; one key takes it back', async () => {
    const { track } = await tapeOf([untimed('one', 0), untimed('two', 1), untimed('three', 2)]);
    await says(app.driver, '3 not timed yet');
    await see(app.driver, '.skyline-switch:not(:disabled)');
    await onTape();
    await type(app.driver, ' ');
    await eventually(app.driver, 'the recording well on', async () => (await playhead()) > 1500);
    const began = await playhead();
    await press2('c').perform();
    await eventually(app.driver, 'some of it said', async () => (await playhead()) > began + 900);
    const ended = await playhead();
    await app.driver.actions().keyUp('c').perform();
    const first = await eventually(app.driver, 'the end marked', async () => {
      const one = (await kept(track)).find((c) => c.text === 'one');
      return one?.timing === 'set' && Math.abs(one.end - ended) < 400 ? one : null;
    });
    // Earlier by the reaction of 0.15 s, and drawn to a start of speech within 0.3 s.
    expect(Math.abs(first.start - (began - 150))).toBeLessThanOrEqual(320);
    await says(app.driver, '2 not timed yet');

    await press2('c').keyUp('c').perform();
    await says(app.driver, '1 not timed yet');
    const second = (await kept(track)).find((c) => c.text === 'two');
    expect(second?.start).toBeGreaterThanOrEqual(first.end + 80);
    await type(app.driver, 'x');
    await says(app.driver, '2 not timed yet');
    expect((await kept(track)).find((c) => c.text === 'two')?.timing).toBe('provisional');
  });

  it('skips a caption, and brings it back', async () => {
    await tapeOf([untimed('one', 0), untimed('two', 1)]);
    const next = async (): Promise<string> => (await see(app.driver, '[data-test=next-to-time]')).getText();
    expect(await next()).toBe('one');
    await onTape();
    await type(app.driver, 'v');
    await eventually(app.driver, 'the next one', async () => (await next()) === 'two');
    await type(app.driver, 'v');
    await press(app.driver, 'Bring them back');
    await eventually(app.driver, 'the first again', async () => (await next()) === 'one');
  });

  it('needs no captions at all: it makes empty ones', async () => {
    const { track } = await tapeOf([]);
    await onTape();
    await type(app.driver, ' ');
    await eventually(app.driver, 'the recording on its way', async () => (await playhead()) > 700);
    await press2('c').keyUp('c').perform();
    await eventually(app.driver, 'it played on', async () => (await playhead()) > 2600);
    await press2('c').keyUp('c').perform();
    const [first, next] = await eventually(app.driver, 'two captions', async () => {
      const captions = await kept(track);
      return captions.length === 2 ? captions : null;
    });
    // A tap ends the one the smallest gap before the next.
    expect((next?.start ?? 0) - (first?.end ?? 0)).toBeGreaterThanOrEqual(80);
    expect([first?.text, next?.text]).toEqual(['', '']);
  });
});

describe('a job from a recording alone', () => {
  it('is begun, timed, written and taken away as a file without leaving the tape', async () => {
    const job = await jobFromRecording(app, 'demo/recordings/lock-after-dark/recording.webm');
    const { tracks } = await ask('GET /api/jobs/:id', { params: { id: job } });
    const track = tracks[0]?.id ?? '';
    expect(tracks.map((t) => t.kind)).toEqual(['captions']);

    await press(app.driver, 'New for speech');
    await see(app.driver, '.tape-block.here');
    await onTape();
    await type(app.driver, Key.ENTER);
    await see(app.driver, '.tape-text .cm-content');
    await type(app.driver, 'Welcome to night school.');
    await eventually(
      app.driver,
      'the text kept',
      async () => (await kept(track))[0]?.text === 'Welcome to night school.',
    );
    const file = await (await fetch(`${app.services.address}/api/tracks/${track}/file?format=srt`)).text();
    expect(file).toMatch(/^1\n00:00:01,\d{3} --> 00:00:0[34],\d{3}\nWelcome to night school\.\n/);
  });

  it('has two minutes timed and written in under eighty actions besides letters', async () => {
    const { track } = await tapeOf([]);
    let actions = 0;
    const act = async (done: Promise<unknown>): Promise<void> => {
      actions++;
      await done;
    };
    await act(press(app.driver, 'New for speech'));
    const made = await eventually(app.driver, 'the captions', async () => {
      const captions = await kept(track);
      return captions.length > 30 ? captions : null;
    });
    const wanted = made.filter((c) => c.start < 120_000).length;
    for (let n = 0; n < wanted; n++) {
      await eventually(app.driver, `the keyboard in caption ${String(n + 1)}`, () =>
        app.driver.executeScript<boolean>(
          `return document.activeElement?.matches('.tape-block .cm-content') === true &&
             document.activeElement.closest('.tape-block').getAttribute('aria-label').startsWith(arguments[0])`,
          `Caption ${String(n + 1)},`,
        ),
      );
      await type(app.driver, `words ${String(n + 1)}`);
      // Kept as heard, and on to the next, which plays.
      await act(control(app.driver, Key.ENTER));
    }
    const written = await eventually(app.driver, 'all of it kept', async () => {
      const captions = await kept(track);
      return captions[wanted - 1]?.proofed ? captions : null;
    });
    expect(written.slice(0, wanted).map((c) => c.text)).toEqual(
      Array.from({ length: wanted }, (_, n) => `words ${String(n + 1)}`),
    );
    expect(actions).toBe(wanted + 1);
    expect(actions).toBeLessThan(80);
  });
});
