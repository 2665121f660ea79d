import { resampler } from './resample.ts';

/** A sine of one pitch, resampled in pieces. */
function sine(pitch: number, from: number, to: number, seconds = 0.5): Float32Array {
  const sound = Float32Array.from({ length: from * seconds }, (_, i) => Math.sin((2 * Math.PI * pitch * i) / from));
  const resample = resampler(from, to);
  const out: number[] = [];
  for (let i = 0; i < sound.length; i += 441) out.push(...resample.push(sound.subarray(i, i + 441)));
  return Float32Array.from([...out, ...resample.finish()]);
}

it.each([
  [48_000, 16_000],
  [44_100, 16_000],
  [22_050, 16_000],
  [8000, 16_000],
  [44_099, 16_000],
])('keeps a tone of 1 kHz where it is in time, from %d to %d', (from, to) => {
  const out = sine(1000, from, to);
  expect(Math.abs(out.length - to / 2)).toBeLessThanOrEqual(2);
  let worst = 0;
  // Away from the ends, where there is nothing on one side.
  for (let i = 400; i < out.length - 400; i++)
    worst = Math.max(worst, Math.abs((out[i] ?? 0) - Math.sin((2 * Math.PI * 1000 * i) / to)));
  expect(worst).toBeLessThan(0.01);
});

it('lets nothing through that the new rate cannot hold', () => {
  const out = sine(11_000, 48_000, 16_000).subarray(400, -400);
  expect(Math.max(...out.map(Math.abs))).toBeLessThan(0.01);
});
