/** Where captions belong, from where their words are said: what is sure, what goes with its neighbours, what stays. */
import type { Stretch } from '../regions.ts';
import type { PlacedWord } from './grammars.ts';
import { placesBetween } from './between.ts';
import type { CaptionPlace } from './caption-place.ts';
import { agreedMove, isOdd, isOff, moveOf, type Move, type CaptionToPlace } from './moves.ts';
import { sayingTime, type Script } from './script.ts';
import { showsBeginning, soundsBeside } from './sound-beside.ts';

/** A beginning so near the beginning of speech is that, in ms. */
const snaps = 200;
/** Speech before the first word that was found is the caption's own where nobody else claims it, up to so much and the time its own words need, in ms. */
const ownSpeech = 1200;
/** A caption is certain where at least so much of its words was heard. */
const leastHeard = 0.5;

/**
 * When a caption's speech begins: with the speech its first word begins, or, where words before it were not heard or are
 * not written, with what is said there and is nobody else's.
 * @param missing time to say those of its words before the first that was heard, in ms
 * @param before end of the last word before it
 */
function startOf(first: PlacedWord, missing: number, before: number, speech: readonly Stretch[]): number {
  const early = Math.max(before, first.start - missing);
  const region = speech.find((s) => s.end > first.start);
  if (!region || region.start < before - 50) return early;
  const off = region.start - first.start;
  if (Math.abs(off) <= snaps || (off < 0 && -off <= ownSpeech + missing)) return region.start;
  return Math.max(region.start, early);
}
/** A first word apart from the rest by more than the first, and from the caption before by less than the second, in ms, is not said there. */
const [apart, against] = [450, 250];
/** The words of a caption without a first one that was heard at the end of what is said before it. */
function withoutStray(words: readonly PlacedWord[], before: number): readonly PlacedWord[] {
  const [first, second] = words;
  const isStray = first && second && second.start - first.end > apart && before > 0 && first.start - before < against;
  return isStray && words.length > 2 ? words.slice(1) : words;
}
/** When it ends: with its last word, or with the speech where that ends there. */
function endOf(last: PlacedWord, next: number, speech: readonly Stretch[]): number {
  const region = speech.findLast((s) => s.start < last.end);
  if (region && Math.abs(region.end - last.end) <= snaps && region.end <= next) return region.end;
  return Math.min(last.end, next);
}

/**
 * @param captions in order
 * @param placed words that were heard, in order
 */
export function placesOf(
  captions: readonly CaptionToPlace[],
  script: Script,
  placed: readonly PlacedWord[],
  sound: readonly Stretch[],
): CaptionPlace[] {
  const isBeside = soundsBeside(script, placed, sound);
  // Where something else sounds all the way, where speech begins says nothing; only words do.
  const speech = isBeside ? [] : sound;
  const of: PlacedWord[][] = captions.map(() => []);
  for (const p of placed) of[script.words[p.word]?.caption ?? -1]?.push(p);
  const wordsIn = (i: number): number => (script.firstOf[i + 1] ?? script.words.length) - (script.firstOf[i] ?? 0);
  const heard = captions.map((_, i): CaptionPlace | null => {
    let before = 0;
    for (let k = i - 1; k >= 0 && before === 0; k--) before = of[k]?.at(-1)?.end ?? 0;
    const words = withoutStray(of[i] ?? [], before);
    const [first, last] = [words[0], words.at(-1)];
    if (!first || !last || words.length < wordsIn(i) * leastHeard) return null;
    if (isBeside && !showsBeginning(script, i, words)) return null;
    let next = Infinity;
    for (let k = i + 1; k < of.length && next === Infinity; k++) next = of[k]?.[0]?.start ?? Infinity;
    const start = startOf(first, sayingTime(script, script.firstOf[i] ?? 0, first.word), before, speech);
    return { start, end: Math.max(start + 1, endOf(last, next, speech)), how: 'certain', words };
  });
  /** How far captions that had times surely move. */
  const movesOf = (places: readonly (CaptionPlace | null)[]): (Move | null)[] =>
    captions.map((c, i) => (c.timing === 'set' ? moveOf(c, places[i]) : null));
  const every = movesOf(heard);
  const isWrong = isBeside ? isOff : isOdd;
  const sure = heard.map((place, i) => (every[i] && isWrong(every, i, every[i]) ? null : place));
  const moves = movesOf(sure);
  /** Beginnings of speech are where captions begin that are said to begin there. */
  const toSpeech = (start: number): number => speech.find((s) => Math.abs(s.start - start) <= snaps)?.start ?? start;
  const between = placesBetween(
    captions,
    script,
    sure,
    captions.map((c, i) => moveOf(c, sure[i])),
    speech,
  );
  return captions.map((c, i): CaptionPlace => {
    const place = sure[i] ?? between.get(i);
    const opens = place && place.words[0]?.word === script.firstOf[i];
    if (place && opens) return place;
    const by = c.timing === 'set' ? agreedMove(moves, i, c.start) : null;
    if (by === null) return place ?? { start: c.start, end: c.end, how: 'left', words: [] };
    const start = Math.max(0, Math.round(wordsIn(i) > 0 ? toSpeech(c.start + by) : c.start + by));
    // Its first word was not heard: its neighbours know better when it begins.
    if (place)
      return Math.abs(place.start - start) > snaps
        ? { ...place, start: Math.min(start, place.words[0]?.start ?? start) }
        : place;
    return { start, end: start + (c.end - c.start), how: 'with neighbours', words: [] };
  });
}
