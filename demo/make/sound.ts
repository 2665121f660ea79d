/** Sound of the demo recordings: flite voices, and water and horn synthesised from noise and sines. */
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { wordStarts } from './word-starts.ts';
import { speakers, type DemoScript, type Voice } from './script.ts';

export const sampleRate = 16000;
const voices: Readonly<Record<Voice, string>> = { trainer: 'slt', keeper: 'rms' };

export interface PlacedSentence {
  readonly speaker: string;
  readonly text: string;
  readonly start: number;
  readonly end: number;
  /** When each of its words begins, as the voice tells its phones; null where it does not say the words as written. */
  readonly wordStarts: readonly number[] | null;
}
export interface PlacedSound {
  readonly note: string;
  readonly start: number;
  readonly end: number;
}
export interface Placed {
  readonly length: number;
  readonly sentences: readonly PlacedSentence[];
  readonly sounds: readonly PlacedSound[];
}

/** Samples of a 16-bit mono WAV file, with the silence before and after the voice cut away. */
function voiced(file: string): Float32Array {
  const bytes = readFileSync(file);
  const data = bytes.indexOf('data', 12, 'latin1') + 8;
  const samples = new Float32Array(Math.floor((bytes.length - data) / 2));
  for (let i = 0; i < samples.length; i++) samples[i] = bytes.readInt16LE(data + i * 2) / 32768;
  const loud = (v: number): boolean => Math.abs(v) > 0.006;
  const first = samples.findIndex(loud);
  const last = samples.findLastIndex(loud);
  return samples.slice(Math.max(0, first), last + 1);
}

/** A repeatable noise source (mulberry32), so that making the demo twice gives the same sound. */
function noise(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2147483648 - 1;
  };
}

function water(length: number, seed: number): Float32Array {
  const out = new Float32Array(length);
  const next = noise(seed);
  let low = 0;
  let lower = 0;
  for (let i = 0; i < length; i++) {
    low += 0.18 * (next() - low);
    lower += 0.02 * (low - lower);
    const swell = 0.75 + 0.25 * Math.sin((i / sampleRate) * 5.1);
    out[i] = (low - lower * 0.6) * 0.55 * swell * Math.sin((Math.PI * i) / length) ** 0.35;
  }
  return out;
}

function horn(length: number): Float32Array {
  const out = new Float32Array(length);
  for (let i = 0; i < length; i++) {
    const t = (i / sampleRate) * 2 * Math.PI;
    const tone = Math.sin(t * 147) + 0.6 * Math.sin(t * 294) + 0.35 * Math.sin(t * 441) + 0.2 * Math.sin(t * 588);
    const edge = Math.min(1, i / 1600, (length - i) / 3200);
    out[i] = tone * 0.16 * edge;
  }
  return out;
}

function writeWav(file: string, samples: Float32Array): void {
  const bytes = Buffer.alloc(44 + samples.length * 2);
  bytes.write('RIFF', 0, 'latin1');
  bytes.writeUInt32LE(36 + samples.length * 2, 4);
  bytes.write('WAVEfmt ', 8, 'latin1');
  bytes.writeUInt32LE(16, 16);
  bytes.writeUInt16LE(1, 20);
  bytes.writeUInt16LE(1, 22);
  bytes.writeUInt32LE(sampleRate, 24);
  bytes.writeUInt32LE(sampleRate * 2, 28);
  bytes.writeUInt16LE(2, 32);
  bytes.writeUInt16LE(16, 34);
  bytes.write('data', 36, 'latin1');
  bytes.writeUInt32LE(samples.length * 2, 40);
  samples.forEach((v, i) => bytes.writeInt16LE(Math.round(Math.max(-1, Math.min(1, v)) * 32767), 44 + i * 2));
  writeFileSync(file, bytes);
}

/** Says every sentence, places it with its sounds, writes `sound.wav`, and tells where all of it lies. */
export function makeSound(folder: string, { spoken, sounds, tail }: DemoScript): Placed {
  const ms = (samples: number): number => Math.round((samples * 1000) / sampleRate);
  const at = (time: number): number => Math.round((time * sampleRate) / 1000);
  const parts: { readonly start: number; readonly samples: Float32Array }[] = [];
  const sentences: PlacedSentence[] = [];
  const placedSounds: PlacedSound[] = [];
  let clock = 0;
  spoken.forEach((cue, i) => {
    const sound = sounds.find((s) => s.before === i);
    if (sound) {
      const start = clock + 300;
      const samples = sound.kind === 'water' ? water(at(sound.length), 7 + i) : horn(at(sound.length));
      parts.push({ start, samples });
      placedSounds.push({ note: sound.note, start, end: start + sound.length });
    }
    clock += cue.pause;
    const wav = join(folder, `sentence-${String(i)}.wav`);
    const how = ['-voice', voices[cue.voice], '--setf', `duration_stretch=${String(cue.stretch ?? 1.08)}`];
    execFileSync('flite', [...how, '-t', cue.say ?? cue.text, '-o', wav]);
    const samples = voiced(wav);
    const start = clock;
    parts.push({ start, samples });
    const end = start + ms(samples.length);
    const said = wordStarts(how, cue.say ?? cue.text, cue.text);
    const starts = said?.map((each) => start + each) ?? null;
    sentences.push({ speaker: speakers[cue.voice], text: cue.text, start, end, wordStarts: starts });
    clock = end;
  });
  const length = clock + tail;
  const mix = new Float32Array(at(length));
  const room = noise(3);
  for (let i = 0; i < mix.length; i++) mix[i] = room() * 0.0012;
  for (const part of parts)
    part.samples.forEach((v, i) => {
      const k = at(part.start) + i;
      if (k < mix.length) mix[k] = (mix[k] ?? 0) + v;
    });
  writeWav(join(folder, 'sound.wav'), mix);
  return { length, sentences, sounds: placedSounds };
}
