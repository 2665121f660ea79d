/**
 * Words of the script that are surely heard, group by group: along the script where one knows where one is, anywhere
 * around it where one does not.
 */
import { pushAll } from '../../text/push-all.ts';
import type { Stretch } from '../regions.ts';
import { engineRate } from './engine.ts';
import { goesWithSound, runsIn, weightOf } from './evidence.ts';
import { anywhere, follow, type Clip, type Hearing, type PlacedWord } from './grammars.ts';
import { sayingTime } from './script.ts';

/** Sound to be heard. @param start in ms @param end in ms */
export type ReadSound = (start: number, end: number) => Promise<Float32Array> | Float32Array;

/** A word is an anchor over this score: words that are not said there are seldom over it, those that are seldom under. */
const leastScore = -32;
/** A group heard along the script is done with where so much of it is in runs. */
const leastInRuns = 0.8;
/** Words further on than this leave the script: then so many, of so many letters, have to be heard in a row. */
const [near, enough, enoughLetters] = [8, 4, 14];
/** The same where one does not know where one is. */
const [enoughAnywhere, lettersAnywhere] = [6, 26];
/** Less than this that is left of a group is not heard again, in ms. */
const leastLeft = 1500;
/** After so long without a word one does not know where one is, in ms. */
const lost = 25_000;
/** Words one may be back, and ahead: so many a second, and more. */
const [back, perSecond, ahead] = [25, 4, 40];
/** Words that people say in a second. */
const usually = 2.4;
/** Words that are looked through where one does not know where one is. */
const wide = 500;

/** Where in the script one is, as far as is known. */
interface Whereabouts {
  /** The word that is to come. */
  readonly next: number;
  readonly isSure: boolean;
  /** When it was known last, in ms. */
  readonly since: number;
}

/** Words heard along the script that are believed: up to where it leaves the script with too little to show for it. */
function believed(hearing: Hearing, placed: readonly PlacedWord[], next: number): PlacedWord[][] {
  const good = placed.filter((p) => goesWithSound(hearing, p, leastScore));
  const found: PlacedWord[][] = [];
  let expected = next;
  for (const run of runsIn(good, 2)) {
    const [first, last] = [run[0], run.at(-1)];
    if (!first || !last) continue;
    const { words, letters } = weightOf(hearing, [run]);
    const leaves = Math.abs(first.word - expected) > near;
    if (leaves && (words < enough || letters < enoughLetters)) break;
    found.push(run);
    expected = last.word + 1;
  }
  // A single word may be all there is.
  return found.length === 0 && good.length > 0 && placed.length <= 2 ? [good] : found;
}

interface HeardInGroup {
  readonly runs: readonly PlacedWord[][];
  readonly where: Whereabouts;
}

/** What a group holds of the script, and where one is after it. */
function heardIn(hearing: Hearing, clip: Clip, lasts: number, where: Whereabouts): HeardInGroup {
  const many = hearing.script.words.length;
  const until = clip.at + lasts;
  const inTime = (rate: number): number => Math.ceil((lasts / 1000) * rate);
  const rest = (after: number): Clip => ({
    samples: clip.samples.subarray(Math.round(((after - clip.at) * engineRate) / 1000)),
    at: after,
  });
  const found = (runs: readonly PlacedWord[][]): HeardInGroup => {
    const last = runs.at(-1)?.at(-1);
    return { runs, where: { next: (last?.word ?? where.next) + 1, isSure: true, since: until } };
  };
  const within = (from: number, to: number, words: number, letters: number): HeardInGroup | null => {
    const [first, last] = [Math.max(0, Math.min(many - 1, Math.floor(from))), Math.min(many, Math.ceil(to))];
    const placed = anywhere(hearing, clip, first, last) ?? [];
    const runs = runsIn(
      placed.filter((p) => goesWithSound(hearing, p, leastScore)),
      3,
    );
    const weight = weightOf(hearing, runs);
    return weight.words >= words && weight.letters >= letters && weight.words * 3 >= placed.length ? found(runs) : null;
  };
  if (!where.isSure) {
    const gone = ((until - where.since) / 1000) * usually;
    const heard = within(where.next + gone - wide / 2, where.next + gone + wide / 2, enoughAnywhere, lettersAnywhere);
    return heard ?? { runs: [], where };
  }
  if (where.next < many) {
    const placed = follow(hearing, clip, where.next, Math.min(many, where.next + inTime(perSecond) + 12)) ?? [];
    const runs = believed(hearing, placed, where.next);
    const last = runs.at(-1)?.at(-1);
    if (last) {
      const isDone = until - last.end < leastLeft || weightOf(hearing, runs).words >= placed.length * leastInRuns;
      if (isDone) return found(runs);
      // What is left may be heard better by itself: another sound, or words that are not written, led astray.
      const more = heardIn(hearing, rest(last.end), until - last.end, {
        next: last.word + 1,
        isSure: true,
        since: last.end,
      });
      return { runs: [...runs, ...more.runs], where: more.where };
    }
  }
  const heard =
    within(where.next - back, where.next + inTime(perSecond) + ahead, enough, enoughLetters) ??
    // A scene may be gone from the sound, or from the script.
    within(where.next - wide / 2, where.next + wide / 2, enoughAnywhere, lettersAnywhere);
  if (heard) return heard;
  const isSure = until - where.since < lost;
  return {
    runs: [],
    where: isSure
      ? { ...where, next: Math.min(many, where.next + inTime(usually)) }
      : { ...where, isSure: false, since: until },
  };
}

