/** Recordings cut and rejoined at known places, with other levels and noise over them, so that every cut has to be found. */
import { chances } from '../../chances-for-tests.ts';
import { wavForm, wavSamples } from '../../audio/wav.ts';
import { readFileSync } from 'node:fs';
import { bitsApart, fingerprinter, type Fingerprint } from './fingerprint.ts';
import { segmentsOf } from './segments.ts';

/** 31.5 s of speech and horns at 8 kHz. */
const file = readFileSync('fixtures/recordings/fog-signals.wav');
const form = wavForm(file, file.length);
if (!form) throw new Error('It is a WAV file.');
const { rate } = form;
const sound = wavSamples(file.subarray(form.at, form.at + form.bytes), form);

const piece = (from: number, to: number): Float32Array =>
  sound.subarray(Math.round((from * rate) / 1000), Math.round((to * rate) / 1000));
const noise = (ms: number, level: number, seed: number): Float32Array => {
  const chance = chances(seed);
  return Float32Array.from({ length: Math.round((ms * rate) / 1000) }, () => (chance() - 0.5) * level);
};
/** As another encoding would have it: quieter, with noise at −65 dB. */
function joined(...pieces: readonly Float32Array[]): Float32Array {
  const all = new Float32Array(pieces.reduce((sum, p) => sum + p.length, 0));
  let at = 0;
  for (const one of pieces) {
    all.set(one, at);
    at += one.length;
  }
  const over = noise((all.length * 1000) / rate, 0.002, 7);
  return all.map((sample, i) => sample * 0.4 + (over[i] ?? 0));
}
function printed(samples: Float32Array): Fingerprint {
  const prints = fingerprinter();
  // As it comes from a decoder, in pieces of no whole number of prints.
  for (let at = 0; at < samples.length; at += 1237) prints.push(samples.subarray(at, at + 1237), at / rate, rate);
  return prints.finish();
}
const old = printed(sound);
/** Within a tenth of a second, in ms: a print is of 64 ms of sound, held against what was 30 ms before. */
const near = 100;
const found = (samples: Float32Array): readonly (readonly [number, number, number])[] =>
  segmentsOf(old, printed(samples)).map(({ now, was, length }) => [now, was, length]);

function expectNear(is: readonly (readonly number[])[], wanted: readonly (readonly number[])[]): void {
  expect(is.map((row) => row.map((x) => Math.round(x / 1000)))).toHaveLength(wanted.length);
  is.forEach((row, i) =>
    row.forEach((x, j) => expect(Math.abs(x - (wanted[i]?.[j] ?? NaN))).toBeLessThanOrEqual(near)),
  );
}

describe('a recording held against an older cut of it', () => {
  it('is the same where nothing was done', () => expectNear(found(joined(sound)), [[0, 0, 31_480]]));

  // Where somebody speaks: between two silences no ear could tell where the cut is either.
  it('has lost two stretches', () =>
    expectNear(found(joined(piece(0, 5000), piece(7000, 16_000), piece(20_000, 31_000))), [
      [0, 0, 5000],
      [5000, 7000, 9000],
      [14_000, 20_000, 11_000],
    ]));

  it('has something put in', () =>
    expectNear(found(joined(piece(0, 7500), noise(4000, 0.3, 3), piece(7500, 31_000))), [
      [0, 0, 7500],
      [11_500, 7500, 23_500],
    ]));

  it('has a stretch moved', () =>
    expectNear(found(joined(piece(13_000, 20_000), piece(0, 13_000), piece(20_000, 31_000))), [
      [0, 13_000, 7000],
      [7000, 0, 13_000],
      [20_000, 20_000, 11_000],
    ]));

  it('is none of it where it is another recording, or silence', () => {
    expect(found(noise(20_000, 0.3, 11))).toEqual([]);
    expect(found(new Float32Array(rate * 20))).toEqual([]);
    expect(found(new Float32Array())).toEqual([]);
  });
});

describe('prints', () => {
  it('come a hundred times a second, whatever the rate', () => {
    expect(Math.abs(old.prints.length - (sound.length / rate) * 100)).toBeLessThan(4);
    expect(old.quiet.some((q) => q === 0)).toBe(true);
  });
  it('differ in as many bits as there are', () => {
    expect(bitsApart(0, 0xffffffff)).toBe(32);
    expect(bitsApart(0b1011, 0b0010)).toBe(2);
  });
});
