import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { NotDecoded } from '../model/decode.ts';
import { decodeRegions, regionsOf } from './regions.ts';
import { goesOnFrom, soundReader } from './sound-reader.ts';
import { voiceWeights } from './voice-net.ts';
import { wavForm, wavSamples } from './wav.ts';

const weights = voiceWeights(new Uint8Array(readFileSync('core/audio/voice-net.bin')).buffer);
const wav = new Uint8Array(readFileSync('fixtures/speech/night-school.wav'));
const form = wavForm(wav, wav.length);
const samples = form ? wavSamples(wav.subarray(form.at), form) : new Float32Array();
const rate = 16_000;

/** Hears sound through in pieces. @param start of the first sample, in seconds */
function heard(sound: Float32Array, piece: number, at = rate, start = 0) {
  const reader = soundReader(weights);
  for (let i = 0; i < sound.length; i += piece) reader.push(sound.subarray(i, i + piece), start + i / at, at);
  return reader.finish();
}

/** Where the synthesiser says the first sentences of the demo are (demo/recordings/lock-after-dark/true-script.json). */
const script = [
  { start: 1500, end: 3760 },
  { start: 4210, end: 6441 },
  { start: 7141, end: 7993 },
];

it('finds the sentences of the demo within 50 ms of where the synthesiser says they are', () => {
  const { speech, sound } = heard(samples, 960);
  expect(speech).toHaveLength(script.length);
  for (const [i, { start, end }] of script.entries()) {
    expect(Math.abs((speech[i]?.start ?? NaN) - start)).toBeLessThanOrEqual(50);
    // Its second sentence dies away under what counts as loud.
    expect(Math.abs((speech[i]?.end ?? NaN) - end)).toBeLessThanOrEqual(i === 1 ? 125 : 55);
  }
  expect(sound).toEqual([]);
});

it('hears the same whatever pieces it comes in, and whatever rate it is sampled at', () => {
  const { speech } = heard(samples, 960);
  expect(heard(samples, 777).speech).toEqual(speech);
  // Every sample three times, as a recording of 48 kHz that holds nothing higher.
  const tripled = Float32Array.from({ length: samples.length * 3 }, (_, i) => samples[Math.floor(i / 3)] ?? 0);
  const other = heard(tripled, 1024, 48_000).speech;
  expect(other).toHaveLength(speech.length);
  other.forEach((s, i) => expect(Math.abs(s.start - (speech[i]?.start ?? NaN))).toBeLessThanOrEqual(20));
});

it('counts what is missing as silence, where sound begins late', () => {
  const { speech } = heard(samples, 960);
  expect(heard(samples, 960, rate, 3.2).speech).toEqual(
    speech.map(({ start, end }) => ({ start: start + 3200, end: end + 3200 })),
  );
});

it('passes over what comes twice', () => {
  const reader = soundReader(weights);
  for (let i = 0; i < samples.length; i += 1600)
    reader.push(samples.subarray(Math.max(0, i - 800), i + 1600), Math.max(0, i - 800) / rate, rate);
  expect(reader.finish().speech).toEqual(heard(samples, 960).speech);
});

it.each([0.4, 2.9, 5.04])('goes on after %s s another time, and hears the same', (seconds) => {
  const { speech } = heard(samples, 960);
  const first = soundReader(weights);
  first.push(samples.subarray(0, Math.round(seconds * rate)), 0, rate);
  const before = first.soFar();
  const from = goesOnFrom(before);
  expect(from).toBeLessThanOrEqual(seconds);
  const second = soundReader(weights, before);
  // Sound comes in pieces that begin where they like.
  const at = Math.max(0, Math.floor(from * rate) - 300);
  for (let i = at; i < samples.length; i += 960) second.push(samples.subarray(i, i + 960), i / rate, rate);
  expect(second.finish().speech).toEqual(speech);
  expect(second.soFar().voice.length).toBe(Math.floor(samples.length / 512));
});

it('tells loud sound that is no voice, once it lasts', () => {
  const loud = new Float32Array(1000).fill(-80);
  loud.fill(-30, 200, 420).fill(-30, 435, 500).fill(-30, 700, 720);
  expect(regionsOf(new Float32Array(312), loud)).toEqual({ speech: [], sound: [{ start: 2000, end: 5000 }] });
});

it('gives stretches in order that never touch, and reads back what it gives', () => {
  const likely = fc.float32Array({ min: 0, max: 1, noNaN: true, maxLength: 200 });
  fc.assert(
    fc.property(likely, fc.float32Array({ min: -90, max: 0, noNaN: true, maxLength: 640 }), (voice, loud) => {
      const regions = regionsOf(voice, loud);
      expect(decodeRegions(JSON.parse(JSON.stringify(regions)) as typeof regions)).toEqual(regions);
      for (const sound of regions.sound)
        expect(regions.speech.filter((s) => s.start < sound.end && s.end > sound.start)).toEqual([]);
    }),
  );
});

it.each([
  ['no list', { speech: 4, sound: [] }, 'speech: expected a list'],
  ['half a millisecond', { speech: [{ start: 0.5, end: 2 }], sound: [] }, 'speech[0]'],
  ['an end before its start', { speech: [], sound: [{ start: 4, end: 2 }] }, 'sound[0]'],
  [
    'a stretch inside another',
    {
      speech: [
        { start: 0, end: 9 },
        { start: 4, end: 12 },
      ],
      sound: [],
    },
    'speech[1]',
  ],
  ['nothing', { speech: [null], sound: [] }, 'speech[0]'],
])('refuses %s', (_, value, place) => {
  expect(() => decodeRegions(value)).toThrow(NotDecoded);
  expect(() => decodeRegions(value)).toThrow(place);
});