/** What was heard of a part of the recording so far: plain, so that it can be kept and gone on from. */
export interface PartHeard {
  /** Runs of words that are surely heard, in the order they are heard. */
  readonly runs: readonly (readonly PlacedWord[])[];
  readonly where: Whereabouts;
  /** How many of its groups were listened to. */
  readonly groups: number;
}

/**
 * A part nothing was heard of yet.
 * @param groups of it, in order of time
 * @param next the word that is probably to come first; null where it is surely the first of all
 */
export const unheard = (groups: readonly Stretch[], next: number | null): PartHeard => ({
  runs: [],
  where: { next: next ?? 0, isSure: next === null, since: groups[0]?.start ?? 0 },
  groups: 0,
});

/**
 * Listens on, to more groups of a part.
 * @param so what was heard of it before
 * @param groups those that come next
 * @param tell called after each group
 */
export async function anchorsIn(
  hearing: Hearing,
  sound: ReadSound,
  so: PartHeard,
  groups: readonly Stretch[],
  tell: (done: number) => void = () => undefined,
): Promise<PartHeard> {
  const runs = [...so.runs];
  let { where } = so;
  for (const [i, group] of groups.entries()) {
    const samples = await sound(group.start, group.end);
    const heard = heardIn(hearing, { samples, at: group.start }, group.end - group.start, where);
    for (const run of heard.runs) runs.push([...run]);
    where = heard.where;
    tell(i + 1);
  }
  return { runs, where, groups: so.groups + groups.length };
}

/** Runs before this many are looked at for each. */
const lookBack = 400;
/** What it costs to leave the script, in words. */
const jump = 2.5;
/** So much of a word counts: short words are easily heard where they are not. */
const worth = (letters: number): number => Math.min(1, letters / 5);

/**
 * The runs that belong together: those in order that hold the most, where leaving out words that could have been said
 * or finding no time for them costs. By dynamic programming.
 */
export function chained(runs: readonly (readonly PlacedWord[])[], { script }: Pick<Hearing, 'script'>): PlacedWord[] {
  const inOrder = [...runs].sort((a, b) => (a[0]?.start ?? 0) - (b[0]?.start ?? 0));
  const weights = inOrder.map((run) => run.reduce((sum, { word }) => sum + worth(script.words[word]?.letters ?? 0), 0));
  const best = new Float64Array(inOrder.length);
  const before = new Int32Array(inOrder.length).fill(-1);
  /** Time to say the words up to each. */
  const said = new Float64Array(script.words.length + 1);
  for (let i = 0; i < script.words.length; i++) said[i + 1] = (said[i] ?? 0) + sayingTime(script, i, i + 1);
  let top = -1;
  for (let i = 0; i < inOrder.length; i++) {
    const first = inOrder[i]?.[0];
    if (!first) continue;
    best[i] = weights[i] ?? 0;
    for (let k = i - 1; k >= Math.max(0, i - lookBack); k--) {
      const last = inOrder[k]?.at(-1);
      if (!last || last.word >= first.word || last.end > first.start + 50) continue;
      const needs = (said[first.word] ?? 0) - (said[last.word + 1] ?? 0);
      const has = first.start - last.end;
      const isJump = needs > has * 2.5 + 1000 || has > needs * 3 + 4000;
      const score = (best[k] ?? 0) + (weights[i] ?? 0) - (isJump ? jump : 0);
      if (score > (best[i] ?? 0)) [best[i], before[i]] = [score, k];
    }
    if (top < 0 || (best[i] ?? 0) > (best[top] ?? 0)) top = i;
  }
  const chain: PlacedWord[] = [];
  const behind: (typeof inOrder)[number][] = [];
  for (let i = top; i >= 0; i = before[i] ?? -1) behind.push(inOrder[i] ?? []);
  for (const run of behind.reverse()) pushAll(chain, run);
  return chain;
}
