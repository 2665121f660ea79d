/** Where a track read as a text begins a new paragraph. */
import type { Caption } from '../model/caption.ts';

/** A pause that begins a new paragraph, in ms. */
const pause = 2000;

/** Who speaks in a caption first; empty where nobody is named. */
export const voiceOf = (c: Caption): string => c.speakers[0]?.speaker ?? '';

/** Whether a caption begins a paragraph: somebody else speaks, a label says who does, or it was quiet before. */
export function beginsPassage(before: Caption | null, here: Caption): boolean {
  if (!before) return true;
  const named = here.speakers.some((s) => s.from === 0 && s.label > 0);
  return named || here.start - before.end >= pause || voiceOf(here) !== voiceOf(before);
}
