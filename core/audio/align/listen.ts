/** Listening to a recording for the words of a script, in steps that several workers can share. */
import type { Stretch } from '../regions.ts';
import { anchorsIn, chained, unheard, type PartHeard, type ReadSound } from './anchors.ts';
import { fillsFor, gapsBetween, type WordsToFill } from './fills.ts';
import type { Hearing, PlacedWord } from './grammars.ts';
import { groupsOf } from './groups.ts';
import type { Script } from './script.ts';

/** A part of the recording that is heard from its beginning on, whoever hears the others. */
export interface ListeningPart {
  readonly groups: readonly Stretch[];
  /** The word that is probably to come first in it; null where it is the first of all. */
  readonly next: number | null;
}

/** A part has at least so much speech, in ms, and there are no more than so many. */
const [leastPart, mostParts] = [180_000, 4];
/**
 * How many parts a recording is heard in. It goes by the recording alone, so that the same is heard in it whoever hears it
 * with however many processors.
 */
export function howManyParts(speech: readonly Stretch[]): number {
  const all = speech.reduce((sum, s) => sum + s.end - s.start, 0);
  return Math.max(1, Math.min(mostParts, Math.floor(all / leastPart)));
}

/** The recording in as many parts of about the same speech. @param length in ms @param words of the script */
export function listeningParts(
  speech: readonly Stretch[],
  length: number,
  words: number,
  many: number,
): ListeningPart[] {
  const groups = groupsOf(speech, length);
  const all = groups.reduce((sum, g) => sum + g.end - g.start, 0);
  const parts: { groups: Stretch[]; next: number | null }[] = [];
  let heard = 0;
  for (const group of groups) {
    const share = Math.min(many - 1, Math.floor((heard / Math.max(1, all)) * many));
    while (parts.length <= share)
      parts.push({ groups: [], next: parts.length === 0 ? null : Math.round((words * heard) / all) });
    parts.at(-1)?.groups.push(group);
    heard += group.end - group.start;
  }
  return parts;
}

/**
 * How sure it is that these are the words of this recording: the share of them that was heard before any was made to fit.
 * Of wrong words it was 0.05 at most, of right ones with a quarter wrong or missing 0.4 at least.
 */
export const leastShare = 0.15;

export interface Listened {
  readonly placed: readonly PlacedWord[];
  /** Share of the words that was surely heard. */
  readonly share: number;
}

/** Who hears for the script: an engine here, or a worker that has one. Told the share of what was asked that is done. */
export interface Hearer {
  readonly anchors: (so: PartHeard, groups: readonly Stretch[], tell: (share: number) => void) => Promise<PartHeard>;
  readonly fills: (gaps: readonly WordsToFill[], tell: (share: number) => void) => Promise<readonly PlacedWord[]>;
}
/** Whoever listens for words, over a model and a way to read the sound. */
export const hearerOf = (hearing: Hearing, sound: ReadSound): Hearer => ({
  anchors: (so, groups, tell) => anchorsIn(hearing, sound, so, groups, (done) => tell(done / groups.length)),
  fills: (gaps, tell) => fillsFor(hearing, sound, gaps, (done) => tell(done / gaps.length)),
});

/** The share of the work that is done before anything is made to fit. */
const listening = 0.9;
/** So many groups are heard between two moments at which what was heard can be kept: less than a minute of speech. */
const atOnce = 6;

/** How listening is followed, and gone on with. */
export interface Listening {
  /** Told the share that is done, 0 to 1. */
  readonly tell?: (share: number) => void;
  /** What was heard before, part by part; null for one of which nothing was. */
  readonly before?: readonly (PartHeard | null)[];
  /** Told what was heard of each part so far, whenever there is more. */
  readonly keep?: (heard: readonly (PartHeard | null)[]) => void;
}

/**
 * Listens with as many hearers as there are; each takes the next part of the recording when it is done with one.
 * @param length of the recording, in ms
 */
export async function listenWith(
  hearers: readonly Hearer[],
  script: Script,
  speech: readonly Stretch[],
  length: number,
  { tell = () => undefined, before = [], keep = () => undefined }: Listening = {},
): Promise<Listened> {
  const parts = listeningParts(speech, length, script.words.length, howManyParts(speech));
  let done = parts.map(() => 0);
  const told = (i: number, share: number, from: number, to: number): void => {
    done[i] = share;
    tell(from + ((to - from) * done.reduce((sum, each) => sum + each, 0)) / Math.max(1, done.length));
  };
  // What another division of the recording has heard says nothing of this one.
  const heard: (PartHeard | null)[] = parts.map((_, i) =>
    before.length === parts.length ? (before[i] ?? null) : null,
  );
  const waiting = [...parts.entries()];
  await Promise.all(
    hearers.map(async (hearer) => {
      for (let taken = waiting.shift(); taken; taken = waiting.shift()) await hearPart(hearer, taken[0], taken[1]);
    }),
  );
  async function hearPart(hearer: Hearer, i: number, part: ListeningPart): Promise<void> {
    const all = part.groups.length;
    let so = heard[i] ?? unheard(part.groups, part.next);
    while (so.groups < all) {
      const from = so.groups;
      const next = part.groups.slice(from, from + atOnce);
      so = await hearer.anchors(so, next, (share) => told(i, (from + share * next.length) / all, 0, listening));
      heard[i] = so;
      keep([...heard]);
    }
    told(i, 1, 0, listening);
  }
  const anchors = chained(
    heard.flatMap((part) => part?.runs ?? []),
    { script },
  );
  const gaps = gapsBetween(anchors, { script }, speech, length);
  done = hearers.map(() => 0);
  const fills = await Promise.all(
    hearers.map((hearer, i) =>
      hearer.fills(
        gaps.filter((_, n) => n % hearers.length === i),
        (share) => told(i, share, listening, 1),
      ),
    ),
  );
  return {
    placed: [...anchors, ...fills.flat()].sort((a, b) => a.word - b.word),
    share: script.words.length === 0 ? 0 : anchors.length / script.words.length,
  };
}
