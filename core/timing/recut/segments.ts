/**
 * Two recordings of one thing held against each other by their prints: which stretch of the new one is which of the old
 * one, so that what was cut, put in or moved is known. Prints that are the same tell how far the two may be apart; the
 * way through those distances that the most bits agree with is found by dynamic programming.
 */
import { max, min } from 'd3-array';
import type { Segment } from '../whole/segment.ts';
import { bitsApart, printsPerSecond, type Fingerprint } from './fingerprint.ts';

/** Prints of one value that stand in more places than this tell nothing. */
const mostPlaces = 40;
/** Distances are looked for in windows of so many prints, the best of each with so many prints alike. */
const [windowPrints, perWindow, leastAlike] = [300, 4, 4];
/** A way is judged in steps of so many prints. */
const block = 10;
/** Bits of 32 that may differ before two prints are rather unlike than alike. */
const unlike = 11;
/** What it costs to go on elsewhere, in bits: so that a moment of chance is no cut. */
const change = 220;
/** Stretches shorter than this are chance, in ms. */
const leastLength = 400;
const step = 1000 / printsPerSecond;

/** How far apart the two may be, in prints of the old less those of the new. */
interface Distances {
  readonly all: readonly number[];
  /** For each window of the new recording the places of those that are likely there. */
  readonly inWindow: readonly (readonly number[])[];
}
function distancesOf(was: Fingerprint, now: Fingerprint): Distances {
  const places = new Map<number, number[]>();
  was.prints.forEach((print, i) => {
    if (was.quiet[i] === 1) return;
    const at = places.get(print);
    if (!at) places.set(print, [i]);
    else if (at.length <= mostPlaces) at.push(i);
  });
  const all = new Map<number, number>();
  const inWindow: number[][] = [];
  for (let from = 0; from < now.prints.length; from += windowPrints) {
    const votes = new Map<number, number>();
    for (let i = from; i < Math.min(now.prints.length, from + windowPrints); i++) {
      const at = now.quiet[i] === 1 ? undefined : places.get(now.prints[i] ?? 0);
      if (!at || at.length > mostPlaces) continue;
      for (const place of at) votes.set(place - i, (votes.get(place - i) ?? 0) + 1);
    }
    const best = [...votes].filter(([, many]) => many >= leastAlike).sort((a, b) => b[1] - a[1]);
    inWindow.push(
      best.slice(0, perWindow).map(([distance]) => {
        const known = all.get(distance) ?? all.size;
        all.set(distance, known);
        return known;
      }),
    );
  }
  return { all: [...all.keys()], inWindow };
}

/** How much speaks for one print being another, in bits: below 0 where they are rather unlike. */
function alike(was: Fingerprint, now: Fingerprint, i: number, distance: number): number {
  const j = i + distance;
  if (j < 0 || j >= was.prints.length) return -unlike;
  // What is heard in silence is chance: it tells nothing.
  if (now.quiet[i] === 1 || was.quiet[j] === 1) return 0;
  return unlike - bitsApart(now.prints[i] ?? 0, was.prints[j] ?? 0);
}

/** Stretches of the new recording with the distance each has; a distance of null is one that the old does not have. */
interface Run {
  readonly from: number;
  readonly to: number;
  readonly distance: number | null;
}

/** The way through the distances that most speaks for, a step of prints at a time. */
function way(was: Fingerprint, now: Fingerprint, { all, inWindow }: Distances): readonly Run[] {
  // The first state is that the old recording has nothing of it.
  const states = [null, ...all];
  const blocks = Math.ceil(now.prints.length / block);
  const best = new Float64Array(states.length);
  /** For each step the state before it, of those that were looked at; the others stay what they are. */
  const before: ReadonlyMap<number, number>[] = [];
  for (let b = 0; b < blocks; b++) {
    let top = 0;
    for (let s = 1; s < best.length; s++) if ((best[s] ?? 0) > (best[top] ?? 0)) top = s;
    const go = (best[top] ?? 0) - (b === 0 ? 0 : change);
    const window = Math.floor((b * block) / windowPrints);
    const near = [window - 1, window, window + 1].flatMap((w) => inWindow[w] ?? []);
    // Those that are likely here, and those that have not fallen behind: any other would be begun again.
    const looked = new Set([0, ...near.map((s) => s + 1)]);
    for (let s = 1; s < best.length; s++) if ((best[s] ?? 0) >= go) looked.add(s);
    const from = new Map<number, number>();
    const end = Math.min(now.prints.length, (b + 1) * block);
    for (const s of looked) {
      const distance = states[s] ?? null;
      let own = 0;
      if (distance !== null) for (let i = b * block; i < end; i++) own += alike(was, now, i, distance);
      const stay = best[s] ?? 0;
      from.set(s, stay >= go ? s : top);
      best[s] = own + Math.max(stay, go);
    }
    before.push(from);
  }
  let s = best.indexOf(max(best) ?? 0);
  const runs: Run[] = [];
  for (let b = blocks - 1; b >= 0; b--) {
    const distance = states[s] ?? null;
    const last = runs.at(-1);
    const to = Math.min(now.prints.length, (b + 1) * block);
    if (last?.distance === distance) runs[runs.length - 1] = { ...last, from: b * block };
    else runs.push({ from: b * block, to, distance });
    s = before[b]?.get(s) ?? s;
  }
  return runs.reverse();
}

