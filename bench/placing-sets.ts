/**
 * What placing is measured on: recordings whose sentence starts are known. The demo's; and human speech where Debian has it
 * installed (pocketsphinx-testdata, and the telephone prompts of asterisk-core-sounds), joined with silences, whose starts
 * are told by gates that placing does not use. Needs ffmpeg.
 */
import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import type { Stretch } from '../core/audio/regions.ts';
import { soundReader } from '../core/audio/sound-reader.ts';
import { voiceWeights } from '../core/audio/voice-net.ts';

const net = readFileSync('core/audio/voice-net.bin');
const weights = voiceWeights(net.buffer.slice(net.byteOffset, net.byteOffset + net.byteLength));

/** A sentence, and where it really begins and ends in the sound, in ms; NaN where it is not said. */
export interface Sentence {
  readonly text: string;
  readonly start: number;
  readonly end: number;
  /** When each of its words begins, where the voice that says them tells. */
  readonly wordStarts?: readonly number[] | null;
}
export interface Spoken {
  readonly samples: Float32Array;
  readonly speech: readonly Stretch[];
  readonly sentences: readonly Sentence[];
}

/** A sentence said by itself. */
export interface Clip {
  readonly text: string;
  readonly samples: Float32Array;
}

/** @param how what ffmpeg has to be told of the file */
export function decoded(path: string, ...how: readonly string[]): Float32Array {
  const out = ['-ac', '1', '-ar', '16000', '-f', 's16le', '-'];
  const raw = execFileSync('ffmpeg', ['-v', 'error', ...how, '-i', path, ...out], { maxBuffer: 1e9 });
  return Float32Array.from({ length: raw.length >> 1 }, (_, i) => raw.readInt16LE(i * 2) / 32_768);
}
export function speechOf(samples: Float32Array): readonly Stretch[] {
  const reader = soundReader(weights);
  reader.push(samples, 0, 16_000);
  return reader.finish().speech;
}

/** A recording of the demo. */
export const demo = (name: string, file: string): Spoken => {
  const folder = `demo/recordings/${name}`;
  const samples = decoded(`${folder}/${file}`);
  const { sentences } = JSON.parse(readFileSync(`${folder}/true-script.json`, 'utf8')) as Spoken;
  return { samples, speech: speechOf(samples), sentences };
};

/**
 * Sentences said one after the other, with silences between them.
 * @param under so much under the loudest a sentence begins, in dB */
export function joined(clips: readonly Clip[], under: number, chance: () => number): Spoken {
  const parts: Float32Array[] = [];
  const sentences: Sentence[] = [];
  let at = 0;
  const add = (samples: Float32Array): void => {
    parts.push(samples);
    at += samples.length;
  };
  const silence = (ms: number): void =>
    add(Float32Array.from({ length: Math.round(ms) * 16 }, () => (chance() - 0.5) * 1e-4));
  silence(1500);
  for (const { samples, text } of clips) {
    sentences.push({ text, start: at / 16 + gate(samples, under), end: (at + samples.length) / 16 });
    add(samples);
    silence(400 + chance() * 1600);
  }
  const samples = new Float32Array(at);
  parts.reduce((to, part) => (samples.set(part, to), to + part.length), 0);
  return { samples, speech: speechOf(samples), sentences };
}
/** The first of three frames of 10 ms that are louder than so much under the loudest, in ms. */
function gate(samples: Float32Array, under: number): number {
  const frames = Array.from(
    { length: Math.floor(samples.length / 160) },
    (_, i) =>
      10 * Math.log10(samples.subarray(i * 160, i * 160 + 160).reduce((sum, x) => sum + x * x, 0) / 160 + 1e-10),
  );
  const level = Math.max(...frames) - under;
  return (
    10 *
    Math.max(
      0,
      frames.findIndex((_, i) => [0, 1, 2].every((k) => (frames[i + k] ?? -100) > level)),
    )
  );
}

/** Cards that are asked for, and sentences of books read aloud; none where they are not installed. */
export function readAloud(): Clip[] {
  const folder = '/usr/share/pocketsphinx/test/data';
  if (!existsSync(folder)) return [];
  const clips: Clip[] = [];
  for (const [dir, list] of [
    ['cards', 'cards.transcription'],
    ['librivox', 'transcription'],
  ] as const)
    for (const line of readFileSync(`${folder}/${dir}/${list}`, 'utf8').trim().split('\n')) {
      const [, text = '', file = ''] = /^(?:<s>)?(.*?)(?:<\/s>)?\s*\(([^)]*)\)\s*$/.exec(line) ?? [];
      const said = text.replace(/<[^>]*>|\+\+\w+\+\+/g, ' ').trim();
      if (said !== '') clips.push({ text: said, samples: decoded(`${folder}/${dir}/${file}.wav`) });
    }
  const forward = decoded(`${folder}/goforward.raw`, '-f', 's16le', '-ar', '16000', '-ac', '1');
  return [...clips, { text: 'go forward ten meters', samples: forward }];
}

/** Fewer words than this are too short a caption to count. */
const leastWords = 4;
/** Telephone prompts of four words and more, as `fr` or `en`; none where they are not installed. */
export function prompts(language: 'en' | 'fr'): Clip[] {
  const voice = { en: 'en_US_f_Allison', fr: 'fr_CA_f_June' }[language];
  const told = `/usr/share/doc/asterisk-core-sounds-${language}/core-sounds-${language}.txt.gz`;
  if (!existsSync(told)) return [];
  return gunzipSync(readFileSync(told))
    .toString('utf8')
    .split('\n')
    .flatMap((line): Clip[] => {
      const [, file = '', text = ''] = /^([\w/-]+): ([^[(<]*)$/.exec(line.trim()) ?? [];
      const path = `/usr/share/asterisk/sounds/${voice}/${file}.g722`;
      if (text.split(/\s+/).length < leastWords || !existsSync(path)) return [];
      return [{ text: text.trim(), samples: decoded(path, '-f', 'g722') }];
    });
}

/** The mean power of what is louder than nothing. */
function powerOf(samples: Float32Array): number {
  let [sum, many] = [0, 0];
  for (const x of samples)
    if (Math.abs(x) > 1e-3) {
      sum += x * x;
      many++;
    }
  return sum / Math.max(1, many);
}
/** The same with another voice all the way, over and over. @param under so much quieter than the first, in dB */
export function withTalker(spoken: Spoken, other: Float32Array, under: number): Spoken {
  const loud = Math.sqrt(powerOf(spoken.samples) / powerOf(other)) * 10 ** (-under / 20);
  const samples = spoken.samples.map((x, i) => x + loud * (other[i % other.length] ?? 0));
  return { ...spoken, samples, speech: speechOf(samples) };
}
