/**
 * Where somebody speaks, and where else something is heard: a network says which pieces of the sound hold a voice
 * (`voice-net.ts`), and the loudness around says where exactly that begins and ends. The figures were found by trial
 * on human telephone prompts whose times are known and on synthetic speech.
 */

import { NotDecoded } from '../model/decode.ts';
import { steadyTones } from './steady-tones.ts';

/** Raised where regions come out otherwise than before, so that those that are kept are looked for again. */
export const regionsMethod = 2;
/** The length of a piece whose voice is told, and of a frame whose loudness is told, in ms. */
export const [pieceMs, frameMs] = [32, 10];

/** A stretch of sound, [start, end), in ms. */
export interface Stretch {
  readonly start: number;
  readonly end: number;
}
/** What is heard in a recording, each list in order of time. */
export interface Regions {
  readonly speech: readonly Stretch[];
  /** Something loud enough to be heard that is no speech. */
  readonly sound: readonly Stretch[];
}

/** A voice is there from this likelihood on, and until it falls under the second. */
const [on, off] = [0.5, 0.35];
/** Shorter silences do not part speech, shorter speech is none; in ms. */
const least = 100;
/** Where a voice begins and ends: this far under its loudest, and so far over what is there without it; in dB. */
const [underPeak, overFloor] = [33, 6];
/** With less than this between the two, in dB, something else sounds on: the loudness does not tell where it ends. */
const clear = 40;
/** What is there without the voice is looked for so far around, in ms. */
const around = 3000;
/** How far a beginning or end is looked for outside and inside what the network said, in ms. */
const [outside, inside] = [250, 150];
/** So many quiet frames may stand inside a word, such as before a p. */
const bridged = 4;
/** What the network keeps on for after the voice has gone, in ms. */
const lingers = 60;
/** Sound is this far over the quietest of the recording, in dB, for at least so long, with pauses up to so long, in ms. */
const [overQuiet, leastSound, soundPause] = [12, 500, 300];

/** The value that a share of all is not over. @param share 0 to 1 */
function quantile(values: Float32Array, share: number): number {
  const sorted = Float32Array.from(values).sort();
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? -100;
}

/** Stretches in which the network hears a voice, in ms. @param voice likelihood for each piece */
function spokenPieces(voice: Float32Array): Stretch[] {
  const found: Stretch[] = [];
  let start = -1;
  let quiet = -1;
  const close = (end: number): void => {
    if ((end - start) * pieceMs >= least) found.push({ start: start * pieceMs, end: end * pieceMs });
    start = quiet = -1;
  };
  for (let i = 0; i < voice.length; i++) {
    const likely = voice[i] ?? 0;
    if (start < 0) {
      if (likely >= on) start = i;
      continue;
    }
    if (likely >= on) quiet = -1;
    if (likely < off && quiet < 0) quiet = i;
    if (quiet >= 0 && (i + 1 - quiet) * pieceMs >= least) close(quiet);
  }
  if (start >= 0) close(quiet >= 0 ? quiet : voice.length);
  return found;
}

/** A stretch with its ends where the loudness puts them. @param loud dB of each frame */
function withEdges(stretch: Stretch, loud: Float32Array): Stretch {
  const [from, to] = [Math.floor(stretch.start / frameMs), Math.ceil(stretch.end / frameMs)];
  const peak = loud.subarray(from, to).reduce((most, each) => Math.max(most, each), -100);
  const reach = around / frameMs;
  const threshold = (at: number): { readonly level: number; readonly isClear: boolean } => {
    const floor = quantile(loud.subarray(Math.max(0, at - reach), at + reach), 0.05);
    return { level: Math.max(peak - underPeak, floor + overFloor), isClear: peak - floor >= clear };
  };
  /** The outermost frame of the voice, looked for from the network's in steps of -1 or 1 outwards; null where there is none. */
  const edge = (at: number, step: 1 | -1, level: number): number | null => {
    const isLoud = (frame: number): boolean => (loud[frame] ?? -100) >= level;
    let last: number | null = null;
    for (let n = -inside / frameMs; n <= outside / frameMs; n++) {
      if (isLoud(at + n * step)) last = at + n * step;
      else if (n > 0 && Math.abs(at + n * step - (last ?? at)) > bridged) break;
    }
    return last;
  };
  const begin = threshold(from);
  const finish = threshold(to);
  const first = begin.isClear ? edge(from, -1, begin.level) : null;
  const last = finish.isClear ? edge(to - 1, 1, finish.level) : null;
  const start = first === null ? stretch.start : first * frameMs;
  const end = last === null ? stretch.end - (finish.isClear ? 0 : lingers) : (last + 1) * frameMs;
  return end > start ? { start, end } : stretch;
}

