/** The first captions of a machine draft: words gathered by pauses and limits. */
import { lineLength, need } from '../text/measures.ts';
import { smallestGap, type FrameRate, type HouseStyle } from '../rules/style.ts';
import type { HeardWord } from '../formats/ctm/ctm.ts';
import type { ReadCaption } from '../formats/format.ts';
import type { WordRange } from '../track/caption.ts';

/** A pause that ends a caption, in ms. */
const pause = 450;
/** How long a caption may stay after its last word where there is room, in ms. */
const linger = 600;

/** Where to break a text in two lines: the most even break that fits, the first line the shorter one. Null if none fits. */
export function evenBreak(text: string, style: HouseStyle): number | null {
  const { limit } = style.text.lineLength;
  let best: { at: number; cost: number } | null = null;
  for (let at = text.indexOf(' '); at >= 0; at = text.indexOf(' ', at + 1)) {
    const first = lineLength(text.slice(0, at), style.counting);
    const second = lineLength(text.slice(at + 1), style.counting);
    if (first > limit || second > limit) continue;
    const cost = Math.abs(first - second) + (first > second ? 0.5 : 0);
    if (!best || cost < best.cost) best = { at, cost };
  }
  return best?.at ?? null;
}

function fits(text: string, style: HouseStyle): boolean {
  const { limit } = style.text.lineLength;
  return lineLength(text, style.counting) <= limit || (style.text.lines.limit > 1 && evenBreak(text, style) !== null);
}

/** Splits words into captions: at pauses, and before the word that no longer fits or makes it too long on screen. */
function gather(words: readonly HeardWord[], style: HouseStyle): HeardWord[][] {
  const groups: HeardWord[][] = [];
  let group: HeardWord[] = [];
  for (const word of words) {
    const first = group[0];
    const last = group.at(-1);
    const text = [...group, word].map((w) => w.text).join(' ');
    if (
      first &&
      last &&
      (word.start - last.end >= pause || word.end - first.start > style.time.longest.limit || !fits(text, style))
    ) {
      groups.push(group);
      group = [];
    }
    group.push(word);
  }
  if (group.length > 0) groups.push(group);
  return groups;
}

function captionOf(words: readonly HeardWord[], end: number, style: HouseStyle): ReadCaption {
  const text = words.map((w) => w.text).join(' ');
  const at =
    lineLength(text, style.counting) > style.text.oneLineUpTo && style.text.lines.limit > 1
      ? evenBreak(text, style)
      : null;
  let from = 0;
  const ranges = words.map((w): WordRange => {
    const range: WordRange = [from, from + w.text.length, w.start, w.end, w.certainty, 'recogniser', w.text];
    from += w.text.length + 1;
    return range;
  });
  return {
    start: words[0]?.start ?? 0,
    end,
    timing: 'set',
    text: at === null ? text : `${text.slice(0, at)}\n${text.slice(at + 1)}`,
    marks: [],
    speakers: [],
    words: ranges,
    placement: null,
    proofed: false,
    letBe: [],
    foreign: null,
  };
}

/**
 * Groups recognised words into captions of a house style. Each begins with its first word and ends
 * after its last, later where reading needs it and the next leaves room.
 * @param words in order of time
 */
export function groupWords(
  words: readonly HeardWord[],
  style: HouseStyle,
  rate: FrameRate = { numerator: 25, denominator: 1 },
): ReadCaption[] {
  const groups = gather(words, style);
  const gap = Math.ceil(smallestGap(style, rate));
  return groups.map((group, i) => {
    const start = group[0]?.start ?? 0;
    const spoken = Math.max(...group.map((w) => w.end));
    const characters = lineLength(group.map((w) => w.text).join(' '), style.counting);
    const wanted = Math.max(
      spoken + linger,
      start + style.time.shortest.limit,
      start + need(characters, style.reading.speed.target),
    );
    const room = (groups[i + 1]?.[0]?.start ?? Infinity) - gap;
    return captionOf(group, Math.max(start + 1, Math.min(wanted, room)), style);
  });
}