/** Where exactly one run goes over into the next: the print from which on the next agrees better. */
function exactly(was: Fingerprint, now: Fingerprint, runs: readonly Run[]): readonly Run[] {
  const bounds = runs.slice(1).map((run, n) => {
    const before = runs[n];
    if (!before) return run.from;
    const speaks = (i: number, distance: number | null): number =>
      distance === null ? 0 : alike(was, now, i, distance);
    const [from, to] = [Math.max(before.from, run.from - 3 * block), Math.min(run.to, run.from + 3 * block)];
    let [sum, best, at] = [0, 0, from];
    for (let i = from; i < to; i++) {
      sum += speaks(i, before.distance) - speaks(i, run.distance);
      if (sum > best) [best, at] = [sum, i + 1];
    }
    return at;
  });
  return runs.map((run, n) => ({ ...run, from: bounds[n - 1] ?? run.from, to: bounds[n] ?? run.to }));
}

/** So many prints in which nothing is like are a cough, a tone that says nothing, or a bleep: no scene. */
const scene = 1000;
/** Whether prints of the new recording that are like none tell nothing: a moment only, or silence in one of the two. */
function isNothing(was: Fingerprint, now: Fingerprint, from: number, to: number, distance: number): boolean {
  let quiet = 0;
  for (let i = from; i < to; i++) quiet += now.quiet[i] === 1 || was.quiet[i + distance] === 1 ? 1 : 0;
  return to - from < scene || quiet > (to - from) / 2;
}

/**
 * The stretches of the new recording that the old one has too, in order of the new.
 * @param was of the old recording
 * @param now of the new one
 */
export function segmentsOf(was: Fingerprint, now: Fingerprint): readonly Segment[] {
  const found: Segment[] = [];
  for (const { from, to, distance } of exactly(was, now, way(was, now, distancesOf(was, now)))) {
    if (distance === null || (to - from) * step < leastLength) continue;
    const last = found.at(-1);
    const segment = { now: from * step, was: (from + distance) * step, length: (to - from) * step };
    const isOn = last && Math.abs(segment.was - segment.now - (last.was - last.now)) <= step;
    // The same distance after a while or a silence, or one print further after thousands: it is one stretch that goes on.
    if (isOn && isNothing(was, now, (last.now + last.length) / step, segment.now / step, distance))
      found[found.length - 1] = { ...last, length: segment.now + segment.length - last.now };
    else found.push(segment);
  }
  return toTheEnds(found, was.prints.length * step, now.prints.length * step);
}

/** What is left before the first stretch and after the last, where that is no scene, goes with them: noise fades in and out. */
function toTheEnds(found: readonly Segment[], was: number, now: number): readonly Segment[] {
  const first = found[0];
  if (!first) return found;
  const before = Math.min(first.was, first.now);
  const isFaded = Math.max(first.was, first.now) < scene * step;
  const begun = isFaded
    ? [{ now: first.now - before, was: first.was - before, length: first.length + before }, ...found.slice(1)]
    : found;
  const last = begun.at(-1) ?? first;
  const after = [was - last.was - last.length, now - last.now - last.length];
  if ((max(after) ?? -Infinity) >= scene * step) return begun;
  return [...begun.slice(0, -1), { ...last, length: last.length + Math.max(0, min(after) ?? 0) }];
}
