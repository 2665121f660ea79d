/**
 * How exactly captions are placed where their words are said, how fast, and how often what does not match is refused. On
 * the demo's recordings, whose sentence times are known, spoiled in every way that is usual; and on human speech where
 * Debian's pocketsphinx-testdata is installed, joined with silences, whose starts are told by two gates that placing does
 * not use. Needs ffmpeg. `npm run bench:placing`.
 */
import { chances } from '../core/chances-for-tests.ts';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { recogniserFor } from '../cli/recogniser.ts';
import { hearerOf, leastShare, listenWith } from '../core/placing/listen.ts';
import { placesOf } from '../core/placing/placement.ts';
import { scriptOf } from '../core/placing/words-to-place.ts';
import { modelFor } from '../core/pronunciation/models.ts';
import type { Stretch } from '../core/speech/regions.ts';
import { soundReader } from '../core/speech/sound-reader.ts';
import { voiceWeights } from '../core/speech/voice-net.ts';
import { usualRates } from '../core/time/frames.ts';

const engineAt = pathToFileURL('node_modules/soundswallower/soundswallower.node.js').href;
/** Who listens, in a language that has a model. */
async function listenerFor(language: string) {
  const model = modelFor(language);
  if (!model) throw new Error(`There is no model for ${language}.`);
  const rules = readFileSync(`core/pronunciation/letters-${model.model}.json`, 'utf8');
  return { language, ...(await recogniserFor(model, rules, engineAt)) };
}
const english = await listenerFor('en-GB');
const net = readFileSync('core/speech/voice-net.bin');
const weights = voiceWeights(net.buffer.slice(net.byteOffset, net.byteOffset + net.byteLength));

/** A sentence, and where it really begins and ends in the sound, in ms; NaN where it is not said. */
interface Sentence {
  readonly text: string;
  readonly start: number;
  readonly end: number;
  /** When each of its words begins, where the voice that says them tells. */
  readonly wordStarts?: readonly number[] | null;
}
interface Spoken {
  readonly samples: Float32Array;
  readonly speech: readonly Stretch[];
  readonly sentences: readonly Sentence[];
}

function decoded(path: string, ...how: readonly string[]): Float32Array {
  const out = ['-ac', '1', '-ar', '16000', '-f', 's16le', '-'];
  const raw = execFileSync('ffmpeg', ['-v', 'error', ...how, '-i', path, ...out], { maxBuffer: 1e9 });
  return Float32Array.from({ length: raw.length >> 1 }, (_, i) => raw.readInt16LE(i * 2) / 32_768);
}
function speechOf(samples: Float32Array): readonly Stretch[] {
  const reader = soundReader(weights);
  reader.push(samples, 0, 16_000);
  return reader.finish().speech;
}
let chance = chances(1);

const strangers =
  'apple river stone carry window market yellow thunder basket sunday engine copper silver pocket'.split(' ');
const eachWord = (s: Sentence, to: (word: string) => string | null): Sentence => {
  const words = s.text
    .split(' ')
    .map(to)
    .filter((w) => w !== null);
  return { ...s, text: words.length > 0 ? words.join(' ') : s.text, wordStarts: null };
};
const quarterWrong = (s: Sentence): Sentence =>
  eachWord(s, (w) => (chance() < 0.25 ? (strangers[Math.floor(chance() * strangers.length)] ?? w) : w));
const quarterMissing = (s: Sentence): Sentence => eachWord(s, (w) => (chance() < 0.25 ? null : w));
const later =
  (by: number) =>
  (s: Sentence): Sentence => ({ ...s, start: s.start + by, end: s.end + by });
const scaled =
  (by: number) =>
  (s: Sentence): Sentence => ({ ...s, start: s.start * by, end: s.end * by });

const nowhere = (s: Sentence): Sentence => ({ ...s, start: NaN });
const anywhere = (s: Sentence, i: number): Sentence => ({ ...s, start: i * 3000, end: i * 3000 + 2000 });

