/** Parts of the recording on the tape: drawn, captioned alone, folded away; and times of many, tried before they are kept. */
import { caption, type Caption } from '../core/model/caption.ts';
import type { Regions } from '../core/audio/regions.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { control, eventually, holding, Key, pick, press, says, see, type } from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { seek } from './support/playhead.ts';

const app = withApplication();
const ask = asking(() => app.services.address);
const speech = (...times: readonly (readonly [number, number])[]): Regions => ({
  speech: times.map(([start, end]) => ({ start, end })),
  sound: [],
});
const at = (id: string, start: number, end: number, text = `the gate ${id}`): Caption =>
  caption({ id, start, end, text });

/** A job with the demo’s recording, in which speech is said to be here, on the tape. */
async function tapeOf(captions: readonly Caption[], heard: Regions): Promise<{ job: string; track: string }> {
  const [demo] = await ask('GET /api/jobs');
  const hash = demo?.recording?.hash ?? '';
  await ask('PUT /api/recordings/:hash/regions', { params: { hash }, body: heard });
  const made = await jobWith(ask, 'In parts', captions, { recording: hash });
  await app.driver.get(`${app.services.address}/jobs/${made.job}/tape`);
  await see(app.driver, '.tape-block');
  return made;
}
const kept = async (track: string): Promise<string> =>
  (await captionsOf(ask, track)).map((c) => `${String(c.start)}–${String(c.end)}`).join(' ');
const times = (track: string, expected: string): Promise<boolean> =>
  eventually(app.driver, expected, async () => (await kept(track)) === expected);
const stretchOf = async (job: string) => (await ask('GET /api/jobs/:id', { params: { id: job } })).stretch;
const command = async (title: string): Promise<void> => {
  await control(app.driver, 'k');
  await see(app.driver, '[role=dialog] input');
  await type(app.driver, title, Key.ENTER);
};
/** Chooses a way of moving times from their menu. */
async function fromTimes(tool: string): Promise<void> {
  await press(app.driver, 'Times');
  await eventually(app.driver, 'the menu', () =>
    app.driver.executeScript<boolean>('return document.activeElement?.getAttribute("role") === "menuitem"'),
  );
  await type(app.driver, tool.charAt(0), Key.ENTER);
  await see(app.driver, '.retime-bar');
}
/** Moves the pointer down the sound from one second of the page to another, of ten. */
async function draw(from: number, to: number): Promise<void> {
  const [x, top, tall] = await app.driver.executeScript<[number, number, number]>(
    `const box = document.querySelector('[data-test=tape]').getBoundingClientRect(); return [box.left + 130, box.top, box.height];`,
  );
  // The tape begins a second before the recording.
  const y = (second: number): number => Math.round(top + ((second + 1) * tall) / 10);
  await app.driver
    .actions()
    .move({ x: Math.round(x), y: y(from), duration: 0 })
    .press()
    .move({ x: Math.round(x), y: y((from + to) / 2), duration: 30 })
    .move({ x: Math.round(x), y: y(to), duration: 30 })
    .release()
    .perform();
}

describe('a drawn stretch', () => {
  it('becomes a caption of its length, or as much as is free of it', async () => {
    const { track } = await tapeOf([at('a', 200, 1200)], speech([200, 1200], [3000, 5000]));
    await draw(3, 5);
    await press(app.driver, 'New caption');
    const made = await eventually(app.driver, 'a second caption', async () => (await captionsOf(ask, track))[1]);
    expect(Math.abs(made.start - 3000)).toBeLessThan(60);
    expect(Math.abs(made.end - 5000)).toBeLessThan(60);
    await control(app.driver, 'z');
    await times(track, '200–1200');
  });

  it('is drawn by keys as well, and goes with Escape', async () => {
    const { track } = await tapeOf([at('a', 200, 1200)], speech([200, 1200]));
    await seek(app.driver, 4);
    await type(app.driver, 'q');
    await seek(app.driver, 6);
    await type(app.driver, 'z');
    await says(app.driver, '2.00 s');
    await type(app.driver, 'f');
    await times(track, '200–1200 4000–6000');
    // Its text is open: what is typed is text until another caption is chosen.
    await see(app.driver, '.tape-text .cm-content');
    await type(app.driver, Key.ESCAPE);
    await type(app.driver, Key.ARROW_UP);
    await says(app.driver, 'Caption 1 of 2');
    await type(app.driver, 'q');
    await seek(app.driver, 7);
    await type(app.driver, 'z');
    await see(app.driver, '[aria-label="The drawn stretch"]');
    await type(app.driver, Key.ESCAPE);
    await eventually(
      app.driver,
      'nothing drawn',
      async () =>
        !(await app.driver.executeScript(`return document.querySelector('[aria-label="The drawn stretch"]')`)),
    );
  });
});

