/** Listening to a recording for the words of a script, in steps that several workers can share. */
import type { Stretch } from '../speech/regions.ts';
import { anchorsIn, chained, type ReadSound } from './anchors.ts';
import { fillsFor, gapsBetween, type Gap } from './fills.ts';
import type { Hearing, Placed } from './grammars.ts';
import { groupsOf } from './groups.ts';

/** A part of the recording that one worker hears. */
export interface Part {
  readonly groups: readonly Stretch[];
  /** The word that is probably to come first in it; null where it is the first of all. */
  readonly next: number | null;
}

/** The recording in as many parts of about the same speech. @param length in ms @param words of the script */
export function partsOf(speech: readonly Stretch[], length: number, words: number, many: number): Part[] {
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

/** How sure it is that these are the words of this recording: the share of them that was heard before any was made to fit. Of wrong words it was 0.02 at most, of right ones with a quarter wrong seldom under 0.3. */
export const leastShare = 0.15;

export interface Listened {
  readonly placed: readonly Placed[];
  /** Share of the words that was surely heard. */
  readonly share: number;
}

/** All in one place: for the command line, tests, and where one worker is all there is. */
export async function listenFor(
  hearing: Hearing,
  sound: ReadSound,
  speech: readonly Stretch[],
  length: number,
  tell: (share: number) => void = () => undefined,
): Promise<Listened> {
  const [part] = partsOf(speech, length, hearing.script.words.length, 1);
  const groups = part?.groups ?? [];
  const runs = await anchorsIn(hearing, sound, groups, null, (done) => tell((0.9 * done) / groups.length));
  const anchors = chained(runs, hearing);
  const gaps = gapsBetween(anchors, hearing, speech, length);
  const fills = await fillsFor(hearing, sound, gaps, (done) => tell(0.9 + (0.1 * done) / gaps.length));
  return withFills(anchors, fills, hearing);
}

/** @param anchors in order @param fills of the gaps between them */
export function withFills(
  anchors: readonly Placed[],
  fills: readonly Placed[],
  { script }: Pick<Hearing, 'script'>,
): Listened {
  const placed = [...anchors, ...fills].sort((a, b) => a.word - b.word);
  return { placed, share: script.words.length === 0 ? 0 : anchors.length / script.words.length };
}
export type { Gap };
