/** How captions lie in the one document of the text surface: their texts, one after the other, joined by line breaks. */
import type { Caption } from '../../../core/track/caption.ts';

export interface Layout {
  readonly captions: readonly Caption[];
  /** Document position at which each caption's text begins. */
  readonly starts: readonly number[];
}

/** A place in the document as a place in a caption. */
export interface Spot {
  readonly index: number;
  readonly offset: number;
}

export function layoutOf(captions: readonly Caption[]): Layout {
  const starts: number[] = [];
  let at = 0;
  for (const caption of captions) {
    starts.push(at);
    at += caption.text.length + 1;
  }
  return { captions, starts };
}

export const documentOf = (captions: readonly Caption[]): string => captions.map((c) => c.text).join('\n');

/** The caption a document position lies in; the first and last take what lies before and after. */
export function spotAt(layout: Layout, position: number): Spot {
  let low = 0;
  let high = layout.starts.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((layout.starts[middle] ?? 0) <= position) low = middle + 1;
    else high = middle;
  }
  const index = Math.max(0, low - 1);
  const offset = position - (layout.starts[index] ?? 0);
  return { index, offset: Math.max(0, Math.min(offset, layout.captions[index]?.text.length ?? 0)) };
}

export interface TextChange {
  readonly from: number;
  readonly to: number;
  readonly insert: string;
}

/** The smallest change that makes one text of another. Null when they are the same. */
export function difference(before: string, after: string): TextChange | null {
  if (before === after) return null;
  const most = Math.min(before.length, after.length);
  let head = 0;
  while (head < most && before.charCodeAt(head) === after.charCodeAt(head)) head++;
  let tail = 0;
  while (
    tail < most - head &&
    before.charCodeAt(before.length - 1 - tail) === after.charCodeAt(after.length - 1 - tail)
  )
    tail++;
  return { from: head, to: before.length - tail, insert: after.slice(head, after.length - tail) };
}
