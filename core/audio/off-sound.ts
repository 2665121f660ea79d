/**
 * Whether captions stand beside their sound: where most of them begin so much after, or before, somebody begins to
 * speak. What is told holds along the track, so that a lead, a lag, a drift and a jump each look like what they are.
 */
import { ascending, bisectLeft, extent, median } from 'd3-array';
import { usualRates } from '../timing/clock/frames.ts';
import type { Stretch } from './regions.ts';

interface Begins {
  readonly start: number;
}

/** A part of the track that is off by about as much, from its first caption on. */
interface OffPart {
  /** When its first caption begins, in ms. */
  readonly from: number;
  /** When its last one does. */
  readonly until: number;
  /** How late captions begin, in ms; early where it is negative. */
  readonly by: number;
}

/** So many captions are looked at together, and so many further on the next time. */
const [together, onward] = [40, 20];
/** Fewer tell nothing. */
const fewest = 20;
/** Speech is looked for so far away, in ms. */
const reach = 60_000;
/** A caption begins with speech that begins within this, in ms, before it or after it. */
const within = 200;
/** A track right within this, in ms, is right. */
const right = 350;
/** Less than this, in ms, is no matter for all of them. */
const least = 400;
/** So many of the captions begin with speech where the track is moved to where it belongs. */
const most = 0.45;
/** … so many times as many as where it is now, and as at any other place. */
const [timesNow, timesOther] = [1.6, 1.35];
/** Places nearer than this to the best one are about the same, in ms. */
const same = 1500;

/** How many captions have a difference within a window that begins at each difference; each counts once. */
function counted(differences: readonly (readonly number[])[], from: number, to: number): number {
  return differences.reduce((sum, of) => {
    const first = of[bisectLeft(of, from)];
    return sum + (first !== undefined && first <= to ? 1 : 0);
  }, 0);
}

/** Where some captions belong: how late they are, in ms; null where the sound does not tell. */
function lateness(captions: readonly Begins[], begins: readonly number[]): number | null {
  const differences = captions.map(({ start }) =>
    begins
      .slice(bisectLeft(begins, start - reach), bisectLeft(begins, start + reach))
      .map((begin) => start - begin)
      .sort(ascending),
  );
  const places = [...new Set(differences.flat().map((ms) => Math.round(ms / 50) * 50))].sort(ascending);
  const hits = places.map((at) => counted(differences, at - within, at + within));
  let best = -1;
  hits.forEach((n, i) => {
    if (best < 0 || n > (hits[best] ?? 0)) best = i;
  });
  const at = places[best] ?? 0;
  const found = hits[best] ?? 0;
  const mostNear = (is: (ms: number) => boolean): number =>
    places.reduce((n, ms, i) => (is(ms) ? Math.max(n, hits[i] ?? 0) : n), 0);
  const now = mostNear((ms) => Math.abs(ms) <= right);
  const other = mostNear((ms) => Math.abs(ms - at) > same);
  if (found < captions.length * most || found < other * timesOther) return null;
  const exact = median(differences.flatMap((of) => of.filter((ms) => Math.abs(ms - at) <= within))) ?? at;
  return Math.abs(exact) > right && found < now * timesNow ? null : exact;
}

/** How far times that were counted at one usual rate are from those of another that looks like it. */
const stretched: readonly number[] = usualRates
  .flatMap((a) => usualRates.map((b) => (a.numerator * b.denominator) / (a.denominator * b.numerator)))
  .filter(
    (ratio, i, all) =>
      Math.abs(ratio - 1) < 0.05 && ratio !== 1 && all.findIndex((r) => Math.abs(r - ratio) < 1e-6) === i,
  );
/** So many captions, all along the track, tell how far it is stretched. */
const sampled = 120;

/** Captions all along the track, no more than tell enough. */
const sampleOf = (captions: readonly Begins[]): readonly Begins[] => {
  const step = Math.max(1, captions.length / sampled);
  return Array.from({ length: Math.min(captions.length, sampled) }, (_, i) => captions[Math.floor(i * step)]).flatMap(
    (c) => c ?? [],
  );
};

