/** Words of a caption that somebody asks about. */
import { min } from 'd3-array';
import { tokensOf } from '../text/tokens.ts';
import { withoutPunctuation } from '../languages/word-facts.ts';
import type { TextRange } from '../text/text-range.ts';
import type { Caption, WordRange } from './caption.ts';

/** Words side by side in one caption, without the punctuation around them. */
export interface SelectedWords extends TextRange {
  /** When they are said, in ms. */
  readonly start: number;
  readonly end: number;
  /** How sure the recogniser was of the one it was least sure of; null where it wrote none of them as they stand. */
  readonly certainty: number | null;
  readonly words: readonly WordRange[];
}

/**
 * The words a stretch of a caption touches, or the word it stands at where it is empty.
 * @returns null where there is no word
 */
export function selectedWordsAt(caption: Caption, { from, to }: TextRange): SelectedWords | null {
  const { text } = caption;
  const touched = tokensOf(text, 0, text.length).filter((t) =>
    from === to ? t.from <= from && t.to >= from : t.from < to && t.to > from,
  );
  const first = touched[0]?.from ?? 0;
  const whole = text.slice(first, touched.at(-1)?.to ?? first);
  const inner = withoutPunctuation(whole);
  if (inner === '') return null;
  const begins = first + whole.indexOf(inner);
  return selectedWordsIn(caption, { from: begins, to: begins + inner.length });
}

/** A stretch of a caption with what is known of its words; where they have no times, the caption’s stand for theirs. */
export function selectedWordsIn(caption: Caption, { from, to }: TextRange): SelectedWords {
  const words = caption.words.filter((w) => w[0] < to && w[1] > from);
  const certainties = words.flatMap((w) =>
    w[5] === 'recogniser' && withoutPunctuation(caption.text.slice(w[0], w[1])) === withoutPunctuation(w[6])
      ? [w[4]]
      : [],
  );
  return {
    from,
    to,
    start: words[0]?.[2] ?? caption.start,
    end: words.at(-1)?.[3] ?? caption.end,
    certainty: min(certainties) ?? null,
    words,
  };
}
