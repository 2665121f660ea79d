/** Captions that never had times, between two that were surely heard. */
import { cumsum, least, range } from 'd3-array';
import type { Stretch } from '../regions.ts';
import type { CaptionPlace } from './caption-place.ts';
import { agreedMove, type Move, type CaptionToPlace } from './moves.ts';
import { sayingTime, type Script } from './script.ts';

/** Less than this share of what words need holds none of them. */
const leastRoom = 0.4;
/** Whoever types what they hear is no further from the words than this when they begin a caption, in ms. */
const nearWords = 5000;
/** Speech that begins so near where a caption was begun is its own, in ms. */
const nearSpeech = 1000;

/** Captions in a row that were not heard, and what they are between. */
interface Row {
  readonly from: number;
  /** The last is not among them. */
  readonly to: number;
  readonly before: CaptionPlace;
  readonly after: CaptionPlace;
}

function rowsOf(captions: readonly CaptionToPlace[], sure: readonly (CaptionPlace | null)[]): Row[] {
  const rows: Row[] = [];
  for (let i = 0; i < captions.length; i++) {
    const before = sure[i - 1];
    if (sure[i] || captions[i]?.timing !== 'provisional' || !before) continue;
    const from = i;
    while (i < captions.length && !sure[i] && captions[i]?.timing === 'provisional') i++;
    const after = sure[i];
    if (after) rows.push({ from, to: i, before, after });
  }
  return rows;
}

const isInOrder = (moments: readonly number[]): boolean =>
  moments.every((ms, i) => i === 0 || ms > (moments[i - 1] ?? ms));

/**
 * Where they begin by where the playhead was when each was begun, moved as the captions around them; null where nothing was
 * noted, or what was cannot be.
 */
function notedStarts(
  captions: readonly CaptionToPlace[],
  { from, to, before, after }: Row,
  moves: readonly (Move | null)[],
  speech: readonly Stretch[],
): readonly number[] | null {
  const starts: number[] = [];
  for (let k = from; k < to; k++) {
    const { start = 0 } = captions[k] ?? {};
    const by = agreedMove(moves, k, start);
    if (by === null || Math.abs(by) > nearWords) return null;
    starts.push(Math.round(start + by));
  }
  const between = (all: readonly number[]): readonly number[] => [before.end - 1, ...all, after.start];
  if (!isInOrder(between(starts))) return null;
  const inSpeech = starts.map((start) => {
    const begins = least(speech, (s) => Math.abs(s.start - start))?.start ?? start;
    return Math.abs(begins - start) <= nearSpeech ? Math.round(begins) : start;
  });
  return isInOrder(between(inSpeech)) ? inSpeech : starts;
}

/**
 * Captions that never had times, between two that are sure. They begin where whoever typed them noted it, where that is
 * right for those around them; otherwise they share what is between by their letters.
 * @param moves of those that are sure, from where they were noted
 */
export function placesBetween(
  captions: readonly CaptionToPlace[],
  script: Script,
  sure: readonly (CaptionPlace | null)[],
  moves: readonly (Move | null)[],
  speech: readonly Stretch[],
): ReadonlyMap<number, CaptionPlace> {
  const found = new Map<number, CaptionPlace>();
  for (const row of rowsOf(captions, sure)) {
    const { from, to, before, after } = row;
    const needs = range(from, to).map(
      (k) => sayingTime(script, script.firstOf[k] ?? 0, script.firstOf[k + 1] ?? script.words.length) + 1,
    );
    const until = cumsum(needs);
    const all = until.at(-1) ?? 0;
    const has = after.start - before.end;
    if (has <= all * leastRoom) continue;
    const byLetters = needs.map((_, i) => Math.round(before.end + (has * (until[i - 1] ?? 0)) / all));
    const starts = notedStarts(captions, row, moves, speech) ?? byLetters;
    starts.forEach((start, i) =>
      found.set(from + i, { start, end: starts[i + 1] ?? after.start, how: 'with neighbours', words: [] }),
    );
  }
  return found;
}
