/** A track as listening places it: captions with their new times and the times of their words. */
import type { Caption, WordRange } from '../../model/caption.ts';
import { asUnheard, isRecognised } from '../../model/doubt.ts';
import { movedWords } from '../../model/effects.ts';
import { shareByLetters } from '../../model/ranges.ts';
import type { CaptionPlace } from './caption-place.ts';
import type { Script } from './script.ts';
import { spreadUnheard } from './spread.ts';

/** A score as a certainty, 0 to 1: words that go with their sound are at about -10, those that do not are beyond the limit. */
const limit = -50;
const certaintyOf = (score: number): number =>
  Math.round(Math.min(1, Math.max(0, 1 - (score + 8) / (limit + 8))) * 100) / 100;

const keyOf = (w: WordRange): string => `${String(w[0])} ${String(w[1])}`;

/**
 * The times of a caption's words: those that were heard, and shares of the time between them, with no certainty, for
 * those that were not. What a recogniser was sure or unsure of it stays so of: its own mistakes sound like what was said.
 * @param nth place of the caption in the script
 */
export function wordRanges(
  { text, words }: Pick<Caption, 'text' | 'words'>,
  script: Script,
  nth: number,
  place: CaptionPlace,
): WordRange[] {
  const recognised = new Map(words.flatMap((w) => (isRecognised(w) ? [[keyOf(w), w] as const] : [])));
  const said = script.words.slice(script.firstOf[nth], script.firstOf[nth + 1]);
  /** Labels and notes are nothing that is listened for. */
  const isSaid = (w: WordRange): boolean => said.some(({ from, to }) => from < w[1] && to > w[0]);
  /** @param word with its time and what listening says of it */
  const ranged = (word: WordRange): WordRange => {
    const known = recognised.get(keyOf(word));
    return known ? [word[0], word[1], word[2], word[3], known[4], 'recogniser', known[6]] : word;
  };
  const ranges: WordRange[] = [];
  let [at, time] = [0, place.start];
  const fill = (to: number, until: number): void => {
    const missing = [...text.slice(at, to).matchAll(/\S+/gu)].map(({ 0: word, index }) => ({
      from: at + index,
      to: at + index + word.length,
    }));
    for (const w of missing.length > 0 ? shareByLetters(text, missing, time, Math.max(time, until)) : [])
      ranges.push(ranged([w[0], w[1], w[2], w[3], isSaid(w) ? 0 : w[4], w[5], w[6]]));
  };
  for (const { word, start, end, score } of place.words) {
    const written = script.words[word];
    if (!written) continue;
    fill(written.from, start);
    ranges.push(
      ranged([
        written.from,
        written.to,
        start,
        Math.max(start, end),
        certaintyOf(score),
        'aligned',
        text.slice(written.from, written.to),
      ]),
    );
    [at, time] = [written.to, Math.max(start, end)];
  }
  fill(text.length, place.end);
  return ranges;
}

/** How captions come out of it. */
export interface PlacedTrack {
  /** In the order they were in, those that stay among them. */
  readonly captions: readonly Caption[];
  /** Ids of captions that moved. */
  readonly moved: readonly string[];
  /** Those that stay, since nothing says where they belong. */
  readonly left: readonly string[];
}

/**
 * Captions at their places. One that had times keeps its length where the next leaves room, and never ends before its
 * words do; one that had none ends with its words. Where captions that were not heard would stand out of order, they are
 * spread between their neighbours.
 * @param found where each belongs
 * @param gap smallest gap between captions, in ms
 */
export function placedTrack(
  captions: readonly Caption[],
  script: Script,
  found: readonly CaptionPlace[],
  gap: number,
): PlacedTrack {
  const places = spreadUnheard(captions, found);
  const moved: string[] = [];
  const left: string[] = [];
  const placed: Caption[] = [];
  /** For each caption, where the next that does not stay begins. */
  const nextOf: number[] = [];
  for (let i = places.length - 1, next = Infinity; i >= 0; i--) {
    nextOf[i] = next;
    const place = places[i];
    if (place && place.how !== 'left') next = place.start;
  }
  let floor = 0;
  captions.forEach((c, i) => {
    const place = places[i];
    if (!place) return;
    const next = nextOf[i] ?? Infinity;
    if (place.how === 'left') left.push(c.id);
    const isOut = place.start < floor || (place.how === 'left' && place.start > next);
    const start = isOut ? floor : place.start;
    const lasts =
      c.timing === 'set' || place.how !== 'certain'
        ? Math.max(c.end - c.start, place.end - place.start)
        : place.end - place.start;
    const room = next - gap;
    const wanted = start + lasts;
    // It may reach up to the next, and always as far as its own words.
    const end = Math.max(
      start + 1,
      place.how === 'certain'
        ? Math.max(Math.min(wanted, room), Math.min(place.end, next))
        : Math.min(wanted, Math.max(room, start + 1)),
    );
    // What never had times is provisional until it is heard; what had some keeps times.
    const timing = place.how === 'certain' ? 'set' : c.timing;
    // What a recogniser said of its words stays; what listening said of them another time does not hold any more.
    const alongWith = place.how === 'with neighbours';
    const isRanged = place.how === 'certain' || (alongWith && !c.words.some(isRecognised));
    const shifted = isRanged ? [] : movedWords(c.words, [[c.start, start]]);
    const words = isRanged
      ? wordRanges(c, script, i, { ...place, start, end })
      : alongWith
        ? shifted.map(asUnheard)
        : shifted;
    if (start !== c.start || end !== c.end || timing !== c.timing) moved.push(c.id);
    placed.push({ ...c, start, end, timing, words });
    floor = start;
  });
  return { captions: placed, moved, left };
}
