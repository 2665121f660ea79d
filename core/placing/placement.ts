/** Where captions belong, from where their words are said: what is sure, what goes with its neighbours, what stays. */
import type { Stretch } from '../speech/regions.ts';
import type { Placed } from './grammars.ts';
import { sayingTime, type Script } from './script.ts';

/** How a caption came to its place. */
export type Certainty =
  /** Its words were heard. */
  | 'certain'
  /** It goes with its neighbours, which moved alike. */
  | 'with neighbours'
  /** Nothing says where it belongs: it stays. */
  | 'left';
/** Where a caption belongs, in ms. */
export interface CaptionPlace {
  readonly start: number;
  readonly end: number;
  readonly how: Certainty;
  /** Its words that were heard. */
  readonly words: readonly Placed[];
}

/** What of a caption there is to place. */
interface Timed {
  readonly start: number;
  readonly end: number;
  readonly timing: 'set' | 'provisional';
}

/** A beginning so near the beginning of speech is that, in ms. */
const snaps = 200;
/** Speech before the first word that was found is the caption's own where nobody else claims it, up to so much and the time its own words need, in ms. */
const ownSpeech = 1200;
/** Neighbours move alike where their offsets are no further apart than this and this share of the time between them, in ms. */
const [alike, alikeShare] = [500, 0.06];
/** Less than this share of what words need holds none of them. */
const leastRoom = 0.4;
/** A caption that moves so much otherwise than its neighbours was heard wrong, in ms. */
const odd = 350;
/** A caption is certain where at least so much of its words was heard. */
const leastHeard = 0.5;

/**
 * When a caption's speech begins: with the speech its first word begins, or, where words before it were not heard or are
 * not written, with what is said there and is nobody else's.
 * @param missing time to say those of its words before the first that was heard, in ms
 * @param before end of the last word before it
 */
function startOf(first: Placed, missing: number, before: number, speech: readonly Stretch[]): number {
  const region = speech.find((s) => s.end > first.start);
  const early = Math.max(before, first.start - missing);
  if (!region || region.start < before - 50) return early;
  const off = region.start - first.start;
  if (Math.abs(off) <= snaps || (off < 0 && -off <= ownSpeech + missing)) return region.start;
  return Math.max(region.start, early);
}
/** A first word apart from the rest by more than the first, and from the caption before by less than the second, in ms, is not said there. */
const [apart, against] = [450, 250];
/** The words of a caption without a first one that was heard at the end of what is said before it. */
function withoutStray(words: readonly Placed[], before: number): readonly Placed[] {
  const [first, second] = words;
  const isStray = first && second && second.start - first.end > apart && before > 0 && first.start - before < against;
  return isStray && words.length > 2 ? words.slice(1) : words;
}
/** When it ends: with its last word, or with the speech where that ends there. */
function endOf(last: Placed, next: number, speech: readonly Stretch[]): number {
  const region = speech.findLast((s) => s.start < last.end);
  if (region && Math.abs(region.end - last.end) <= snaps && region.end <= next) return region.end;
  return Math.min(last.end, next);
}

/** How far a caption moves, by others that surely do. */
interface Move {
  /** Where it was, in ms. */
  readonly at: number;
  readonly by: number;
}
const moveOf = (c: Timed | undefined, place: CaptionPlace | null | undefined): Move | null =>
  c && place && c.timing === 'set' ? { at: c.start, by: place.start - c.start } : null;
