/** What a network of voices takes for one, and is none; and speech over music, which stays speech. */
import { readFileSync } from 'node:fs';
import { soundReader } from './sound-reader.ts';
import { voiceWeights } from './voice-net.ts';
import { wavForm, wavSamples } from './wav.ts';

const weights = voiceWeights(new Uint8Array(readFileSync('core/audio/voice-net.bin')).buffer);
const wav = new Uint8Array(readFileSync('fixtures/speech/night-school.wav'));
const form = wavForm(wav, wav.length);
const speech = form ? wavSamples(wav.subarray(form.at), form) : new Float32Array();
const rate = 16_000;

function heard(sound: Float32Array) {
  const reader = soundReader(weights);
  for (let i = 0; i < sound.length; i += 1600) reader.push(sound.subarray(i, i + 1600), i / rate, rate);
  return reader.finish();
}
/** A tone that swells for a moment and dies away, a second in. @param at its value at a time in seconds */
function tone(seconds: number, at: (t: number) => number): Float32Array {
  const sound = new Float32Array((seconds + 2) * rate);
  for (let i = 0; i < seconds * rate; i++) {
    const t = i / rate;
    sound[rate + i] = 0.3 * Math.min(1, t * 20, (seconds - t) * 20) * at(t);
  }
  return sound;
}
/** One turn of a tone with ten overtones, as reeds and brass have them. */
const turn = new Float32Array(4096);
for (let i = 0; i < turn.length; i++) {
  let sum = 0;
  for (let h = 1; h <= 10; h++) sum += Math.sin((2 * Math.PI * i * h) / turn.length) / h;
  turn[i] = sum / 2;
}
const reed = (phase: number): number => turn[Math.floor((phase - Math.floor(phase)) * turn.length)] ?? 0;
const chord = (t: number): number => (reed(150 * t) + reed(190 * t) + reed(225 * t)) / 3;
const vibrato = (t: number): number => reed(220 * t + 0.4 * Math.sin(2 * Math.PI * 5.5 * t));

it.each<[string, (t: number) => number]>([
  ['a pure tone', (t) => Math.sin(2 * Math.PI * 220 * t)],
  ['a reed', (t) => reed(150 * t)],
  ['a horn of two reeds', (t) => (reed(185 * t) + reed(233 * t)) / 2],
  ['a chord', chord],
  ['a reed with vibrato', vibrato],
  ['a siren', (t) => reed(400 * t - (150 / Math.PI) * Math.cos(Math.PI * t))],
  ['a bell', (t) => Math.exp(-t * 1.5) * (Math.sin(2 * Math.PI * 440 * t) + Math.sin(2 * Math.PI * 1212 * t) * 0.6)],
  ['hum', (t) => reed(50 * t)],
])('%s is no speech', (_, at) => {
  const found = heard(tone(2, at)).speech;
  expect(found.reduce((sum, s) => sum + s.end - s.start, 0)).toBeLessThan(500);
});

it('a horn after sentences is sound, and they stay speech', () => {
  // Two reeds, a little out of tune.
  const horn = tone(2.2, (t) => (reed(185 * t) + reed(233.5 * t)) / 2);
  const both = new Float32Array(speech.length + horn.length);
  both.set(speech);
  both.set(horn, speech.length);
  const alone = heard(speech).speech;
  const { speech: found, sound } = heard(both);
  expect(found).toHaveLength(alone.length);
  found.forEach(({ start, end }, i) => {
    // What is quiet is told by what is around it, which is more now.
    expect(Math.abs(start - (alone[i]?.start ?? NaN))).toBeLessThanOrEqual(20);
    expect(Math.abs(end - (alone[i]?.end ?? NaN))).toBeLessThanOrEqual(20);
  });
  const begins = (speech.length / rate) * 1000 + 1000;
  expect(Math.abs((sound.at(-1)?.start ?? 0) - begins)).toBeLessThan(100);
});

it.each([6, 12, 18])('speech stays speech over a chord %i dB under it', (under) => {
  const alone = heard(speech).speech;
  const level = Math.sqrt(speech.reduce((sum, s) => sum + s * s, 0) / speech.length);
  const music = Float32Array.from(speech, (_, i) => chord(i / rate));
  const loudness = Math.sqrt(music.reduce((sum, s) => sum + s * s, 0) / music.length);
  const gain = (level / loudness) * 10 ** (-under / 20);
  const found = heard(speech.map((s, i) => s + (music[i] ?? 0) * gain)).speech;
  for (const { start, end } of alone) {
    const covered = found.reduce((sum, s) => sum + Math.max(0, Math.min(s.end, end) - Math.max(s.start, start)), 0);
    expect(covered / (end - start)).toBeGreaterThan(0.85);
  }
});
