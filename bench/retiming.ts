/** What Tracks and retiming work out in a worker, here in one go: two tracks paired and compared, a recording cut again, versions. */
import { readFileSync } from 'node:fs';
import { pairCaptions } from '../core/timing/borrow/borrow.ts';
import { chances } from '../core/chances-for-tests.ts';
import { compare } from '../core/compare/compare.ts';
import { fingerprinter, type Fingerprint } from '../core/timing/recut/fingerprint.ts';
import { segmentsOf } from '../core/timing/recut/segments.ts';
import { caption, type Caption } from '../core/model/caption.ts';
import { trackVersions, type LoggedEdit } from '../core/model/track-versions.ts';
import type { Figure } from './trace.ts';

const folder = 'demo/recordings/lock-after-dark';
const { sentences } = JSON.parse(readFileSync(`${folder}/true-script.json`, 'utf8')) as {
  readonly sentences: readonly { readonly text: string; readonly start: number; readonly end: number }[];
};
const { fr } = JSON.parse(readFileSync(`${folder}/translations.json`, 'utf8')) as { readonly fr: readonly string[] };

/** The lock said over and over, up to so many captions, each time with a number of its own. @param late in ms */
const track = (many: number, texts: readonly string[], late: number): Caption[] =>
  Array.from({ length: many }, (_, i) => {
    const [round, n] = [Math.floor(i / sentences.length), i % sentences.length];
    const { start = 0, end = 0 } = sentences[n] ?? {};
    const at = round * 150_000 + late;
    const text = `${texts[n] ?? ''} ${n % 7 === 0 ? String(round + 100) : ''}`.trim();
    return caption({ id: `c${String(i)}`, start: at + start, end: at + end, text });
  });
const english = sentences.map((s) => s.text);

/** Half an hour of tones that change a few times a second, as samples at 8 kHz, a second at a time. */
function printed(seconds: readonly number[]): Fingerprint {
  const prints = fingerprinter();
  seconds.forEach((second, i) => {
    const chance = chances(second + 1);
    const samples = new Float32Array(8000);
    for (let from = 0; from < samples.length; from += 2000) {
      const [a, b] = [200 + chance() * 1500, 300 + chance() * 2500];
      for (let k = from; k < from + 2000; k++)
        samples[k] = 0.3 * Math.sin((k * a * Math.PI) / 4000) + 0.2 * Math.sin((k * b * Math.PI) / 4000);
    }
    prints.push(samples, i, 8000);
  });
  return prints.finish();
}

/** Figures of one run each, in ms; `most` is null: nothing was promised of them. */
export async function retimingFigures(): Promise<readonly Figure[]> {
  const figures: Figure[] = [];
  async function took<T>(name: string, work: () => T | Promise<T>): Promise<T> {
    const from = performance.now();
    const answer = await work();
    figures.push({ name, ms: performance.now() - from, most: null });
    return answer;
  }
  for (const many of [900, 5000]) {
    const [moved, giving] = [track(many, fr, 4000), track(many, english, 0)];
    await took(`${String(many)} captions paired with those of another language`, () => pairCaptions(moved, giving));
  }
  await took('5,000 captions compared with others, one word in eight another', () => {
    const chance = chances(3);
    const wrong = english.map((text) => text.replace(/\S+/g, (word) => (chance() < 0.125 ? 'lamp' : word)));
    return compare(track(5000, english, 0), track(5000, wrong, 250));
  });
  const all = Array.from({ length: 1800 }, (_, i) => i);
  const old = await took('Prints of half an hour of sound', () => printed(all));
  const now = printed([...all.slice(0, 600), ...all.slice(700, 1500), ...all.slice(600, 650), ...all.slice(1500)]);
  await took('Half an hour held against another cut of it', () => segmentsOf(old, now));
  const captions = track(5000, english, 0);
  const log = Array.from({ length: 5000 }, (_, i): LoggedEdit => {
    const edit =
      i === 0
        ? ({ type: 'insert', captions } as const)
        : ({ type: 'splice', id: `c${String((i * 37) % 5000)}`, from: 0, to: 0, insert: 'x' } as const);
    return { number: i + 1, at: i * 60_000 + Math.floor(i / 100) * 3_600_000, edit };
  });
  await took('Versions of 5,000 edits of 5,000 captions', () => trackVersions(log, new Set()));
  return figures;
}
