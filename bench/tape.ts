/**
 * The tape with 5,000 captions, and an hour of sound heard through, in the real page. Scrolling and dragging are held
 * against a bare canvas that draws as many rectangles.
 */
import { median } from 'd3-array';
import { execFileSync, spawnSync } from 'node:child_process';
import { createReadStream, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { longTrack } from '../demo/long-track.ts';
import { asking, jobWith } from '../e2e/support/ask.ts';
import { eventually, openBrowser, see, type WebDriver } from '../e2e/support/browser.ts';
import { startServices, type Services } from '../e2e/support/services.ts';
import { answers, longest, tasksBetween, trace, traced, type Figure, type TraceEvent } from './trace.ts';
import type { Ratio } from './page.ts';

const rounds = 5;
const frames = 60;
/** Scrolls the tape by its own wheel, once a frame. */
const scroll = `const done = arguments[0]; const tape = document.querySelector('[data-test=tape]'); let n = 0;
  const step = () => { tape.dispatchEvent(new WheelEvent('wheel', { deltaY: 90, bubbles: true, cancelable: true }));
    if (++n < ${String(frames)}) requestAnimationFrame(step); else done(); }; step();`;
/** Drags an edge of the chosen caption up and down, once a frame. */
const drag = `const done = arguments[0]; const edge = document.querySelector('.tape-block.here .block-edge.end');
  const box = edge.getBoundingClientRect(); let n = 0; const tape = document.querySelector('[data-test=tape]');
  const at = (type, y, on) => on.dispatchEvent(new PointerEvent(type, { clientX: box.left + 50, clientY: y, button: 0, buttons: 1, pointerId: 1, bubbles: true, cancelable: true }));
  tape.setPointerCapture = () => undefined; at('pointerdown', box.top + 4, edge);
  const step = () => { at('pointermove', box.top + 4 + 20 * Math.sin(n / 5), tape);
    if (++n < ${String(frames)}) requestAnimationFrame(step); else { at('pointerup', box.top, tape); done(); } }; step();`;
/** A canvas of the size of the tape that draws the rectangles of as many captions, once a frame. */
const bare = `const done = arguments[0]; document.body.innerHTML = '<canvas width=805 height=660></canvas>';
  const context = document.querySelector('canvas').getContext('2d'); let n = 0;
  const step = () => { context.clearRect(0, 0, 805, 660);
    for (let i = 0; i < 660; i++) context.fillRect(200 - (i * 7) % 60, i, (i * 14) % 120, 1);
    for (let i = 0; i < 12; i++) { context.fillRect(290, i * 60 - n, 400, 50); context.fillText('the lower gate is shut', 300, i * 60 - n + 20); }
    if (++n < ${String(frames)}) requestAnimationFrame(step); else done(); }; step();`;

async function marked(driver: WebDriver, name: string, script: string): Promise<void> {
  await driver.executeScript('performance.mark(arguments[0])', `${name} from`);
  await driver.executeAsyncScript(script);
  await driver.executeScript('performance.mark(arguments[0])', `${name} to`);
}

async function round(
  driver: WebDriver,
  address: string,
): Promise<readonly [scrolled: number, dragged: number, bare: number]> {
  await driver.get(address);
  await see(driver, '.tape-block.here');
  await driver.executeAsyncScript(
    'const done = arguments[0]; setTimeout(() => requestIdleCallback(() => done()), 1500);',
  );
  await marked(driver, 'drag', drag);
  await marked(driver, 'scroll', scroll);
  await driver.get('about:blank');
  await marked(driver, 'bare', bare);
  const events: TraceEvent[] = [];
  for (let n = 0; n < answers && !events.some((e) => e.name === 'bare to'); n++) events.push(...(await trace(driver)));
  const worst = (name: string): number => longest(tasksBetween(events, `${name} from`, `${name} to`));
  return [worst('scroll'), worst('drag'), worst('bare')];
}

/** How long a page takes to hear an hour of sound through; null where there is no ffmpeg to make it. */
async function hearing(driver: WebDriver, services: Services): Promise<number | null> {
  if (spawnSync('ffmpeg', ['-version'], { stdio: 'ignore' }).status !== 0) return null;
  const folder = mkdtempSync(join(tmpdir(), 'fenwix-bench-'));
  try {
    const file = join(folder, 'hour.ogg');
    const from = ['-stream_loop', '-1', '-i', 'demo/recordings/lock-after-dark/recording.webm', '-vn', '-t', '3600'];
    execFileSync('ffmpeg', ['-v', 'error', ...from, '-c:a', 'libopus', '-b:a', '48k', file]);
    const ask = asking(() => services.address);
    const sent = await fetch(`${services.address}/api/recordings?name=hour.ogg`, {
      method: 'PUT',
      headers: { 'content-type': 'application/octet-stream' },
      body: Readable.toWeb(createReadStream(file)),
      duplex: 'half',
    } as RequestInit);
    const { hash } = (await sent.json()) as { readonly hash: string };
    await ask('PATCH /api/recordings/:hash', { params: { hash }, body: { length: 3_600_000, width: 0, height: 0 } });
    const { job } = await jobWith(ask, 'An hour', longTrack(900), { recording: hash });
    const began = performance.now();
    await driver.get(`${services.address}/jobs/${job}/tape`);
    for (let heard = false; !heard;) {
      await new Promise((wait) => setTimeout(wait, 250));
      heard = await ask('GET /api/recordings/:hash/regions', { params: { hash } }).then(
        () => true,
        () => false,
      );
    }
    return performance.now() - began;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/** Measures the tape. @throws {Error} where there is no browser or no build */
export async function tapeFigures(): Promise<{
  readonly figures: readonly Figure[];
  readonly ratios: readonly Ratio[];
}> {
  const services = await startServices();
  const { driver } = await openBrowser(traced);
  try {
    const ask = asking(() => services.address);
    const [demo] = await ask('GET /api/jobs');
    const hash = demo?.recording?.hash ?? '';
    const { job } = await jobWith(ask, 'A long evening', longTrack(5000), { recording: hash });
    const address = `${services.address}/jobs/${job}/tape`;
    await driver.get(address);
    await eventually(driver, 'the sound heard through', () =>
      ask('GET /api/recordings/:hash/regions', { params: { hash } }).catch(() => null),
    );
    const all: (readonly [number, number, number])[] = [];
    for (let n = 0; n < rounds; n++) all.push(await round(driver, address));
    const mid = (of: (round: readonly [number, number, number]) => number): number => median(all, of) ?? NaN;
    const hour = await hearing(driver, services);
    return {
      figures: [
        { name: 'tape of 5,000 captions: scrolling, the longest task', ms: mid(([s]) => s), most: 32 },
        { name: 'tape of 5,000 captions: dragging, the longest task', ms: mid(([, d]) => d), most: 32 },
        // Peaks at a hundred times real time, speech at twenty-five.
        ...(hour === null
          ? []
          : [{ name: 'an hour of sound: peaks and speech at once', ms: hour, most: 36_000 + 144_000 }]),
      ],
      ratios: [
        { name: 'tape: scrolling', ratio: mid(([s, , b]) => s / b), most: 3 },
        { name: 'tape: dragging', ratio: mid(([, d, b]) => d / b), most: 3 },
      ],
    };
  } finally {
    await driver.quit();
    await services.stop();
  }
}
