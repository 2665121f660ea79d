/**
 * How exactly captions are placed where their words are said, how fast, and how often what does not match is refused: on
 * the sets of `bench/placing-sets.ts`, spoiled in every way that is usual. `npm run bench:placing`, with names of sets
 * where not all are wanted: demo, mid-speech, rates, read-aloud, prompts, second-talker, espeak, wrong.
 */
import { range } from 'd3-array';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { recogniserFor } from '../cli/recogniser.ts';
import { chances } from '../core/chances-for-tests.ts';
import { hearerOf, leastShare, listenWith } from '../core/audio/align/listen.ts';
import { placesOf } from '../core/audio/align/placement.ts';
import { scriptOf } from '../core/audio/align/words-to-place.ts';
import { modelFor } from '../core/audio/phones/models.ts';
import { usualRates } from '../core/timing/clock/frames.ts';
import {
  decoded,
  demo,
  joined,
  prompts,
  readAloud,
  speechOf,
  withTalker,
  type Clip,
  type Sentence,
  type Spoken,
} from './placing-sets.ts';

const engineAt = pathToFileURL('node_modules/soundswallower/soundswallower.node.js').href;
/** Who listens, in a language that has a model. */
async function listenerFor(language: string) {
  const model = modelFor(language);
  if (!model) throw new Error(`There is no model for ${language}.`);
  const rules = readFileSync(`core/audio/phones/letters-${model.model}.json`, 'utf8');
  return { language, ...(await recogniserFor(model, rules, engineAt)) };
}
const english = await listenerFor('en-GB');
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
  isApart = false,
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
  if (!isRefused && isApart) {
    for (const how of ['certain', 'with neighbours', 'left'] as const) {
      const those = sentences.flatMap((s, i) => {
        const place = places[i];
        return place?.how === how ? [Math.abs(place.start - s.start)] : [];
      });
      if (those.length > 0) console.log(`${' '.repeat(48)}${how.padEnd(15)} ${String(those.length)}: ${told(those)}`);
    }
  }
  if (!isRefused && words.length > 0) console.log(`${' '.repeat(64)} ${String(words.length)} words: ${told(words)}`);
}

const wanted = process.argv.slice(2);
const isWanted = (set: string): boolean => wanted.length === 0 || wanted.includes(set);
const lock = demo('lock-after-dark', 'recording.webm');
const fog = demo('fog-signals', 'recording.webm');
const round = demo('keepers-round', 'recording.ogg');

if (isWanted('demo')) {
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
}
/** Sentences cut into captions of so many words, as far as it is known when each of these is said. */
const inPieces = ({ sentences }: Spoken, words: number): Sentence[] =>
  sentences.flatMap(({ text, end, wordStarts }) =>
    range(0, wordStarts?.length ?? 0, words).map((k): Sentence => {
      const starts = wordStarts?.slice(k, k + words) ?? [];
      const piece = text
        .split(' ')
        .slice(k, k + words)
        .join(' ');
      return { text: piece, start: starts[0] ?? NaN, end: wordStarts?.[k + words] ?? end, wordStarts: starts };
    }),
  );
if (isWanted('mid-speech')) {
  console.log('\nThe demo in captions of six words: those that begin in the middle of a sentence');
  chance = chances(1);
  for (const [name, spoken] of [
    ['lock', lock],
    ['round', round],
  ] as const) {
    const pieces = inPieces(spoken, 6);
    const isFirst = (s: Sentence): boolean => spoken.sentences.some((each) => Math.abs(each.start - s.start) < 60);
    for (const [how, said] of [
      ['20 s late', pieces],
      ['20 s late, a quarter wrong', pieces.map(quarterWrong)],
      ['20 s late, a quarter missing', pieces.map(quarterMissing)],
    ] as const) {
      const asked = said.map((s) => (isFirst(s) ? nowhere(s) : s));
      const late = said.map(later(20_000));
      await measure(`${name}: ${how}`, spoken, asked, (s, i) => late[i] ?? s);
    }
  }
}
if (isWanted('rates')) {
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
}

