/**
 * Grammars that a stretch of sound is heard along. Each word of the script has a name of its own in each of them, so
 * that what is heard says which word it was, however often it is written.
 */
import type { Pronouncer } from '../phones/pronounce.ts';
import type { Arc, Engine, Grammar, EngineWord } from './engine.ts';
import type { Script } from './script.ts';

/** A word of the script where it was heard, in ms of the recording. */
export interface PlacedWord {
  /** Place in the script. */
  readonly word: number;
  readonly start: number;
  readonly end: number;
  /** Over its frames; see the engine's words. */
  readonly score: number;
}

/** Chances along the script, found by trial: a word follows its neighbour, the sound ends with a caption or elsewhere, captions are skipped. */
const [goesOn, endsCaption, endsElsewhere, skipsCaption] = [0.9, 0.5, 0.05, 0.01];
/** Where the sound begins: with the word that is to come, one near it, or the beginning of a caption. */
const [asExpected, nearby, atCaption] = [0.5, 0.02, 0.05];
/** So many words and captions around the one that is to come may be the first that is heard. */
const [nearWords, nearCaptions] = [6, 4];
/** Where one does not know where one is: the beginning of a caption, every so many-th word, and going on from the end of a caption to anywhere. */
const [begins, everyWord, leaves] = [0.3, 4, 0.05];

/** A grammar being made, what its names stand for, and how a clip is heard along it. */
function maker({ engine, pronounce, script }: Hearing, { samples, at: clipAt }: Clip) {
  const arcs: Arc[] = [];
  const names = new Map<string, { readonly word: number; readonly isFirst: boolean }>();
  const learnt: (readonly [string, readonly string[]])[] = [];
  const used = new Map<string, number>();
  let states = 0;
  const state = (): number => states++;
  const arc = (from: number, to: number, chance: number, word: string | null = null): void =>
    void arcs.push({ from, to, chance, word });
  /** Names for the parts of each reading of a word, made once for a grammar. */
  const namesOf = (at: number): readonly (readonly string[])[] =>
    (script.words[at]?.readings ?? []).map((reading) =>
      reading.map((part, k) => {
        const n = used.get(part) ?? 0;
        used.set(part, n + 1);
        const name = `${part}@${String(n)}`;
        names.set(name, { word: at, isFirst: k === 0 });
        learnt.push([name, pronounce.waysOf(part)]);
        return name;
      }),
    );
  /** A word from one state to another, in each of its readings. */
  const say = (readings: readonly (readonly string[])[], from: number, to: number, chance: number): void => {
    for (const reading of readings) {
      let here = from;
      reading.forEach((name, k) => {
        const there = k === reading.length - 1 ? to : state();
        arc(here, there, k === 0 ? chance / readings.length : 1, name);
        here = there;
      });
    }
  };
  /** What is heard from one state to another, as words of the script; null where no way was found. */
  const hear = (start: number, end: number): PlacedWord[] | null => {
    const grammar: Grammar = { states, start, end, arcs };
    engine.learn(learnt);
    const heard = engine.hear(samples, grammar);
    return heard && asPlaced(heard, names, clipAt);
  };
  return { state, arc, namesOf, say, hear };
}

/** What an engine heard, as words of the script; parts of one are put together. @param at of the samples in the recording, in ms */
function asPlaced(
  heard: readonly EngineWord[],
  names: ReadonlyMap<string, { readonly word: number; readonly isFirst: boolean }>,
  at: number,
): PlacedWord[] {
  const placed: PlacedWord[] = [];
  for (const { word: name, start, end, score } of heard) {
    const known = names.get(name);
    if (!known) continue;
    const before = placed.at(-1);
    if (!known.isFirst && before?.word === known.word) {
      const [a, b] = [before.end - before.start, end - start];
      placed[placed.length - 1] = {
        word: known.word,
        start: before.start,
        end: at + end,
        score: (before.score * a + score * b) / Math.max(1, a + b),
      };
    } else placed.push({ word: known.word, start: at + start, end: at + end, score });
  }
  return placed;
}

/** Everything a hearing needs. */
export interface Hearing {
  readonly engine: Engine;
  readonly pronounce: Pronouncer;
  readonly script: Script;
}
/** Samples and where they begin in the recording, in ms. */
export interface Clip {
  readonly samples: Float32Array;
  readonly at: number;
}

/** Whether a caption begins with a word. */
const opens = (script: Script, word: number): boolean =>
  script.words[word]?.caption !== script.words[word - 1]?.caption;
/** The first word of the caption so many before the one a word is in. */
function captionsBack(script: Script, word: number, many: number): number {
  let at = word;
  for (let n = 0; n < many && at > 0; n++) {
    at--;
    while (at > 0 && !opens(script, at)) at--;
  }
  return at;
}

/** Hears the script along, from about one word on, wherever it ends up. @param from place of the word that is to come @param to the last is not among them */
export function follow(hearing: Hearing, clip: Clip, from: number, to: number): PlacedWord[] | null {
  const { script } = hearing;
  const { state, arc, namesOf, say, hear } = maker(hearing, clip);
  const opening = Math.max(0, Math.min(from - nearWords, captionsBack(script, from, nearCaptions)));
  const start = state();
  const end = state();
  const before = Array.from({ length: to - opening + 1 }, state);
  const stateOf = (word: number): number => before[word - opening] ?? 0;
  for (let i = opening; i < to; i++) {
    say(namesOf(i), stateOf(i), stateOf(i + 1), goesOn);
    const closes = i + 1 >= script.words.length || opens(script, i + 1);
    arc(stateOf(i + 1), end, closes ? endsCaption : endsElsewhere);
    if (!closes) continue;
    let skipped = 0;
    for (let k = i + 2; k < to && skipped < 2; k++)
      if (opens(script, k)) {
        arc(stateOf(i + 1), stateOf(k), skipsCaption);
        skipped++;
      }
  }
  let captions = 0;
  for (let i = opening; i < to && captions <= 2 * nearCaptions; i++) {
    if (opens(script, i)) captions++;
    const chance =
      i === from ? asExpected : opens(script, i) ? atCaption : Math.abs(i - from) <= nearWords ? nearby : 0;
    if (chance > 0) arc(start, stateOf(i), chance);
  }
  return hear(start, end);
}

/** Hears which captions of a window of the script come, in any order. */
export function anywhere(hearing: Hearing, clip: Clip, from: number, to: number): PlacedWord[] | null {
  const { script } = hearing;
  const { state, arc, namesOf, say, hear } = maker(hearing, clip);
  const hub = state();
  const end = state();
  const after = Array.from({ length: to - from }, state);
  for (let i = from; i < to; i++) {
    const named = namesOf(i);
    const there = after[i - from] ?? 0;
    const closes = i + 1 >= script.words.length || opens(script, i + 1);
    if (opens(script, i) || (i - from) % everyWord === 0) say(named, hub, there, begins / (to - from));
    if (i > from) say(named, after[i - from - 1] ?? 0, there, goesOn);
    if (closes) arc(there, hub, leaves);
    arc(there, end, closes ? endsCaption : endsElsewhere);
  }
  return hear(hub, end);
}

/** Hears exactly these words, one after another. */
export function exactly(hearing: Hearing, clip: Clip, from: number, to: number): PlacedWord[] | null {
  const { state, namesOf, say, hear } = maker(hearing, clip);
  const states = Array.from({ length: to - from + 1 }, state);
  for (let i = from; i < to; i++) say(namesOf(i), states[i - from] ?? 0, states[i - from + 1] ?? 0, 1);
  return hear(states[0] ?? 0, states.at(-1) ?? 0);
}
