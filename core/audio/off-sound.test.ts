import { readFileSync } from 'node:fs';
import { offSound } from './off-sound.ts';
import type { Regions } from './regions.ts';

/** What is heard in the demo's recordings (`fenwix regions`), and where their sentences really begin. */
const demo = (['lock-after-dark', 'keepers-round'] as const).map((name) => {
  const read = <T>(path: string): T => JSON.parse(readFileSync(path, 'utf8')) as T;
  const { speech } = read<Regions>(`fixtures/regions/${name}.json`);
  const { sentences } = read<{ readonly sentences: readonly { readonly start: number }[] }>(
    `demo/recordings/${name}/true-script.json`,
  );
  return { name, speech, sentences };
});
const moved = (of: readonly { readonly start: number }[], to: (ms: number) => number) =>
  of.map(({ start }) => ({ start: Math.round(to(start)) })).filter(({ start }) => start >= 0);

describe.each(demo)('$name', ({ speech, sentences }) => {
  it.each([0, 250, -250])('is not said to be off where it is right within a quarter of a second: %i ms', (by) =>
    expect(
      offSound(
        moved(sentences, (ms) => ms + by),
        speech,
      ),
    ).toBeNull(),
  );
  it('nor where each caption is off by chance', () => {
    const jitter = (ms: number): number => ms + ((ms * 7919) % 500) - 250;
    expect(offSound(moved(sentences, jitter), speech)).toBeNull();
  });
  it.each([600, -600, 1000, -2000, 5000, 20_000, -30_000])('is %i ms beside its sound', (by) => {
    const off = offSound(
      moved(sentences, (ms) => ms + by),
      speech,
    );
    expect(off).toMatchObject({ kind: 'steady', whole: true });
    expect(Math.abs((off?.kind === 'steady' ? off.by : 0) - by)).toBeLessThan(100);
  });
  it('drifts, counted at 25 pictures a second and played at 24', () => {
    const off = offSound(
      moved(sentences, (ms) => (ms * 25) / 24),
      speech,
    );
    const last = sentences.at(-1)?.start ?? 0;
    expect(off?.kind).toBe('drift');
    expect(Math.abs((off?.kind === 'drift' ? off.last : 0) - last / 24)).toBeLessThan(500);
  });
});

it('says from where on a track is off', () => {
  const [, round] = demo;
  const off = offSound(
    moved(round?.sentences ?? [], (ms) => (ms > 300_000 ? ms + 8000 : ms)),
    round?.speech ?? [],
  );
  expect(off).toMatchObject({ kind: 'steady', whole: false });
  const { from, by } = off?.kind === 'steady' ? off : { from: 0, by: 0 };
  expect(Math.abs(by - 8000)).toBeLessThan(100);
  expect(Math.abs(from - 308_000)).toBeLessThan(15_000);
});

it('says nothing of a few captions, nor of captions whose sound does not tell', () => {
  const [lock] = demo;
  expect(
    offSound(
      moved(lock?.sentences.slice(0, 12) ?? [], (ms) => ms + 5000),
      lock?.speech ?? [],
    ),
  ).toBeNull();
  const even = Array.from({ length: 60 }, (_, i) => ({ start: i * 1370 }));
  expect(offSound(even, lock?.speech ?? [])).toBeNull();
  expect(offSound(even, [])).toBeNull();
});
