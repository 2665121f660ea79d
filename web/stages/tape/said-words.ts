/** Words where they are said, to be drawn on the tape. */
import { captionAt, type Caption } from '../../../core/model/caption.ts';

export interface SaidWord {
  readonly text: string;
  /** In ms. */
  readonly start: number;
  readonly end: number;
}

/** Words of captions that reach into a time. A word is looked for in its own caption, so one far out of it is not found. */
export function saidWords(captions: readonly Caption[], from: number, until: number): SaidWord[] {
  const words: SaidWord[] = [];
  const last = captionAt(captions, until);
  for (let i = Math.max(0, captionAt(captions, from) - 1); i <= last + 1; i++) {
    const caption = captions[i];
    if (!caption) continue;
    for (const [first, end, said, over, , how] of caption.words)
      if (how !== 'guessed' && over > from && said < until)
        words.push({ text: caption.text.slice(first, end), start: said, end: over });
  }
  return words;
}
