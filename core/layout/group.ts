/** The first captions of a machine draft: pieces of text with times gathered by pauses and limits. */
import { lineLength, need } from '../text/measures.ts';
import { smallestGap, type FrameRate, type HouseStyle } from '../rules/style.ts';
import type { ReadCaption } from '../formats/format.ts';
import { joinTexts, type Ranged } from '../track/ranges.ts';

/** A word or a few, with everything that hangs on them and the time they are said. */
export interface Piece extends Ranged {
  /** In ms. */
  readonly start: number;
  /** In ms. */
  readonly end: number;
}

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

/** Splits pieces into captions: at pauses, and before the piece that no longer fits or makes it too long on screen. */
function gather(pieces: readonly Piece[], style: HouseStyle): Piece[][] {
  const groups: Piece[][] = [];
  let group: Piece[] = [];
  let text = '';
  for (const piece of pieces) {
    const first = group[0];
    const last = group.at(-1);
    const longer = text === '' ? piece.text : `${text} ${piece.text}`;
    if (
      first &&
      last &&
      (piece.start - last.end >= pause || piece.end - first.start > style.time.longest.limit || !fits(longer, style))
    ) {
      groups.push(group);
      group = [];
      text = piece.text;
    } else text = longer;
    group.push(piece);
  }
  if (group.length > 0) groups.push(group);
  return groups;
}

function captionOf(pieces: readonly Piece[], end: number, style: HouseStyle): ReadCaption {
  const whole = joinTexts(pieces, ' ');
  const at =
    lineLength(whole.text, style.counting) > style.text.oneLineUpTo && style.text.lines.limit > 1
      ? evenBreak(whole.text, style)
      : null;
  return {
    start: pieces[0]?.start ?? 0,
    end,
    timing: 'set',
    text: at === null ? whole.text : `${whole.text.slice(0, at)}\n${whole.text.slice(at + 1)}`,
    marks: whole.marks,
    speakers: whole.speakers,
    words: whole.words,
    placement: null,
    proofed: false,
    letBe: [],
    foreign: null,
  };
}

/**
 * Groups pieces into captions of a house style. Each begins with its first piece and ends after its
 * last, later where reading needs it and the next leaves room.
 * @param pieces in order of time, without line breaks
 */
export function groupPieces(
  pieces: readonly Piece[],
  style: HouseStyle,
  rate: FrameRate = { numerator: 25, denominator: 1 },
): ReadCaption[] {
  const groups = gather(pieces, style);
  const gap = Math.ceil(smallestGap(style, rate));
  return groups.map((group, i) => {
    const start = group[0]?.start ?? 0;
    const spoken = group.reduce((latest, p) => Math.max(latest, p.end), 0);
    const characters = lineLength(group.map((p) => p.text).join(' '), style.counting);
    const wanted = Math.max(
      spoken + linger,
      start + style.time.shortest.limit,
      start + need(characters, style.reading.speed.target),
    );
    const room = (groups[i + 1]?.[0]?.start ?? Infinity) - gap;
    return captionOf(group, Math.max(start + 1, Math.min(wanted, room)), style);
  });
}
