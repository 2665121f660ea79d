/** Which captions are listened to, so that ties to them tell how a whole track is off. */
import { isSpoken } from '../text/sound-notes.ts';
import type { Caption } from '../track/caption.ts';

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