/** @param spoil gives the times the captions have before they are placed */
async function measure(
  name: string,
  { samples, speech }: Spoken,
  sentences: readonly Sentence[],
  spoil: (s: Sentence, i: number) => Sentence,
  { language, engine, pronounce } = english,
): Promise<void> {
  const captions = sentences.map((s, i) => ({ ...spoil(s, i), speakers: [], timing: 'set' as const }));
  const script = scriptOf(captions, language, pronounce);
  const length = samples.length / 16;
  const read = (start: number, end: number): Float32Array =>
    samples.subarray(Math.round(start * 16), Math.round(end * 16));
  const from = performance.now();
  const { placed, share } = await listenWith([hearerOf({ engine, pronounce, script }, read)], script, speech, length);
  const took = performance.now() - from;
  const places = placesOf(captions, script, placed, speech);
  const words = placed.flatMap(({ word, start }) => {
    const written = script.words[word];
    const sentence = sentences[written?.caption ?? -1];
    if (!written || !sentence?.wordStarts || sentence.text !== captions[written.caption]?.text) return [];
    const nth = [...sentence.text.matchAll(/\S+/g)].findIndex(
      (each) => each.index <= written.from && each.index + each[0].length > written.from,
    );
    const truth = sentence.wordStarts[nth];
    return truth === undefined ? [] : [Math.abs(start - truth)];
  });
  const isRefused = share < leastShare;
  const off = sentences.flatMap((s, i) => (Number.isNaN(s.start) ? [] : [Math.abs((places[i]?.start ?? 0) - s.start)]));
  const told = (all: readonly number[]): string => {
    const inOrder = [...all].sort((a, b) => a - b);
    const at = (q: number): string => String(Math.round(inOrder[Math.floor(inOrder.length * q)] ?? 0)).padStart(6);
    const within = (ms: number): string => (all.filter((x) => x <= ms).length / Math.max(1, all.length)).toFixed(3);
    return `median ${at(0.5)} ms  nine in ten ${at(0.9)} ms  within 50 ms ${within(50)}  100 ms ${within(100)}`;
  };
  const figures = isRefused ? 'REFUSED' : off.length === 0 ? 'TAKEN' : told(off);
  console.log(
    `  ${name.padEnd(46)} ${(length / took).toFixed(0).padStart(4)} x  heard ${share.toFixed(2)}  ${figures}`,
  );
  if (!isRefused && words.length > 0) console.log(`${' '.repeat(64)} ${String(words.length)} words: ${told(words)}`);
}

const demo = (name: string, file: string): Spoken => {
  const folder = `demo/recordings/${name}`;
  const samples = decoded(`${folder}/${file}`);
  const { sentences } = JSON.parse(readFileSync(`${folder}/true-script.json`, 'utf8')) as Spoken;
  return { samples, speech: speechOf(samples), sentences };
};
const lock = demo('lock-after-dark', 'recording.webm');
const fog = demo('fog-signals', 'recording.webm');
const round = demo('keepers-round', 'recording.ogg');

console.log('\nThe demo: sentence starts after placing');
for (const [name, spoken, from, cut] of [
  ['lock', lock, 50_000, 20_000],
  ['fog', fog, 12_000, 6000],
  ['round', round, 300_000, 60_000],
] as const) {
  const { sentences, samples } = spoken;
  await measure(`${name}: a minute late`, spoken, sentences, later(60_000));
  await measure(`${name}: 20 s late, a quarter wrong`, spoken, sentences.map(quarterWrong), later(20_000));
  await measure(`${name}: 20 s late, a quarter missing`, spoken, sentences.map(quarterMissing), later(20_000));
  const without = new Float32Array(samples.length - cut * 16);
  without.set(samples.subarray(0, from * 16));
  without.set(samples.subarray((from + cut) * 16), from * 16);
  const kept = sentences.map((s) => {
    if (s.end <= from) return s;
    return s.start >= from + cut ? { ...later(-cut)(s), wordStarts: null } : { ...s, start: NaN, wordStarts: null };
  });
  await measure(
    `${name}: a scene of ${String(cut / 1000)} s gone from the sound`,
    { ...spoken, samples: without, speech: speechOf(without) },
    kept,
    (_, i) => sentences[i] ?? { text: '', start: 0, end: 1 },
  );
  await measure(
    `${name}: a scene of ${String(cut / 1000)} s gone from the captions`,
    spoken,
    sentences.filter((s) => s.end < from || s.start > from + cut),
    (s) => (s.start > from ? later(-cut)(s) : s),
  );
}
console.log('\nThe lock: any two frame rates taken for one another');
const speed = (rate: { readonly numerator: number; readonly denominator: number }): number =>
  rate.numerator / rate.denominator;
