/** Cues of a file to captions, the same way for every format that has cues. */
import { inOrder, type Caption, type Foreign, type Placement } from '../track/caption.ts';
import { timedWords, type Inline } from './inline.ts';
import type { Mended, ReadCaption } from './format.ts';

export interface RawCue {
  /** Line of the time line in the file, from 1. */
  readonly line: number;
  readonly start: number;
  readonly end: number;
  readonly payload: string;
  readonly foreign: Foreign | null;
  readonly placement?: Placement | null;
}

/**
 * A caption of a cue, with its markup as ranges and timestamps inside it as word times.
 * @param parse reads the markup of the format
 */
export function captionOfCue(cue: RawCue, parse: (payload: string) => Inline): ReadCaption {
  const inline = parse(cue.payload);
  return {
    start: cue.start,
    end: cue.end,
    timing: 'set',
    text: inline.text,
    marks: inline.marks,
    speakers: inline.speakers,
    words: timedWords(inline, cue.start, cue.end),
    placement: cue.placement ?? null,
    proofed: false,
    letBe: [],
    foreign: cue.foreign,
  };
}

/** Puts captions in order and says so where the file had them otherwise. */
export function ordered(
  captions: readonly { readonly line: number; readonly caption: ReadCaption }[],
  mended: Mended[],
): ReadCaption[] {
  const numbered = captions.map((c, i) => ({ ...c, key: { ...c.caption, id: String(i).padStart(9, '0') } }));
  for (let i = 1; i < numbered.length; i++) {
    const here = numbered[i];
    const before = numbered[i - 1];
    if (here && before && here.caption.start < before.caption.start) {
      mended.push({
        line: here.line,
        message: 'This caption begins before the one above it; it was moved to its place in time.',
      });
    }
  }
  return numbered.sort((a, b) => inOrder(a.key, b.key)).map((c) => c.caption);
}

/** Captions of a file with ids given by whoever takes them in. */
export const withIds = (captions: readonly ReadCaption[], newId: () => string): Caption[] =>
  captions.map((c) => ({ ...c, id: newId() }));
