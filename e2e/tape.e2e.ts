/** Timing on the tape: dragged, by key, heard, seen, kept, undone. */
import { caption, type Caption } from '../core/model/caption.ts';
import { asking, captionsOf, jobWith } from './support/ask.ts';
import { control, devTools, eventually, holding, Key, pick, press, says, see, type, saved } from './support/browser.ts';
import { withApplication } from './support/application.ts';
import { seek } from './support/playhead.ts';

const app = withApplication();
const ask = asking(() => app.services.address);

/** A job with the demo’s recording and these captions, on the tape. */
async function tapeOf(times: readonly (readonly [number, number])[]): Promise<{ job: string; track: string }> {
  const [demo] = await ask('GET /api/jobs');
  const captions = times.map(([start, end], i) =>
    caption({ id: `c${String(i)}`, start, end, text: `the lower gate ${String(i)}` }),
  );
  const made = await jobWith(ask, 'On the tape', captions, { recording: demo?.recording?.hash ?? null });
  await app.driver.get(`${app.services.address}/jobs/${made.job}/tape`);
  await see(app.driver, '.tape-block');
  return made;
}
const kept = async (track: string): Promise<string> => {
  await saved(app.driver);
  return (await captionsOf(ask, track)).map((c: Caption) => `${String(c.start)}–${String(c.end)}`).join(' ');
};
const times = (track: string, expected: string): Promise<boolean> =>
  eventually(app.driver, expected, async () => (await kept(track)) === expected);

interface Spot {
  readonly x: number;
  readonly y: number;
}
/** Where a part of a block is on the screen. */
const spot = (nth: number, part: string): Promise<Spot> =>
  eventually(app.driver, `${part} of block ${String(nth)}`, () =>
    app.driver.executeScript<Spot | null>(
      `const box = document.querySelectorAll('.tape-block')[arguments[0]]?.querySelector(arguments[1])?.getBoundingClientRect();
       return box ? { x: Math.round(box.left + Math.min(box.width / 2, 60)), y: Math.round(box.top + box.height / 2) } : null;`,
      nth,
      part,
    ),
  );
/** Px for a second, as the page shows it now. */
const pixels = (): Promise<number> =>
  app.driver.executeScript<number>('return document.querySelector("[data-test=tape]").clientHeight / 10');
/** Takes hold of a part, moves by seconds, and holds keys meanwhile. */
async function dragged(nth: number, part: string, by: number, keys: readonly string[] = []): Promise<void> {
  const { x, y } = await spot(nth, part);
  const to = Math.round(y + by * (await pixels()));
  const actions = app.driver.actions().move({ x, y, duration: 0 }).press();
  for (const key of keys) actions.keyDown(key);
  await actions
    .move({ x, y: Math.round((y + to) / 2), duration: 30 })
    .move({ x, y: to, duration: 30 })
    .perform();
}
async function letGo(keys: readonly string[] = []): Promise<void> {
  const actions = app.driver.actions().release();
  for (const key of keys) actions.keyUp(key);
  await actions.perform();
}
/** Nothing draws: what is dragged goes where the pointer goes. */
const undrawn = JSON.stringify({
  snaps: { speech: false, words: false, frames: true, captions: false, playhead: false },
});

beforeEach(async () => {
  await app.driver.get(app.services.address);
  await app.driver.executeScript(`localStorage.setItem('fenwix-preferences', arguments[0])`, undrawn);
});