describe('the part to be captioned', () => {
  it('is what was drawn: outside it no caption is asked for, its ends drag, and all of it comes back', async () => {
    const { job } = await tapeOf([at('a', 200, 1200)], speech([200, 1200], [2500, 4000], [6000, 8000]));
    await says(app.driver, 'New for speech (2)');
    await says(app.driver, 'Speech with no caption');
    await draw(0, 2);
    await press(app.driver, 'Caption only this part');
    await says(app.driver, 'captions up to here');
    await eventually(
      app.driver,
      'no finding',
      async () =>
        !(await app.driver.executeScript<string>('return document.body.innerText')).includes('Speech with no caption'),
    );
    await says(app.driver, /^(?![\s\S]*New for speech)/);
    const end = (await stretchOf(job))?.end ?? 0;
    expect(Math.abs(end - 2000)).toBeLessThan(60);
    const handle = await see(app.driver, '.tape [role=slider][aria-label="End of the part to be captioned"]');
    const [x, y, tall] = await app.driver.executeScript<[number, number, number]>(
      `const box = arguments[0].getBoundingClientRect();
       return [box.left + 60, box.top + 3, document.querySelector('[data-test=tape]').clientHeight];`,
      handle,
    );
    await app.driver
      .actions()
      .move({ x: Math.round(x), y: Math.round(y), duration: 0 })
      .press()
      .move({ x: Math.round(x), y: Math.round(y + tall / 10), duration: 30 })
      .move({ x: Math.round(x), y: Math.round(y + (2.5 * tall) / 10), duration: 30 })
      .release()
      .perform();
    await eventually(app.driver, 'its end later', async () => ((await stretchOf(job))?.end ?? 0) > end + 2300);
    await says(app.driver, 'Speech with no caption');
    // An arrow moves it by a tenth of a second.
    const later = (await stretchOf(job))?.end ?? 0;
    await app.driver.executeScript('arguments[0].focus()', handle);
    await type(app.driver, Key.ARROW_UP);
    await eventually(app.driver, 'a tenth less', async () => (await stretchOf(job))?.end === later - 100);
    await command('caption all of the recording');
    await eventually(app.driver, 'all of it', async () => (await stretchOf(job)) === null);
    await says(app.driver, 'New for speech (2)');
  });

  it('is set with what is kept of the captions, if wanted', async () => {
    const { job, track } = await tapeOf([at('a', 200, 1200), at('b', 3000, 4000)], speech([200, 1200], [3000, 4000]));
    await seek(app.driver, 2);
    await command('keep only a part');
    await press(app.driver, 'Keep only these');
    await times(track, '3000–4000');
    await eventually(app.driver, 'the part', async () => (await stretchOf(job))?.start === 2000);
    await control(app.driver, 'z');
    await times(track, '200–1200 3000–4000');
    await eventually(app.driver, 'all of the recording again', async () => (await stretchOf(job)) === null);
    await control(app.driver, 'z', true);
    await times(track, '3000–4000');
    await eventually(app.driver, 'the part again', async () => (await stretchOf(job))?.start === 2000);
  });

  it('is typed beside the frame rate, and a time that is none is told', async () => {
    const { job } = await tapeOf([at('a', 200, 1200)], speech([200, 1200]));
    await (await see(app.driver, '[aria-label="About the recording…"]')).click();
    const [from, until] = await eventually(app.driver, 'two fields', async () => {
      const fields = await app.driver.executeScript<HTMLElement[]>(
        `return [...document.querySelectorAll('.recording-form input.figures, .recording-form .figures input')]`,
      );
      return fields.length === 2 ? fields : null;
    });
    const write = (field: unknown, text: string): Promise<void> =>
      app.driver.executeScript('arguments[0].focus(); arguments[0].select()', field).then(() => type(app.driver, text));
    await write(from, 'soon');
    await press(app.driver, 'Save');
    await says(app.driver, 'Write a time as');
    await write(from, '1:00');
    await write(until, '90.5');
    await press(app.driver, 'Save');
    await eventually(app.driver, 'the part', async () => {
      const part = await stretchOf(job);
      return part?.start === 60_000 && part.end === 90_500;
    });
  });
});

