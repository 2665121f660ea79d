/** How far captions are from where they are said, along a recording: what the picture of the offset shows. */
import { median } from 'd3-array';
import type { CaptionPlace } from './caption-place.ts';

export interface OffsetPoint {
  /** Where the caption stood, in ms. */
  readonly at: number;
  /** Caption minus sound, in ms: late above 0, early below. */
  readonly by: number;
  readonly how: CaptionPlace['how'];
}
/** From here on everything is off by another amount: something was taken out of the recording, or put in. */
export interface OffsetJump {
  readonly at: number;
  /** How much later captions are from here on than before, in ms; negative where they are earlier. */
  readonly by: number;
}
/** Times between which words and sound do not match, in ms of the track. */
export interface Mismatch {
  readonly from: number;
  readonly to: number;
}
export interface Offsets {
  readonly points: readonly OffsetPoint[];
  readonly jumps: readonly OffsetJump[];
  readonly mismatches: readonly Mismatch[];
  /** How late the first captions are, in ms; null where none is certain. */
  readonly first: number | null;
  /** How much the offset grows along the longest part without a jump, and how long that is, in ms. */
  readonly drift: { readonly by: number; readonly over: number } | null;
}

interface Timed {
  readonly start: number;
  readonly end: number;
  readonly timing: 'set' | 'provisional';
}

/** A change over this and this share of the time between is a jump, in ms. */
const [jump, jumpShare] = [700, 0.07];
/** An offset has to hold for so many captions to be one. */
const holds = 2;

/** @param captions as they were, in order */
export function offsetsOf(captions: readonly Timed[], places: readonly CaptionPlace[]): Offsets {
  const points = captions.flatMap((c, i): OffsetPoint[] => {
    const place = places[i];
    return place && c.timing === 'set' ? [{ at: c.start, by: c.start - place.start, how: place.how }] : [];
  });
  const sure = points.filter((p) => p.how === 'certain');
  const jumps: OffsetJump[] = [];
  const parts: OffsetPoint[][] = [];
  let part: OffsetPoint[] = [];
  sure.forEach((p, i) => {
    const last = part.at(-1);
    const apart = (a: OffsetPoint, b: OffsetPoint): boolean =>
      Math.abs(b.by - a.by) > jump + Math.abs(b.at - a.at) * jumpShare;
    if (last && apart(last, p)) {
      // One that stands alone is no jump: those after it go on as before.
      const next = sure[i + holds - 1];
      if (next && !apart(last, next)) return;
      jumps.push({ at: p.at, by: p.by - last.by });
      parts.push(part);
      part = [];
    }
    part.push(p);
  });
  parts.push(part);
  const mismatches: Mismatch[] = [];
  let from: number | null = null;
  captions.forEach((c, i) => {
    const isLeft = places[i]?.how === 'left';
    if (isLeft && from === null) from = c.start;
    const closes = from !== null && (!isLeft || i === captions.length - 1);
    if (closes && from !== null) {
      const last = isLeft ? c : captions[i - 1];
      mismatches.push({ from, to: Math.max(from + 1, last?.end ?? from) });
      from = null;
    }
  });
  const longest = parts.reduce((a, b) => (lengthOf(b) > lengthOf(a) ? b : a));
  return { points, jumps, mismatches, first: median(sure.slice(0, 5), (p) => p.by) ?? null, drift: driftOf(longest) };
}

const lengthOf = (part: readonly OffsetPoint[]): number => (part.at(-1)?.at ?? 0) - (part[0]?.at ?? 0);
/** By the middle of the first and of the last third, which a caption or two do not move. */
function driftOf(part: readonly OffsetPoint[]): Offsets['drift'] {
  const third = Math.ceil(part.length / 3);
  if (part.length < 6) return null;
  const [a, b] = [part.slice(0, third), part.slice(-third)];
  const over = (median(b, (p) => p.at) ?? 0) - (median(a, (p) => p.at) ?? 0);
  const by = (median(b, (p) => p.by) ?? 0) - (median(a, (p) => p.by) ?? 0);
  return over > 0 ? { by: Math.round((by * lengthOf(part)) / over), over: lengthOf(part) } : null;
}