/** Stretches that touch or overlap are one. */
function joined(stretches: readonly Stretch[], pause: number): Stretch[] {
  const out: Stretch[] = [];
  for (const each of stretches) {
    const before = out.at(-1);
    if (before && each.start - before.end <= pause)
      out[out.length - 1] = { start: before.start, end: Math.max(before.end, each.end) };
    else out.push(each);
  }
  return out;
}

/** What is left of stretches where others are taken out; both in order of time. */
function without(stretches: readonly Stretch[], others: readonly Stretch[]): Stretch[] {
  let next = 0;
  return stretches.flatMap((stretch) => {
    const left: Stretch[] = [];
    let { start } = stretch;
    while ((others[next]?.end ?? Infinity) <= start) next++;
    for (let i = next; i < others.length; i++) {
      const other = others[i];
      if (!other || other.start >= stretch.end) break;
      if (other.start > start) left.push({ start, end: other.start });
      start = Math.max(start, other.end);
    }
    if (start < stretch.end) left.push({ start, end: stretch.end });
    return left;
  });
}

/** What is left of a voice beside a tone is none where it is shorter than this: how the tone begins and dies away, in ms. */
const edgeOfTone = 300;

/** Voices without the tones that were taken for some, and without what is only their beginning or end. */
function withoutTones(voices: readonly Stretch[], tones: readonly Stretch[]): Stretch[] {
  return voices.flatMap((voice) =>
    without([voice], tones).filter(
      (part) => (part.start === voice.start && part.end === voice.end) || part.end - part.start >= edgeOfTone,
    ),
  );
}

/**
 * Speech, and sound that is none.
 * @param voice how likely each piece of 32 ms holds a voice, 0 to 1
 * @param loud how loud each frame of 10 ms is, in dB against the loudest there can be
 */
export function regionsOf(voice: Float32Array, loud: Float32Array): Regions {
  const voices = joined(
    spokenPieces(voice).map((stretch) => withEdges(stretch, loud)),
    0,
  );
  const speech = withoutTones(voices, steadyTones(loud, frameMs));
  const level = quantile(loud, 0.05) + overQuiet;
  const heard: Stretch[] = [];
  let start = -1;
  for (let i = 0; i <= loud.length; i++) {
    const isLoud = i < loud.length && (loud[i] ?? -100) >= level;
    if (isLoud && start < 0) start = i;
    if (!isLoud && start >= 0) {
      heard.push({ start: start * frameMs, end: i * frameMs });
      start = -1;
    }
  }
  // The ring of a last word is no sound of its own.
  const alone = without(heard, speech).filter(({ start, end }) => end - start >= least);
  const sound = joined(alone, soundPause).filter(({ start, end }) => end - start >= leastSound);
  return { speech, sound };
}

/** Reads regions from unknown JSON. @throws {NotDecoded} naming the place */
export function decodeRegions(value: { readonly speech: unknown; readonly sound: unknown }): Regions {
  const stretches = (name: 'speech' | 'sound'): Stretch[] => {
    const list: unknown = value[name];
    if (!Array.isArray(list)) throw new NotDecoded(`${name}: expected a list.`);
    let before = 0;
    return (list as readonly unknown[]).map((each, i) => {
      const { start, end } = (each ?? {}) as { readonly start?: unknown; readonly end?: unknown };
      if (typeof start !== 'number' || typeof end !== 'number' || !Number.isInteger(start) || !Number.isInteger(end))
        throw new NotDecoded(`${name}[${String(i)}]: expected a start and an end in whole milliseconds.`);
      if (start < before || end <= start)
        throw new NotDecoded(`${name}[${String(i)}]: expected it after the one before, and its end after its start.`);
      before = end;
      return { start, end };
    });
  };
  return { speech: stretches('speech'), sound: stretches('sound') };
}