describe('folding', () => {
  it('draws long silence short, and opens one that is pressed', async () => {
    await tapeOf([at('a', 200, 1200), at('b', 61_000, 62_000)], speech([200, 1200], [61_000, 62_000]));
    const shown = (): Promise<number> =>
      app.driver.executeScript<number>(`return document.querySelectorAll('.tape-block').length`);
    expect(await shown()).toBe(1);
    await type(app.driver, 'b');
    await says(app.driver, '58 s with no speech and no caption');
    await eventually(app.driver, 'both captions', async () => (await shown()) === 2);
    await press(app.driver, '⋯');
    await eventually(app.driver, 'the first alone', async () => (await shown()) === 1);
    // The keyboard is on the tape again.
    await type(app.driver, 'b');
    await type(app.driver, 'b');
    await says(app.driver, '58 s with no speech and no caption');
    await type(app.driver, 'b');
  });
});

describe('times of many', () => {
  it('are seen where they would be, and nothing is changed before that is asked for', async () => {
    const { track } = await tapeOf(
      [at('a', 200, 1200), at('b', 3000, 4000), at('c', 5000, 6000)],
      speech([200, 1200], [3000, 4000], [5000, 6000]),
    );
    const top = (nth: number): Promise<number> =>
      app.driver.executeScript<number>(
        `return Math.round(document.querySelectorAll('.tape-block')[arguments[0]].getBoundingClientRect().top)`,
        nth,
      );
    await type(app.driver, Key.ARROW_DOWN);
    await says(app.driver, 'Caption 2 of 3');
    await command('shift in time');
    await see(app.driver, '#shift-by');
    await eventually(app.driver, 'the keyboard in it', () =>
      app.driver.executeScript<boolean>(`return document.activeElement?.id === 'shift-by'`),
    );
    await type(app.driver, '0.5');
    await says(app.driver, '2 captions, 0.50 s later');
    /** Seconds from the begin of the first to that of the second, as they stand on the page of ten. */
    const apart = async (): Promise<number> => {
      const tall = await app.driver.executeScript<number>(
        'return document.querySelector("[data-test=tape]").clientHeight',
      );
      return (10 * ((await top(1)) - (await top(0)))) / tall;
    };
    const stand = (seconds: number): Promise<boolean> =>
      eventually(app.driver, `${String(seconds)} s apart`, async () => Math.abs((await apart()) - seconds) < 0.1);
    await stand(3.3);
    await press(app.driver, 'Before');
    await stand(2.8);
    await press(app.driver, 'After');
    await stand(3.3);
    expect(await kept(track)).toBe('200–1200 3000–4000 5000–6000');
    await (await see(app.driver, '#shift-by')).sendKeys(Key.ENTER);
    await times(track, '200–1200 3500–4500 5500–6500');
    await control(app.driver, 'z');
    await times(track, '200–1200 3000–4000 5000–6000');
  });
});

