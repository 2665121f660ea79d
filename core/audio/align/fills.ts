/** Words between anchors, made to fit the sound between them, where that sound is what they need. */
import { pushAll } from '../../text/push-all.ts';
import { heardFor, stretchesIn } from '../heard-under.ts';
import type { Stretch } from '../regions.ts';
import type { ReadSound } from './anchors.ts';
import { goesWithSound } from './evidence.ts';
import { exactly, type Hearing, type PlacedWord } from './grammars.ts';
import { padding } from './groups.ts';
import { sayingTime } from './script.ts';

/** Words that are not placed yet, and the sound they are probably in. */
export interface WordsToFill {
  readonly from: number;
  /** The last is not among them. */
  readonly to: number;
  /** In ms. */
  readonly start: number;
  readonly end: number;
}

/** Sound under this share of what words need cannot hold them; over the second there is more in it. */
const [tooLittle, tooMuch] = [0.4, 2.5];
/** A fill stands over this. */
const leastMean = -30;
/** Words in it that go with their sound this badly, or last too long, are left out. */
const leastScore = -48;
/** No fill is longer than this, in ms: an engine that is made to fit words to minutes of other sound will. */
const longest = 30_000;

/** Gaps between anchors. @param anchors in order @param length of the recording, in ms */
export function gapsBetween(
  anchors: readonly PlacedWord[],
  { script }: Pick<Hearing, 'script'>,
  speech: readonly Stretch[],
  length: number,
): WordsToFill[] {
  const gaps: WordsToFill[] = [];
  const many = script.words.length;
  let [word, time] = [0, 0];
  for (const anchor of [...anchors, { word: many, start: length, end: length }]) {
    if (anchor.word > word) {
      const inside = stretchesIn(speech, time, anchor.start);
      const heard = heardFor(speech, time, anchor.start);
      const needs = sayingTime(script, word, anchor.word);
      const start = Math.max(time, (inside[0]?.start ?? time) - padding);
      const end = Math.min(anchor.start, (inside.at(-1)?.end ?? anchor.start) + padding);
      const atEdge = word === 0 || anchor.word === many;
      if (heard >= needs * tooLittle && heard <= needs * tooMuch && end - start <= longest)
        gaps.push({ from: word, to: anchor.word, start, end });
      else if (heard > needs * tooMuch && !atEdge)
        pushAll(gaps, atBothEnds(script, word, anchor.word, time, anchor.start));
      else if (heard > needs * tooMuch) pushAll(gaps, besideEdge(script, word, anchor.word, time, anchor.start, many));
    }
    [word, time] = [anchor.word + 1, anchor.end];
  }
  return gaps;
}

/** Time for words where there is more than they need. */
const room = 1.6;

/** Words that go with the anchor before them by their caption, and those that go with the one after, each in its own part of the sound. */
function atBothEnds(script: Hearing['script'], from: number, to: number, start: number, end: number): WordsToFill[] {
  const captionOf = (word: number): number => script.words[word]?.caption ?? -1;
  let head = from;
  while (head < to && captionOf(head) === captionOf(from - 1)) head++;
  let tail = to;
  while (tail > head && captionOf(tail - 1) === captionOf(to)) tail--;
  const found: WordsToFill[] = [];
  if (head > from)
    found.push({ from, to: head, start, end: Math.min(end, start + sayingTime(script, from, head) * room + padding) });
  if (tail < to)
    found.push({ from: tail, to, start: Math.max(start, end - sayingTime(script, tail, to) * room - padding), end });
  return found;
}
/** The same at the beginning or end of all. */
function besideEdge(
  script: Hearing['script'],
  from: number,
  to: number,
  start: number,
  end: number,
  many: number,
): WordsToFill[] {
  const needs = sayingTime(script, from, to) * room + padding;
  if (needs > longest) return [];
  return to === many
    ? [{ from, to, start, end: Math.min(end, start + needs) }]
    : [{ from, to, start: Math.max(start, end - needs), end }];
}

/** Whether words made to fit are what is said there. */
function stands(placed: readonly PlacedWord[]): boolean {
  const time = placed.reduce((sum, p) => sum + p.end - p.start, 0);
  const score = placed.reduce((sum, p) => sum + p.score * (p.end - p.start), 0);
  return placed.length > 0 && score / Math.max(1, time) > leastMean;
}

/** Words of gaps, where they are surely said. @param tell called after each gap */
export async function fillsFor(
  hearing: Hearing,
  sound: ReadSound,
  gaps: readonly WordsToFill[],
  tell: (done: number) => void,
): Promise<PlacedWord[]> {
  const found: PlacedWord[] = [];
  for (const [i, gap] of gaps.entries()) {
    if (gap.end - gap.start >= 60) {
      const samples = await sound(gap.start, gap.end);
      const placed = exactly(hearing, { samples, at: gap.start }, gap.from, gap.to);
      if (placed && stands(placed))
        pushAll(
          found,
          placed.filter((p) => goesWithSound(hearing, p, leastScore)),
        );
    }
    tell(i + 1);
  }
  return found;
}