for (const [a, b] of [
  [0, 1],
  [0, 2],
  [2, 0],
  [1, 3],
  [3, 1],
  [2, 7],
  [7, 0],
] as const) {
  const [one, two] = [usualRates[a], usualRates[b]];
  if (one && two)
    await measure(
      `lock: ${speed(one).toFixed(3)} for ${speed(two).toFixed(3)}`,
      lock,
      lock.sentences,
      scaled(speed(two) / speed(one)),
    );
}

/** Sentences said one after the other, with silences between them. @param under so much under the loudest a sentence begins, in dB */
function joined(clips: readonly { readonly samples: Float32Array; readonly text: string }[], under: number): Spoken {
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

const human = '/usr/share/pocketsphinx/test/data';
if (existsSync(human)) {
  const clips: { readonly samples: Float32Array; readonly text: string }[] = [];
  for (const [dir, list] of [
    ['cards', 'cards.transcription'],
    ['librivox', 'transcription'],
  ] as const)
    for (const line of readFileSync(`${human}/${dir}/${list}`, 'utf8').trim().split('\n')) {
      const [, text = '', file = ''] = /^(?:<s>)?(.*?)(?:<\/s>)?\s*\(([^)]*)\)\s*$/.exec(line) ?? [];
      const said = text.replace(/<[^>]*>|\+\+\w+\+\+/g, ' ').trim();
      if (said !== '') clips.push({ text: said, samples: decoded(`${human}/${dir}/${file}.wav`) });
    }
  clips.push({
    text: 'go forward ten meters',
    samples: decoded(`${human}/goforward.raw`, '-f', 's16le', '-ar', '16000', '-ac', '1'),
  });
  for (const under of [25, 40]) {
    console.log(`\nHuman speech, starts by a gate ${String(under)} dB under the loudest`);
    for (let n = 1; n <= 6; n++) {
      chance = chances(n);
      const order = clips.map((clip) => [chance(), clip] as const).sort((a, b) => a[0] - b[0]);
      const spoken = joined(
        order.map(([, clip]) => clip),
        under,
      );
      const { sentences } = spoken;
      await measure(`order ${String(n)}: 20 s late`, spoken, sentences, later(20_000));
      await measure(`order ${String(n)}: a quarter wrong`, spoken, sentences.map(quarterWrong), later(20_000));
      await measure(`order ${String(n)}: a quarter missing`, spoken, sentences.map(quarterMissing), later(20_000));
    }
  }
}

const speaks = (voice: string, text: string, out: string): boolean => {
  try {
    execFileSync('espeak-ng', ['-v', voice, '-s', '150', '-w', out, text], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
};
const scratch = mkdtempSync(join(tmpdir(), 'fenwix-bench-'));
const said = join(scratch, 'said.wav');
if (speaks('fr', 'oui', said)) {
  console.log('\nFrench: the lock in its translation, said by espeak-ng; starts by a gate 25 dB under the loudest');
  const { fr } = JSON.parse(readFileSync('demo/recordings/lock-after-dark/translations.json', 'utf8')) as {
    readonly fr: readonly string[];
  };
  const french = await listenerFor('fr');
  chance = chances(1);
  const clips = fr.map((text) => {
    speaks('fr', text, said);
    return { text, samples: decoded(said) };
  });
  const spoken = joined(clips, 25);
  const { sentences } = spoken;
  await measure('a minute late', spoken, sentences, later(60_000), french);
  await measure('20 s late, a quarter wrong', spoken, sentences.map(quarterWrong), later(20_000), french);
  await measure('20 s late, a quarter missing', spoken, sentences.map(quarterMissing), later(20_000), french);
  await measure('with the words of the English', spoken, lock.sentences.map(nowhere), anywhere, french);
}
rmSync(scratch, { recursive: true });

console.log('\nWhat does not match: refused, or taken');
for (const [name, spoken, others] of [
  ['lock with words of the round', lock, round.sentences.slice(0, 40)],
  ['lock with other words of the round', lock, round.sentences.slice(60, 100)],
  ['lock with words of the fog', lock, fog.sentences],
  ['round with words of the lock', round, lock.sentences],
  ['fog with words of the lock', fog, lock.sentences],
] as const)
  await measure(name, spoken, others.map(nowhere), anywhere);
const silent = new Float32Array(16_000 * 60);
await measure(
  'silence with words of the lock',
  { samples: silent, speech: [], sentences: [] },
  lock.sentences.map(nowhere),
  anywhere,
);