/** Clips joined in several orders: off, and with a quarter of their words wrong or missing. @param at most so many in one */
async function inOrders(
  name: string,
  clips: readonly Clip[],
  orders: number,
  most: number,
  listener = english,
): Promise<void> {
  for (const under of [25, 40]) {
    console.log(`\n${name}: starts by a gate ${String(under)} dB under the loudest`);
    for (let n = 1; n <= orders; n++) {
      chance = chances(n);
      const order = clips.map((clip) => [chance(), clip] as const).sort((a, b) => a[0] - b[0]);
      const spoken = joined(
        order.slice(0, most).map(([, clip]) => clip),
        under,
        chance,
      );
      const { sentences } = spoken;
      await measure(`order ${String(n)}: 20 s late`, spoken, sentences, later(20_000), listener);
      await measure(
        `order ${String(n)}: a quarter wrong`,
        spoken,
        sentences.map(quarterWrong),
        later(20_000),
        listener,
      );
      await measure(
        `order ${String(n)}: a quarter missing`,
        spoken,
        sentences.map(quarterMissing),
        later(20_000),
        listener,
      );
    }
  }
}
if (isWanted('read-aloud')) await inOrders('Human speech, read aloud', readAloud(), 6, Infinity);
if (isWanted('prompts')) {
  const [en, fr] = [prompts('en'), prompts('fr')];
  const french = await listenerFor('fr');
  await inOrders('Human telephone prompts in English', en, 3, 60);
  await inOrders('Human telephone prompts in French', fr, 3, 60, french);
  console.log('\nThe same with words that are not said: refused, or taken');
  chance = chances(1);
  const [inEnglish, inFrench] = [joined(en.slice(0, 60), 25, chance), joined(fr.slice(0, 60), 25, chance)];
  const others = (clips: readonly Clip[]): Sentence[] => clips.map(({ text }) => ({ text, start: NaN, end: NaN }));
  await measure('English with other words', inEnglish, others(en.slice(100, 160)), anywhere);
  await measure('French with other words', inFrench, others(fr.slice(100, 160)), anywhere, french);
  await measure('English with the words of the French', inEnglish, others(fr.slice(0, 60)), anywhere, french);
  await measure('French with the words of the English', inFrench, others(en.slice(0, 60)), anywhere);
}
if (isWanted('second-talker')) {
  console.log('\nA second talker all the way, so much under the first');
  chance = chances(1);
  const [en, fr] = [prompts('en').slice(0, 40), prompts('fr').slice(0, 40)];
  const french = await listenerFor('fr');
  for (const under of [20, 10, 5]) {
    const name = (what: string): string => `${what}: -${String(under)} dB`;
    const all = async (what: string, spoken: Spoken, other: Float32Array, listener = english): Promise<void> =>
      measure(name(what), withTalker(spoken, other, under), spoken.sentences, later(20_000), listener, true);
    await all('lock with the round', lock, round.samples);
    await all('English prompts with the round', joined(en, 25, chance), round.samples);
    await all('French prompts with the round', joined(fr, 25, chance), round.samples, french);
    await all('French prompts with English ones', joined(fr, 25, chance), joined(en, 25, chance).samples, french);
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
if (isWanted('espeak') && speaks('fr', 'oui', said)) {
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
  const spoken = joined(clips, 25, chance);
  const { sentences } = spoken;
  await measure('a minute late', spoken, sentences, later(60_000), french);
  await measure('20 s late, a quarter wrong', spoken, sentences.map(quarterWrong), later(20_000), french);
  await measure('20 s late, a quarter missing', spoken, sentences.map(quarterMissing), later(20_000), french);
  await measure('with the words of the English', spoken, lock.sentences.map(nowhere), anywhere, french);
}
rmSync(scratch, { recursive: true });

if (isWanted('wrong')) {
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
}
