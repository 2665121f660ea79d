/** Cues of a file to captions, the same way for every format that has cues. */
import { inOrder, type Caption, type Foreign } from '../track/caption.ts';
import { timedWords, type Inline } from './inline.ts';
import type { Mended, ReadCaption } from './format.ts';

export interface Cue {
  /** In ms. */
  readonly start: number;
  /** In ms. */
  readonly end: number;
  readonly timing: Caption['timing'];
  readonly foreign: Foreign | null;
}

/** A caption of a cue: its markup as ranges, timestamps inside it as word times. */
export function captionOfCue(cue: Cue, inline: Inline): ReadCaption {
  return {
    start: cue.start,
    end: cue.end,
    timing: cue.timing,
    text: inline.text,
    marks: inline.marks,
    speakers: inline.speakers,
    words: timedWords(inline, cue.start, cue.end),
    placement: inline.placement,
    proofed: false,
    letBe: [],
    foreign: cue.foreign,
  };
}

/** A caption and the line of the file it stands on. */
export interface OnLine {
  readonly line: number;
  readonly caption: ReadCaption;
}

/** Puts captions in order and says so where the file had them otherwise. */
export function ordered(captions: readonly OnLine[], mended: Mended[]): ReadCaption[] {
  let disorder = false;
  for (let i = 1; i < captions.length; i++) {
    const here = captions[i];
    const before = captions[i - 1];
    if (!here || !before) continue;
    if (here.caption.start < before.caption.start) {
      mended.push({
        line: here.line,
        message: 'This caption begins before the one above it; it was moved to its place in time.',
      });
      disorder = true;
    } else if (here.caption.start === before.caption.start && here.caption.end < before.caption.end) disorder = true;
  }
  if (!disorder) return captions.map((c) => c.caption);
  return captions
    .map(({ caption }, i) => ({ caption, key: { ...caption, id: String(i).padStart(9, '0') } }))
    .sort((a, b) => inOrder(a.key, b.key))
    .map((c) => c.caption);
}

/** Captions of a file with ids given by whoever takes them in. */
export const withIds = (captions: readonly ReadCaption[], newId: () => string): Caption[] =>
  captions.map((c) => ({ ...c, id: newId() }));

/** A text without the blank lines that would end a caption in formats of blocks. */
export function withoutBlankLines(text: string): string {
  return text.includes('\n')
    ? text
        .split('\n')
        .filter((line) => line.trim() !== '')
        .join('\n')
    : text;
}