describe('ties', () => {
  it('put a drift right with two presses, tell the mistake behind it, and are refused where they cross', async () => {
    // Timed for 25 pictures a second, played at 24: 4 % too early at each moment.
    const { track } = await tapeOf(
      [at('a', 9600, 10_560), at('b', 48_000, 49_000), at('c', 96_000, 97_000)],
      speech([10_000, 11_000]),
    );
    const tie = (): Promise<void> => holding(app.driver, [Key.ALT], 't');
    await seek(app.driver, 10);
    await tie();
    await says(app.driver, '3 captions, 0.40 s later');
    await control(app.driver, Key.ARROW_DOWN);
    await control(app.driver, Key.ARROW_DOWN);
    await says(app.driver, 'Caption 3 of 3');
    await seek(app.driver, 100);
    await tie();
    await says(app.driver, 'the first 0.40 s later, the last 4.00 s later');
    await says(app.driver, 'This is what 25 fps taken for 24 looks like.');
    expect(await kept(track)).toBe('9600–10560 48000–49000 96000–97000');
    // One that belongs before the others: they cross, and nothing can be moved.
    await control(app.driver, Key.ARROW_UP);
    await says(app.driver, 'Caption 2 of 3');
    await seek(app.driver, 5);
    await tie();
    await says(app.driver, 'cross');
    await (await see(app.driver, '[aria-label="Untie caption 2"]')).click();
    await says(app.driver, 'the last 4.00 s later');
    await press(app.driver, 'Apply');
    await times(track, '10000–11000 50000–51042 100000–101042');
    await control(app.driver, 'z');
    await times(track, '9600–10560 48000–49000 96000–97000');
  });

  it('are set by ear: captions far apart are played in turn, and a key at the first word goes on to the next', async () => {
    const { track } = await tapeOf(
      [at('a', 3000, 4000), at('n', 30_000, 31_000, '[water]'), at('b', 90_000, 91_000)],
      speech([3000, 4000]),
    );
    await fromTimes('Ties');
    await press(app.driver, 'By ear');
    await says(app.driver, '2 to go');
    const heard = (): Promise<number> =>
      app.driver.executeScript<number>('return document.querySelector("video").currentTime');
    await eventually(app.driver, 'it plays from before the first', async () => (await heard()) > 1.1);
    await holding(app.driver, [Key.ALT], 't');
    await says(app.driver, 'the last one');
    await eventually(app.driver, 'it plays from before the last', async () => (await heard()) > 88);
    await holding(app.driver, [Key.ALT], 't');
    await eventually(app.driver, 'it rests', () =>
      app.driver.executeScript<boolean>('return document.querySelector("video").paused'),
    );
    await says(app.driver, 'Caption 3');
    await press(app.driver, 'Apply');
    const [a, note, b] = await eventually(app.driver, 'all moved', async () => {
      const all = await captionsOf(ask, track);
      return all[0]?.start === 3000 ? null : all;
    });
    // Both were pressed before their captions began: what lies between goes along.
    expect(a?.start ?? 0).toBeLessThan(3000);
    expect(b?.start ?? 0).toBeLessThan(90_000);
    expect(note?.start ?? 0).toBeLessThan(30_000);
  });

  it('are not needed where the rates are known', async () => {
    const { track } = await tapeOf([at('a', 9600, 10_560)], speech([10_000, 11_000]));
    await fromTimes('Frame rate');
    await pick(app.driver, 'The frame rate of the recording', '24 fps');
    await says(app.driver, 'One caption, 0.40 s later');
    await press(app.driver, 'Apply');
    await times(track, '10000–11000');
  });
});

describe('what does not fit', () => {
  it('is offered what would help: what comes after makes room, in one step', async () => {
    const { track } = await tapeOf([at('a', 800, 2800), at('b', 2900, 4000)], speech([800, 4000]));
    await press(app.driver, 'New caption');
    await says(app.driver, 'There is room for');
    await press(app.driver, 'Push it and what comes after');
    await eventually(app.driver, 'three captions, the others later', async () => {
      const [made, a, b] = await captionsOf(ask, track);
      return (
        made?.start === 0 &&
        a !== undefined &&
        b !== undefined &&
        a.start > made.end &&
        a.end - a.start === 2000 &&
        b.start > a.end
      );
    });
    await control(app.driver, 'z');
    await times(track, '800–2800 2900–4000');
  });
});

describe('an edge chosen in Words', () => {
  it('has two seconds of sound beside it in the monitor', async () => {
    const { job } = await tapeOf([at('a', 2000, 4000)], speech([2000, 4000]));
    await app.driver.get(`${app.services.address}/jobs/${job}/words`);
    await says(app.driver, 'the gate a');
    await (await see(app.driver, '[aria-label="Hear begin"]')).click();
    const canvas = await see(app.driver, '[data-test=edge-sound] canvas');
    // The edge stands in the middle, speech right of it.
    await eventually(app.driver, 'speech right of the edge only', () =>
      app.driver.executeScript<boolean>(
        `const canvas = arguments[0]; const { data } = canvas.getContext('2d').getImageData(0, 4, canvas.width, 1);
         const at = (share) => [...data.slice(Math.floor(share * canvas.width) * 4, Math.floor(share * canvas.width) * 4 + 4)].join();
         return at(0.25) !== at(0.75);`,
        canvas,
      ),
    );
    await type(app.driver, Key.ESCAPE);
  });
});
