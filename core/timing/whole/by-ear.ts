/** Which captions are listened to, so that ties to them tell how a whole track is off. */
import { isSpoken } from '../../text/sound-notes.ts';
import type { Caption } from '../../model/caption.ts';
import type { Piece } from '../../model/pieces.ts';

/**
 * As many captions as are asked for, spread evenly over the time of a track, the first and the last among them: what is
 * far apart tells a drift best. Captions with nothing said in them, and those without times, tell nothing.
 */
export function placesToTie(captions: readonly Caption[], many: number): readonly Caption[] {
  const said = captions.filter((c) => c.timing === 'set' && isSpoken(c.text));
  const [first, last] = [said[0], said.at(-1)];
  if (!first || !last || said.length <= many) return said;
  const chosen = new Set<Caption>();
  for (let n = 0; n < many; n++) {
    const wanted = first.start + ((last.start - first.start) * n) / Math.max(1, many - 1);
    const nearest = said.reduce((best, c) => (Math.abs(c.start - wanted) < Math.abs(best.start - wanted) ? c : best));
    chosen.add(nearest);
  }
  return said.filter((c) => chosen.has(c));
}

/** Ties whose offsets differ by less than this tell nothing of where a change is, in ms. */
const change = 200;

/**
 * The caption halfway between the two ties next to each other that disagree most: heard again and again, it finds where a
 * drift begins or something was cut. Null where all agree, or nothing is said between those two.
 * @param ties in order
 */
export function halfwayPlace(captions: readonly Caption[], ties: readonly Piece[]): Caption | null {
  let [most, at] = [change, -1];
  ties.forEach(([from, to], i) => {
    const before = ties[i - 1];
    if (!before) return;
    const jump = Math.abs(to - from - (before[1] - before[0]));
    if (jump > most) [most, at] = [jump, i];
  });
  const [before, after] = [ties[at - 1], ties[at]];
  if (!before || !after) return null;
  const middle = (before[0] + after[0]) / 2;
  const between = captions.filter(
    (c) => c.timing === 'set' && isSpoken(c.text) && c.start > before[0] && c.start < after[0],
  );
  return between.reduce<Caption | null>(
    (best, c) => (best && Math.abs(best.start - middle) <= Math.abs(c.start - middle) ? best : c),
    null,
  );
}
