/** How captions lie in the one document of the text surface: their texts, one after the other, joined by line breaks. */
import { equalEnds, equalTextEnds } from '../../../core/text/equal-ends.ts';
import type { Caption } from '../../../core/model/caption.ts';

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
export function layoutDifference(before: string, after: string): TextChange | null {
  if (before === after) return null;
  const { head, tail } = equalTextEnds(before, after);
  return { from: head, to: before.length - tail, insert: after.slice(head, after.length - tail) };
}

/** More captions than this are not changed one by one where they are out of sight. */
const fewChanges = 100;

/**
 * The changes that make the document of these captions that of others, in document positions and in
 * order.
 * @param sight places of the first and last caption in sight: where very many changed, those before and
 *   those after it are changed as one stretch each, which an editor takes in far sooner
 */
export function changesTo(
  layout: Layout,
  after: readonly Caption[],
  sight?: { readonly first: number; readonly last: number },
): readonly TextChange[] {
  const { captions: before, starts } = layout;
  if (before.length !== after.length) return changeBetween(layout, after);
  const each = after.flatMap((caption, i) => {
    const was = before[i];
    const change = was && was !== caption ? layoutDifference(was.text, caption.text) : null;
    return change ? [{ i, change: moved(change, starts[i] ?? 0) }] : [];
  });
  if (!sight || each.length <= fewChanges) return each.map(({ change }) => change);
  const gathered = (some: typeof each): readonly TextChange[] => {
    const [first, last] = [some[0], some.at(-1)];
    if (!first || !last) return [];
    const from = starts[first.i] ?? 0;
    const to = (starts[last.i] ?? 0) + (before[last.i]?.text.length ?? 0);
    return [{ from, to, insert: documentOf(after.slice(first.i, last.i + 1)) }];
  };
  return [
    ...gathered(each.filter(({ i }) => i < sight.first)),
    ...each.filter(({ i }) => i >= sight.first && i <= sight.last).map(({ change }) => change),
    ...gathered(each.filter(({ i }) => i > sight.last)),
  ];
}

/** One change from where two tracks begin to differ to where they no longer do. */
function changeBetween({ captions: before, starts }: Layout, after: readonly Caption[]): readonly TextChange[] {
  const { head, tail } = equalEnds(before, after);
  // A caption that is the same on either side is taken along, for the line breaks between them.
  const from = Math.max(0, head - 1);
  const rest = Math.max(0, tail - 1);
  const change = layoutDifference(
    documentOf(before.slice(from, before.length - rest)),
    documentOf(after.slice(from, after.length - rest)),
  );
  return change ? [moved(change, starts[from] ?? 0)] : [];
}

const moved = ({ from, to, insert }: TextChange, by: number): TextChange => ({ from: from + by, to: to + by, insert });

/** Where a position of the document is once these captions have become others, of which there are as many. */
export function followedLayout(layout: Layout, after: Layout, position: number): number {
  const { index, offset } = spotAt(layout, position);
  const change = layoutDifference(layout.captions[index]?.text ?? '', after.captions[index]?.text ?? '');
  const start = after.starts[index] ?? 0;
  if (!change || offset <= change.from) return start + offset;
  const by = change.insert.length - (change.to - change.from);
  return start + (offset >= change.to ? offset + by : change.from + change.insert.length);
}