describe('dragging', () => {
  it('moves an edge, shows by how much, keeps it as one step, and takes it back', async () => {
    const { track } = await tapeOf([
      [1000, 3000],
      [5000, 7000],
    ]);
    await dragged(0, '.block-edge.end', 1);
    await says(app.driver, /\+(0\.9|1\.0)\d\d s/);
    expect(await kept(track)).toBe('1000–3000 5000–7000');
    // The monitor says what it would be.
    const end = await see(app.driver, '[aria-label="End of caption"]');
    await eventually(app.driver, 'the new end', async () =>
      /^00:0(3\.9|4)/.test((await end.getAttribute('value')) ?? ''),
    );
    await letGo();
    await eventually(app.driver, 'a later end', async () => /^1000–(39|40)\d\d 5000/.test(await kept(track)));
    // At a picture of 25 a second.
    expect(Number(/–(\d+)/.exec(await kept(track))?.[1]) % 40).toBe(0);
    await control(app.driver, 'z');
    await times(track, '1000–3000 5000–7000');
  });

  it('is given up by Escape', async () => {
    const { track } = await tapeOf([[1000, 3000]]);
    await dragged(0, '.block-edge.end', 1);
    await type(app.driver, Key.ESCAPE);
    await letGo();
    expect(await kept(track)).toBe('1000–3000');
  });

  it('moves both sides of an edge that is shared, one with Shift, and pushes with Ctrl', async () => {
    const { track } = await tapeOf([
      [1000, 3000],
      [3080, 5000],
      [5080, 7000],
    ]);
    await dragged(0, '.block-edge.end', -0.8);
    await letGo();
    await eventually(app.driver, 'both sides', async () => {
      const [, end, start] = /^1000–(\d+) (\d+)–5000/.exec(await kept(track)) ?? [];
      return Number(end) < 2300 && Number(start) - Number(end) === 80;
    });
    await control(app.driver, 'z');
    await times(track, '1000–3000 3080–5000 5080–7000');
    await dragged(1, '.block-edge.end', -0.8, [Key.SHIFT]);
    await letGo([Key.SHIFT]);
    await eventually(app.driver, 'one side', async () => /3080–4[12]\d\d 5080–7000$/.test(await kept(track)));
    await control(app.driver, 'z');
    await times(track, '1000–3000 3080–5000 5080–7000');
    await dragged(1, '.block-edge.end', 0.8, [Key.CONTROL]);
    await letGo([Key.CONTROL]);
    await eventually(app.driver, 'the next pushed along', async () => {
      const [, end, start, last] = /3080–(\d+) (\d+)–(\d+)$/.exec(await kept(track)) ?? [];
      return Number(end) > 5600 && Number(start) - Number(end) === 80 && Number(last) - Number(start) === 1920;
    });
  });

  it('moves a caption whole by its body, as far as its neighbours leave room', async () => {
    const { track } = await tapeOf([
      [1000, 2000],
      [3000, 4000],
      [6000, 7000],
    ]);
    await dragged(1, '.block-sheet', 4);
    await letGo();
    await times(track, '1000–2000 4920–5920 6000–7000');
  });

  it('chooses a caption that is pressed, and opens the text of one that is pressed twice', async () => {
    await tapeOf([
      [1000, 2000],
      [3000, 4000],
    ]);
    const block = await see(app.driver, '.tape-block:nth-child(2) .block-sheet');
    await block.click();
    await says(app.driver, 'Caption 2 of 2');
    await app.driver.actions().doubleClick(block).perform();
    await see(app.driver, '.tape-block.here .cm-content');
  });
});

