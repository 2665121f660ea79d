/** New captions where somebody speaks and there is none. */
import { max, maxIndex } from 'd3-array';
import { heardFor } from '../../audio/heard-under.ts';
import type { Stretch } from '../../audio/regions.ts';
import { pushAll } from '../../text/push-all.ts';
import type { MoveRules, Timed } from './move.ts';
import type { SpeechRoom } from './to-speech.ts';

/** Figures of new captions, in ms. */
export interface NewCaptions extends SpeechRoom {
  readonly shortest: number;
  readonly usual: number;
  readonly longest: number;
}

/** Speech that is less apart than this, in ms, may be one caption (common practice: a shorter pause ends no phrase). */
const oneBreath = 500;

/** Speech that captions cover less than half of. */
function uncovered(captions: readonly Timed[], speech: readonly Stretch[]): readonly Stretch[] {
  let next = 0;
  return speech.filter(({ start, end }) => {
    while ((captions[next]?.end ?? Infinity) <= start) next++;
    let over = next;
    while ((captions[over]?.start ?? Infinity) < end) over++;
    return heardFor(captions.slice(next, over), start, end) * 2 < end - start;
  });
}

/** Runs of speech with pauses of less than a breath in them, and no caption. */
function runsOf(speech: readonly Stretch[], captions: readonly Timed[]): readonly (readonly Stretch[])[] {
  const runs: Stretch[][] = [];
  let next = 0;
  for (const stretch of speech) {
    const run = runs.at(-1);
    const last = run?.at(-1);
    while ((captions[next]?.start ?? Infinity) < (last?.start ?? stretch.start)) next++;
    const isApart = !last || stretch.start - last.end >= oneBreath || (captions[next]?.start ?? Infinity) < stretch.end;
    if (isApart) runs.push([stretch]);
    else run?.push(stretch);
  }
  return runs;
}

/** From the beginning of the first to the end of the last. */
const spanOf = (run: readonly Stretch[]): Stretch => ({ start: run[0]?.start ?? 0, end: run.at(-1)?.end ?? 0 });
const lengthOf = (run: readonly Stretch[]): number => spanOf(run).end - spanOf(run).start;

/**
 * A run as pieces that are each no longer than is usual, divided at the longest pause that leaves none too short; one
 * stretch that nobody pauses in stays whole.
 */
function pieces(run: readonly Stretch[], figures: NewCaptions): readonly Stretch[] {
  const { usual, shortest, longest } = figures;
  if (run.length < 2 || lengthOf(run) <= usual) return [spanOf(run)];
  const pauses = run.slice(1).map(({ start }, i) => {
    const fits = lengthOf(run.slice(0, i + 1)) >= shortest && lengthOf(run.slice(i + 1)) >= shortest;
    return fits || lengthOf(run) > longest ? start - (run[i]?.end ?? start) + (fits ? oneBreath : 0) : -1;
  });
  const at = maxIndex(pauses);
  if ((pauses[at] ?? -1) < 0) return [spanOf(run)];
  return [...pieces(run.slice(0, at + 1), figures), ...pieces(run.slice(at + 1), figures)];
}

/** A stretch that is too long for a caption, shared evenly among as few as it needs, the gap between them. */
function shared({ start, end }: Stretch, longest: number, gap: number): readonly Stretch[] {
  const many = Math.max(1, Math.ceil((end - start) / longest));
  return Array.from({ length: many }, (_, n) => ({
    start: start + Math.round(((end - start) * n) / many),
    end: start + Math.round(((end - start) * (n + 1)) / many) - (n + 1 < many ? gap : 0),
  }));
}

/**
 * Times of new captions, for all speech that captions cover less than half of: what is said in one breath together, up
 * to the usual length, divided at pauses; none over the longest, nor under the shortest.
 */
export function captionsForSpeech(
  captions: readonly Timed[],
  speech: readonly Stretch[],
  figures: NewCaptions,
  { gap, length }: Pick<MoveRules, 'gap' | 'length'>,
): readonly Stretch[] {
  const { lead, linger, shortest, longest } = figures;
  const wanted = runsOf(uncovered(captions, speech), captions).flatMap((run) => pieces(run, figures));
  const made: Stretch[] = [];
  let next = 0;
  for (const [i, { start, end }] of wanted.entries()) {
    while ((captions[next]?.end ?? Infinity) <= start) next++;
    let over = next;
    while ((captions[over]?.start ?? Infinity) < end) over++;
    const those = captions.slice(next, over);
    // Only what is free of it can be filled: from the last caption that reaches into its beginning to the next one.
    const before = Math.max(
      made.at(-1)?.end ?? -gap,
      captions[next - 1]?.end ?? -gap,
      max(those, (c) => (c.start <= start ? c.end : undefined)) ?? -gap,
    );
    const after = Math.min(
      those.find((c) => c.start > start)?.start ?? captions[over]?.start ?? length + gap,
      wanted[i + 1]?.start ?? Infinity,
    );
    const first = Math.max(before + gap, start - lead);
    const last = Math.min(after - gap, Math.max(end + linger, first + shortest), length);
    if (last - first >= shortest) pushAll(made, shared({ start: first, end: last }, longest, gap));
  }
  return made;
}
