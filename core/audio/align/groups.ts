/** Stretches of speech gathered into groups that are heard as one. */
import type { Stretch } from '../regions.ts';

/** Groups are to be so long, in ms. */
const [shortest, longest] = [4000, 12_000];
/** A pause over this always parts groups where they are long enough; one over the second may part longer ones. In ms. */
const [pause, small] = [800, 120];
/** So much is heard around a group, in ms: the engine wants to hear where words begin. */
export const padding = 120;

/** @param speech in order of time @param length of the recording, in ms */
export function groupsOf(speech: readonly Stretch[], length: number): Stretch[] {
  const groups: Stretch[] = [];
  let from = 0;
  const take = (to: number): void => {
    const [first, last] = [speech[from], speech[to - 1]];
    if (first && last)
      groups.push({ start: Math.max(0, first.start - padding), end: Math.min(length, last.end + padding) });
    from = to;
  };
  for (let i = 0; i < speech.length; i++) {
    const [first, here, next] = [speech[from], speech[i], speech[i + 1]];
    if (!first || !here) continue;
    const lasts = here.end - first.start;
    const gap = next ? next.start - here.end : Infinity;
    if (gap > pause && lasts >= shortest) take(i + 1);
    else if (next && next.end - first.start > longest) {
      // At the longest pause so far, if there is any worth the name.
      let best = i + 1;
      let widest = gap;
      for (let k = from; k < i; k++) {
        const between = (speech[k + 1]?.start ?? 0) - (speech[k]?.end ?? 0);
        if (between > widest && (speech[k]?.end ?? 0) - first.start >= shortest / 2) [best, widest] = [k + 1, between];
      }
      if (widest >= small) {
        take(best);
        i = best - 1;
      }
    }
  }
  take(speech.length);
  return groups.flatMap(inParts);
}

/** A group without pauses that is far too long is cut anyway. */
function inParts(group: Stretch): Stretch[] {
  const lasts = group.end - group.start;
  const many = Math.ceil(lasts / (longest * 2));
  return Array.from({ length: many }, (_, i) => ({
    start: Math.round(group.start + (lasts * i) / many),
    end: Math.round(group.start + (lasts * (i + 1)) / many),
  }));
}