const isAlike = (a: Move, b: Move): boolean => Math.abs(a.by - b.by) <= alike + Math.abs(b.at - a.at) * alikeShare;
/** The nearest that surely move: so many on either side of a place, in order. */
function movesAround(
  moves: readonly (Move | null)[],
  i: number,
  many: number,
): { readonly before: Move[]; readonly after: Move[] } {
  const [before, after]: [Move[], Move[]] = [[], []];
  for (let k = i - 1; k >= 0 && before.length < many; k--) {
    const move = moves[k];
    if (move) before.unshift(move);
  }
  for (let k = i + 1; k < moves.length && after.length < many; k++) {
    const move = moves[k];
    if (move) after.push(move);
  }
  return { before, after };
}
/** How far neighbours say that a moment moves, in ms; null where they do not agree, or where too few are known. */
function agreed(moves: readonly (Move | null)[], i: number, at: number): number | null {
  const { before, after } = movesAround(moves, i, 2);
  // Beyond the first and the last that are sure, two on one side have to do.
  const [a, b] = before.length > 0 && after.length > 0 ? [before.at(-1), after[0]] : before.length > 0 ? before : after;
  if (!a || !b || !isAlike(a, b)) return null;
  const share = b.at > a.at ? (at - a.at) / (b.at - a.at) : 0;
  // A line through two that are near each other does not reach far.
  return Math.abs(share) > 4 ? (share < 0 ? a.by : b.by) : a.by + (b.by - a.by) * share;
}
/** Whether a caption moves otherwise than all around it, which agree with each other. */
function isOdd(moves: readonly (Move | null)[], i: number, move: Move): boolean {
  const { before, after } = movesAround(moves, i, 2);
  const others = [...before, ...after];
  if (others.length < 3 || before.length === 0 || after.length === 0) return false;
  const agree = others.every((m, k) => k === 0 || isAlike(others[k - 1] ?? m, m));
  const said = agreed(moves, i, move.at);
  return agree && said !== null && Math.abs(said - move.by) > odd;
}
/** Captions that never had times, between two that are sure: they share what is between, by their letters. */
function sharedGaps(
  captions: readonly Timed[],
  script: Script,
  sure: readonly (CaptionPlace | null)[],
): ReadonlyMap<number, CaptionPlace> {
  const found = new Map<number, CaptionPlace>();
  for (let i = 0; i < captions.length; i++) {
    const before = sure[i - 1];
    if (sure[i] || captions[i]?.timing !== 'provisional' || !before) continue;
    let next = i;
    while (next < captions.length && !sure[next] && captions[next]?.timing === 'provisional') next++;
    const after = sure[next];
    const need = (k: number): number =>
      sayingTime(script, script.firstOf[k] ?? 0, script.firstOf[k + 1] ?? script.words.length) + 1;
    let all = 0;
    for (let k = i; k < next; k++) all += need(k);
    const has = after ? after.start - before.end : 0;
    if (has > all * leastRoom) {
      let said = 0;
      for (let k = i; k < next; k++) {
        const start = Math.round(before.end + (has * said) / all);
        said += need(k);
        found.set(k, { start, end: Math.round(before.end + (has * said) / all), how: 'with neighbours', words: [] });
      }
    }
    i = next - 1;
  }
  return found;
}

/**
 * @param captions in order
 * @param placed words that were heard, in order
 */
export function placesOf(
  captions: readonly Timed[],
  script: Script,
  placed: readonly Placed[],
  speech: readonly Stretch[],
): CaptionPlace[] {
  const of: Placed[][] = captions.map(() => []);
  for (const p of placed) of[script.words[p.word]?.caption ?? -1]?.push(p);
  const wordsIn = (i: number): number => (script.firstOf[i + 1] ?? script.words.length) - (script.firstOf[i] ?? 0);
  const heard = captions.map((_, i): CaptionPlace | null => {
    let before = 0;
    for (let k = i - 1; k >= 0 && before === 0; k--) before = of[k]?.at(-1)?.end ?? 0;
    const words = withoutStray(of[i] ?? [], before);
    const [first, last] = [words[0], words.at(-1)];
    if (!first || !last || words.length < wordsIn(i) * leastHeard) return null;
    let next = Infinity;
    for (let k = i + 1; k < of.length && next === Infinity; k++) next = of[k]?.[0]?.start ?? Infinity;
    const start = startOf(first, sayingTime(script, script.firstOf[i] ?? 0, first.word), before, speech);
    return { start, end: Math.max(start + 1, endOf(last, next, speech)), how: 'certain', words };
  });
  const every = captions.map((c, i) => moveOf(c, heard[i]));
  const sure = heard.map((place, i) => (every[i] && isOdd(every, i, every[i]) ? null : place));
  const moves = captions.map((c, i) => moveOf(c, sure[i]));
  /** Beginnings of speech are where captions begin that are said to begin there. */
  const toSpeech = (start: number): number => speech.find((s) => Math.abs(s.start - start) <= snaps)?.start ?? start;
  const inGaps = sharedGaps(captions, script, sure);
  return captions.map((c, i): CaptionPlace => {
    const place = sure[i] ?? inGaps.get(i);
    const opens = place && place.words[0]?.word === script.firstOf[i];
    if (place && opens) return place;
    const by = c.timing === 'set' ? agreed(moves, i, c.start) : null;
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
