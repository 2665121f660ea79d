/** Captions that follow a recording which was cut again: stretches of the old one that stand elsewhere in the new. */
import { greatest, sort } from 'd3-array';
import { inOrder, type Caption, type WordRange } from '../../model/caption.ts';
import type { Edit } from '../../model/edits.ts';
import { spliceText } from '../../model/ranges.ts';
import type { Piece } from '../../model/pieces.ts';
import { segmentsInOrder, sharedBy, type Segment } from './segment.ts';

/** A caption never has less than this, in ms: no format holds one that ends as it begins. */
export const leastCaption = 1;
/** What is left of a caption on one side of a cut is not shown alone for less than this, in ms. */
const glance = 250;
/** Segments further apart than this in the new recording are two places, in ms. */
const apart = 500;

/** The part of a caption that stays in one place: segments in a row, in order in both recordings. */
type Place = readonly Segment[];

function placesOf({ start, end }: Caption, segments: readonly Segment[]): readonly Place[] {
  const places: Segment[][] = [];
  for (const segment of segments) {
    if (Math.min(end, segment.was + segment.length) <= Math.max(start, segment.was)) continue;
    const last = places.at(-1)?.at(-1);
    const goesOn = last && segment.was >= last.was + last.length && segment.now - last.now - last.length <= apart;
    if (goesOn) places.at(-1)?.push(segment);
    else places.push([segment]);
  }
  return places;
}
const overlap = ({ start, end }: Caption, place: Place): number =>
  place.reduce((sum, s) => sum + Math.min(end, s.was + s.length) - Math.max(start, s.was), 0);

/** Where a moment of the old recording is in the new one; what is between two segments is where the next begins. */
function moved(place: Place, ms: number): number {
  const segment = place.find((s) => ms <= s.was + s.length) ?? place.at(-1);
  if (!segment) return ms;
  return Math.round(segment.now + Math.max(0, Math.min(segment.length, ms - segment.was)));
}
const isIn = (place: Place, ms: number): boolean => place.some((s) => ms >= s.was && ms < s.was + s.length);

/** A caption without a word, and without the space that stood before it, or after it where it was the first. */
function withoutWord(caption: Caption, from: number, to: number): Caption {
  const { text } = caption;
  const isSpace = (at: number): boolean => /\s/u.test(text.charAt(at));
  let [first, last] = [from, to];
  // What is written onto the word, a comma or a full stop, goes with it.
  while (last < text.length && !isSpace(last)) last++;
  if (first > 0 && isSpace(first - 1)) first--;
  else if (last < text.length) last++;
  // The times of the others stay: nothing was typed onto them.
  const words = caption.words.flatMap(([start, end, ...rest]): WordRange[] => {
    if (end <= first) return [[start, end, ...rest]];
    return start >= last ? [[start - (last - first), end - (last - first), ...rest]] : [];
  });
  return { ...spliceText(caption, first, last, ''), words, proofed: false };
}

/** A caption as it is in one place: without the words that are said elsewhere, or nowhere any more; null where none is left. */
function shownIn(caption: Caption, place: Place): Caption | null {
  let kept = caption;
  // From the last word on, so that what is left keeps its place.
  for (const [first, last, start, end, , how] of [...caption.words].reverse())
    if (how !== 'guessed' && !isIn(place, (start + end) / 2)) kept = withoutWord(kept, first, last);
  if (kept.text.trim() === '' && caption.text.trim() !== '') return null;
  const start = moved(place, caption.start);
  const words = kept.words.map(([from, to, began, ended, ...rest]): WordRange => {
    const at = moved(place, began);
    return [from, to, at, Math.max(at, moved(place, ended)), ...rest];
  });
  return { ...kept, start, end: Math.max(start + leastCaption, moved(place, caption.end)), words };
}

/** Captions as they follow, and those that were only in what is gone. */
export interface Followed {
  readonly captions: readonly Caption[];
  readonly gone: readonly Caption[];
}

/**
 * Captions where their stretches of the old recording are in the new one. One that a cut passes through keeps the words
 * said outside it, by their times, and loses the others; where its words have no times it keeps all of them. One that
 * something was put into, or of which a part was moved, becomes two where its words have times, and otherwise goes where
 * the most of it is.
 * @param segments in order of the new recording
 * @param newId names the second part of a caption
 */
export function followed(captions: readonly Caption[], segments: readonly Segment[], newId: () => string): Followed {
  const kept: Caption[] = [];
  const gone: Caption[] = [];
  const stays = segmentsInOrder(segments);
  const isInOrder = (place: Place): boolean => place.some((s) => stays.has(s));
  for (const caption of captions) {
    const all = placesOf(caption, segments);
    const long = all.filter((p) => overlap(caption, p) >= glance);
    // Where the same sound stands twice, the one that is in order is where a caption belongs.
    const places = sort(long.length > 0 ? long : all.slice(0, 1), (place) => (isInOrder(place) ? 0 : 1));
    const isTimed = caption.words.length > 0 && caption.words.every(([, , , , , how]) => how !== 'guessed');
    const most = greatest(places, (place) => overlap(caption, place));
    const shown = (isTimed || !most ? places : [most]).flatMap((place) => shownIn(caption, place) ?? []);
    if (shown.length === 0) gone.push(caption);
    shown.forEach((c, i) => kept.push(i === 0 ? c : { ...c, id: newId(), proofed: false }));
  }
  return { captions: kept.sort(inOrder), gone };
}

/**
 * The same as pieces of a line, in order of the old recording, for the times of words. Where a stretch stands twice, its
 * place is the one that is in order.
 */
function piecesOfSegments(segments: readonly Segment[]): readonly Piece[] {
  const stays = segmentsInOrder(segments);
  const isFree = (s: Segment): boolean => stays.has(s) || ![...stays].some((each) => sharedBy(s, each) > 0);
  const pieces: Piece[] = [];
  let until = -Infinity;
  for (const { now, was, length } of segments.filter(isFree).sort((a, b) => a.was - b.was)) {
    const from = Math.max(Math.round(was), until + 1);
    const to = Math.round(was + length) - 1;
    if (to <= from) continue;
    pieces.push([from, Math.round(now + from - was)], [to, Math.round(now + to - was)]);
    until = to;
  }
  return pieces;
}

/**
 * How captions follow, as one step. Those whose words stay get their times; those that lose or share words are replaced.
 * @param before as they were @param after as {@link followed} has them
 */
export function followEdit(
  before: readonly Caption[],
  after: readonly Caption[],
  segments: readonly Segment[],
): Edit | null {
  const was = new Map(before.map((c) => [c.id, c]));
  const stays = new Set(after.map((c) => c.id));
  const changed = after.filter((c) => was.get(c.id)?.text !== c.text);
  const removed = [
    ...changed.filter((c) => was.has(c.id)).map((c) => c.id),
    ...before.filter((c) => !stays.has(c.id)).map((c) => c.id),
  ];
  const isMoved = (c: Caption): boolean => {
    const old = was.get(c.id);
    return old?.text === c.text && (old.start !== c.start || old.end !== c.end);
  };
  const moves = after.filter(isMoved).map(({ id, start, end, timing }) => ({ id, start, end, timing }));
  const edits: Edit[] = [];
  if (moves.length > 0) edits.push({ type: 'retime', captions: moves, pieces: piecesOfSegments(segments) });
  if (removed.length + changed.length > 0) edits.push({ type: 'replace', removed, captions: changed });
  return edits.length > 0 ? { type: 'together', edits } : null;
}