describe('keys', () => {
  it('choose an edge and move it: a picture, a tenth, a second; one step to undo; Escape goes back', async () => {
    const { track } = await tapeOf([
      [1000, 3000],
      [9000, 9500],
    ]);
    await holding(app.driver, [Key.CONTROL, Key.SHIFT], ']');
    await eventually(app.driver, 'it to be heard', () =>
      app.driver.executeScript<boolean>('return !document.querySelector("video").paused'),
    );
    await see(app.driver, '.block-edge.end.chosen');
    await type(app.driver, Key.ARROW_DOWN);
    await holding(app.driver, [Key.SHIFT], Key.ARROW_DOWN);
    await holding(app.driver, [Key.CONTROL], Key.ARROW_DOWN);
    await times(track, '1000–4140 9000–9500');
    await type(app.driver, Key.ESCAPE);
    await eventually(app.driver, 'it to be quiet, where it was', () =>
      app.driver.executeScript<boolean>(
        'const { paused, currentTime } = document.querySelector("video"); return paused && currentTime < 0.1;',
      ),
    );
    await control(app.driver, 'z');
    await times(track, '1000–3000 9000–9500');
  });

  it('play around the chosen edge again and again', async () => {
    await tapeOf([[5000, 8000]]);
    await holding(app.driver, [Key.CONTROL, Key.SHIFT], '[');
    // The player is asked once a frame, so a frame that comes late sees a pass that seems long: one that keeps to it is waited for.
    await app.driver.executeScript(
      `const video = document.querySelector('video'); let pass = null; window.passes = [];
       const look = () => {
         const now = video.currentTime;
         if (pass && now < pass.most - 1) { passes.push(pass); pass = null; }
         pass = pass ? { least: pass.least, most: Math.max(pass.most, now) } : { least: now, most: now };
         requestAnimationFrame(look);
       };
       look();`,
    );
    const passes = await eventually(app.driver, 'a pass from 1.5 s before the edge to 1.5 s after it', async () => {
      const seen: readonly { least: number; most: number }[] = await app.driver.executeScript('return window.passes');
      return (
        seen.some(({ least, most }) => least > 3.4 && least < 3.8 && most > 6.4 && most < 6.8) &&
        seen.length > 1 &&
        seen
      );
    });
    // Each comes back: none goes on to what comes after.
    for (const { most } of passes.slice(1)) expect(most).toBeLessThan(7.9);
  });

  it('hear the edge from decoded sound, with ends exact to the sample, while the picture runs along', async () => {
    await devTools(app.driver, 'Page.addScriptToEvaluateOnNewDocument', {
      source: `
        window.passes = [];
        const { start } = AudioBufferSourceNode.prototype;
        AudioBufferSourceNode.prototype.start = function (...how) { passes.push(how); return start.apply(this, how); };
        const { connect } = AudioNode.prototype;
        AudioNode.prototype.connect = function (to, ...how) {
          if (this instanceof AudioBufferSourceNode) connect.call(this, (window.analyser = this.context.createAnalyser()));
          return connect.call(this, to, ...how);
        };`,
    });
    await tapeOf([[1000, 5000]]);
    await holding(app.driver, [Key.CONTROL, Key.SHIFT], ']');
    const passes = (): Promise<readonly (readonly [number, number, number])[]> =>
      app.driver.executeScript('return window.passes');
    await eventually(app.driver, 'sound in what is played', () =>
      app.driver.executeScript<boolean>(
        `if (!window.analyser) return false;
         const samples = new Float32Array(analyser.fftSize);
         analyser.getFloatTimeDomainData(samples);
         return samples.some((sample) => Math.abs(sample) > 0.02);`,
      ),
    );
    const picture = (): Promise<readonly [number, boolean, boolean]> =>
      app.driver.executeScript('const v = document.querySelector("video"); return [v.currentTime, v.muted, v.paused]');
    await eventually(app.driver, 'the picture running along without sound', async () => {
      const [time, muted, paused] = await picture();
      return muted && !paused && time > 3.4 && time < 6.6;
    });
    // A second earlier, twice: heard from the next pass on.
    await holding(app.driver, [Key.CONTROL], Key.ARROW_UP);
    await holding(app.driver, [Key.CONTROL], Key.ARROW_UP);
    await eventually(app.driver, 'a pass that counts what moved', async () => {
      const last = (await passes()).at(-1);
      return (await passes()).length > 1 && last !== undefined && Math.abs(last[2] - 3) < 1e-9 && last;
    });
    const [first, next] = await passes();
    // From 1.5 s before the edge at 5 s to 1.5 s after it, then around 3 s; each after the one before is over.
    expect([first?.[2], next?.[2]]).toEqual([3, 3]);
    expect((first?.[1] ?? NaN) - (next?.[1] ?? NaN)).toBeCloseTo(2, 6);
    expect((next?.[0] ?? NaN) - (first?.[0] ?? NaN)).toBeGreaterThanOrEqual(3);
    await type(app.driver, Key.ESCAPE);
    await eventually(app.driver, 'silence, and the sound of the recording back', async () => {
      const [, muted, paused] = await picture();
      return !muted && paused;
    });
  });

  it('zoom about the playhead and make a caption at it, or say what is in the way', async () => {
    const { track } = await tapeOf([[1000, 3000]]);
    await says(app.driver, '10 s on the page');
    await type(app.driver, '-');
    await says(app.driver, '15 s on the page');
    await type(app.driver, '+', '+');
    await says(app.driver, '6.7 s on the page');
    await press(app.driver, 'New caption');
    await says(app.driver, 'There is room for 0.92 s only');
    await seek(app.driver, 5);
    await press(app.driver, 'New caption');
    await eventually(app.driver, 'another caption', async () => /^1000–3000 5000–\d+$/.test(await kept(track)));
  });

  it('begin and end a caption at the playhead, its length kept where it has to be, and everything after it along', async () => {
    const { track } = await tapeOf([
      [1000, 3000],
      [5000, 6000],
    ]);
    await seek(app.driver, 2);
    await control(app.driver, '[');
    await times(track, '2000–3000 5000–6000');
    await seek(app.driver, 4);
    await control(app.driver, '[');
    await times(track, '4000–5000 5000–6000');
    await seek(app.driver, 4.5);
    await holding(app.driver, [Key.ALT], '[');
    await times(track, '4500–5500 5500–6500');
    await control(app.driver, 'z');
    await seek(app.driver, 4.8);
    await control(app.driver, ']');
    await times(track, '4000–4800 5000–6000');
    await holding(app.driver, [Key.ALT], ']');
    await times(track, '4000–4920 5000–6000');
  });

  it('split what is heard while it plays on, at the word that was said', async () => {
    const { track } = await tapeOf([[1000, 5000]]);
    await seek(app.driver, 3.2);
    await control(app.driver, '/');
    // “the lower | gate 0”: letters tell where, as no word has times.
    await eventually(app.driver, 'two captions', async () => {
      await saved(app.driver);
      const texts = (await captionsOf(ask, track)).map((c) => c.text);
      return texts.join(' | ') === 'the lower | gate 0';
    });
  });

  it('zoom in until one caption is taller than the page, and its text is still in sight', async () => {
    await tapeOf([[1000, 9000]]);
    await seek(app.driver, 6);
    await type(app.driver, '+', '+', '+', '+');
    await says(app.driver, '2.0 s on the page');
    await eventually(app.driver, 'the text on the page', () =>
      app.driver.executeScript<boolean>(
        `const tape = document.querySelector('[data-test=tape]').getBoundingClientRect();
         const text = document.querySelector('.block-text').getBoundingClientRect();
         return text.top >= tape.top - 1 && text.top < tape.bottom;`,
      ),
    );
  });

  it('counts by another frame rate once that is chosen', async () => {
    const { job } = await tapeOf([[1000, 3000]]);
    await (await see(app.driver, '[aria-label="About the recording…"]')).click();
    await pick(app.driver, 'Frame rate', '24 fps');
    await press(app.driver, 'Save');
    await says(app.driver, '24 fps');
    await eventually(
      app.driver,
      'the rate kept',
      async () => (await ask('GET /api/jobs/:id', { params: { id: job } })).rate.numerator === 24,
    );
  });

  it('plays from where the sound is pressed twice', async () => {
    await tapeOf([[1000, 3000]]);
    const { x, y } = await app.driver.executeScript<Spot>(
      `const box = document.querySelector('[data-test=tape]').getBoundingClientRect();
       return { x: Math.round(box.left + 130), y: Math.round(box.top + box.height * 0.7) };`,
    );
    await app.driver.actions().move({ x, y, duration: 0 }).doubleClick().perform();
    await eventually(app.driver, 'it playing from there', () =>
      app.driver.executeScript<boolean>(
        'const v = document.querySelector("video"); return !v.paused && v.currentTime > 2;',
      ),
    );
  });

  it('edges are sliders with their times', async () => {
    const { track } = await tapeOf([[1000, 3000]]);
    const slider = await see(app.driver, '[role=slider][aria-label="End of caption 1"]');
    expect(await slider.getAttribute('aria-valuetext')).toBe('00:03.00');
    await app.driver.executeScript('arguments[0].focus()', slider);
    await type(app.driver, Key.ARROW_UP);
    await times(track, '1000–2960');
  });
});

