/**
 * Whether somebody or something else sounds all the way beside what is listened for: then speech does not begin and end
 * with it, and where it does says nothing.
 */
import { heardFor } from '../heard-under.ts';
import type { Stretch } from '../regions.ts';
import type { PlacedWord } from './grammars.ts';
import type { Script } from './script.ts';

/** Between the words of two captions that are further apart than this there is quiet, in ms … */
const apart = 400;
/** … of this share of the time at least. */
const leastQuiet = 0.3;
/** Words left out between the two may have been said there. */
const mostLeftOut = 6;
/**
 * Where fewer of these times than this share have quiet in them, something else sounds. On the sets of `bench/placing.ts`
 * 0.67 to 1 have it, and 0 to 0.64 with another voice 20, 10 and 5 dB under the first.
 */
const leastWithQuiet = 0.65;
/** Fewer times than this show nothing. */
const fewest = 4;

/** @param placed words that were heard, in order */
export function soundsBeside({ words }: Script, placed: readonly PlacedWord[], speech: readonly Stretch[]): boolean {
  let [many, withQuiet] = [0, 0];
  placed.forEach(({ word, start }, i) => {
    const before = placed[i - 1];
    if (!before || start - before.end <= apart || word - before.word > mostLeftOut + 1) return;
    if (words[word]?.caption === words[before.word]?.caption) return;
    many++;
    if (1 - heardFor(speech, before.end, start) / (start - before.end) > leastQuiet) withQuiet++;
  });
  return many >= fewest && withQuiet < leastWithQuiet * many;
}

/** Where something else sounds, a caption’s beginning is heard where its first two words go together so well, with no more than so much between them, and the first is said no slower than this for a letter, in ms. */
const [leastScore, mostBetween, mostPerLetter] = [-30, 150, 120];

/**
 * Whether the words of a caption show when it begins although something else sounds: what else is said is easily taken for
 * a first word, or for the beginning of one.
 * @param heard those of its words that were heard
 */
export function showsBeginning({ words, firstOf }: Script, caption: number, heard: readonly PlacedWord[]): boolean {
  const [first, second] = heard;
  if (!first || !second || first.word !== firstOf[caption]) return false;
  const letters = words[first.word]?.letters ?? 0;
  return (
    Math.min(first.score, second.score) > leastScore &&
    second.start - first.end <= mostBetween &&
    first.end - first.start <= mostPerLetter * letters
  );
}