/** Where a track belongs whose times are all off by as much, or stretched as much; null where neither explains it. */
function alongLine(captions: readonly Begins[], begins: readonly number[]): OffSound | null {
  const some = sampleOf(captions);
  const [first, last] = [captions[0]?.start ?? 0, captions.at(-1)?.start ?? 0];
  for (const ratio of [1, ...stretched]) {
    const stretchedBack = some.map(({ start }) => ({ start: start / ratio }));
    const by = lateness(stretchedBack, begins);
    if (by === null) continue;
    if (ratio === 1)
      return Math.abs(by) < least ? null : { kind: 'steady', from: first, by: Math.round(by), whole: true };
    // How late a caption is grows with its time.
    const lateAt = (ms: number): number => Math.round(ms - (ms / ratio - by));
    return { kind: 'drift', from: first, until: last, first: lateAt(first), last: lateAt(last) };
  }
  return null;
}

/** From which caption on a track is off by as much, where it stands where it belongs before. */
function offFrom(captions: readonly Begins[], begins: readonly number[], by: number): number {
  const begun = (at: number): number => {
    const near = begins[bisectLeft(begins, at - within)];
    return near !== undefined && near <= at + within ? 1 : 0;
  };
  // What speaks for right before a caption, and for off from it on, is most at the one that parts them.
  let [balance, best, from] = [0, 0, 0];
  captions.forEach(({ start }, i) => {
    balance += begun(start) - begun(start - by);
    if (balance > best) [best, from] = [balance, i + 1];
  });
  return Math.min(from, captions.length - 1);
}

/** How a track stands beside its sound. */
export type OffSound =
  /** All of it, or from a moment on, by about as much, in ms; late where it is positive. */
  | { readonly kind: 'steady'; readonly from: number; readonly by: number; readonly whole: boolean }
  /** More and more, from the first to the last caption. */
  | {
      readonly kind: 'drift';
      readonly from: number;
      readonly until: number;
      readonly first: number;
      readonly last: number;
    }
  /** Differently from part to part. */
  | {
      readonly kind: 'parts';
      readonly from: number;
      readonly until: number;
      readonly least: number;
      readonly most: number;
    };

/** What fewer captions at the beginning seem to be is chance. */
const few = 5;
/** Parts that differ by less than this, in ms, are off by as much. */
const asMuch = 300;
/** Fewer of the looks at a track than this share tell nothing of it. */
const enough = 0.15;

/**
 * How a track stands beside its sound; null where it stands where it belongs, or where the sound does not tell.
 * @param captions that are timed, in order
 */
export function offSound(captions: readonly Begins[], speech: readonly Stretch[]): OffSound | null {
  if (captions.length < fewest) return null;
  const begins = speech.map(({ start }) => start);
  const parts: OffPart[] = [];
  let [looks, rightOnes] = [0, 0];
  for (let first = 0; first === 0 || first + together <= captions.length; first += onward) {
    const those = captions.slice(first, first + together);
    const by = lateness(those, begins);
    looks++;
    if (by !== null && Math.abs(by) < least) rightOnes++;
    const [from, until] = [those[0]?.start ?? 0, those.at(-1)?.start ?? 0];
    if (by !== null && Math.abs(by) >= least) parts.push({ from, until, by: Math.round(by) });
  }
  const [earliest, latest] = extent(parts, (part) => part.by);
  const [begin, end] = [parts[0], parts.at(-1)];
  if (!begin || !end || earliest === undefined) return rightOnes > 0 ? null : alongLine(captions, begins);
  if (parts.length < looks * enough) return null;
  if (latest - earliest > asMuch)
    return { kind: 'parts', from: begin.from, until: end.until, least: earliest, most: latest };
  const by = Math.round(median(parts, (part) => part.by) ?? 0);
  const first = offFrom(captions, begins, by);
  return { kind: 'steady', from: captions[first]?.start ?? begin.from, by, whole: first < few };
}