describe('the sound', () => {
  it('is read once, drawn, and kept for whoever comes next', async () => {
    const { job } = await tapeOf([[1000, 3000]]);
    /** Rows of the page on which the sound is wider than a line. */
    const drawn = (): Promise<number> =>
      app.driver.executeScript<number>(
        `const canvas = document.querySelector('[data-test=tape] canvas'); const scale = devicePixelRatio;
         const { data, width } = canvas.getContext('2d').getImageData(0, 0, Math.round(200 * scale), canvas.height);
         const at = (x, y) => data.slice((y * width + Math.round(x * scale)) * 4, (y * width + Math.round(x * scale)) * 4 + 3).join();
         let rows = 0;
         for (let y = 0; y < canvas.height; y++) if (at(136, y) === at(120, y) && at(136, y) !== at(80, y)) rows++;
         return rows;`,
      );
    await eventually(app.driver, 'sound', async () => (await drawn()) > 40);
    const { hash } = (await ask('GET /api/jobs/:id', { params: { id: job } })).recording ?? { hash: '' };
    await eventually(
      app.driver,
      'it kept',
      async () => (await fetch(`${app.services.address}/api/recordings/${hash}/peaks`)).status === 200,
    );
    await app.driver.navigate().refresh();
    await see(app.driver, '.tape-block');
    await eventually(app.driver, 'sound again', async () => (await drawn()) > 40);
    expect(
      await app.driver.executeScript(
        `return performance.getEntriesByType('resource').filter((e) => e.name.includes('/file') && e.initiatorType === 'fetch').length`,
      ),
    ).toBe(0);
  });
});

it('follows the sound with the playhead at a third, and stays where it is scrolled to by hand', async () => {
  await tapeOf([
    [1000, 3000],
    [30_000, 32_000],
  ]);
  const playhead = (): Promise<number> =>
    app.driver.executeScript<number>(
      `const tape = document.querySelector('[data-test=tape]').getBoundingClientRect();
       return (document.querySelector('.tape-playhead').getBoundingClientRect().top - tape.top) / tape.height;`,
    );
  await seek(app.driver, 20);
  await control(app.driver, Key.SPACE);
  await eventually(app.driver, 'the playhead at a third', async () => Math.abs((await playhead()) - 1 / 3) < 0.03);
  await eventually(app.driver, 'the sound going on', () =>
    app.driver.executeScript<boolean>('return document.querySelector("video").currentTime > 20.8'),
  );
  expect(Math.abs((await playhead()) - 1 / 3)).toBeLessThan(0.03);
  await app.driver.executeScript(
    'document.querySelector("[data-test=tape]").dispatchEvent(new WheelEvent("wheel", { deltaY: 900, bubbles: true, cancelable: true }))',
  );
  await eventually(app.driver, 'the playhead gone from sight', async () => (await playhead()) < 0);
  await control(app.driver, Key.SPACE);
});
