/** What a text can be judged by: one without capitals, or without the ends of sentences, says nothing about either. */

/** What the writing of a text has. */
export interface Written {
  /** Words that begin with a capital, or a script that has none to miss. */
  readonly capitals: boolean;
  /** Signs that end sentences. */
  readonly ends: boolean;
}

/** Fewer words than this tell nothing; a text as short as that is judged like any other. */
const fewest = 20;
/** Speech has an end of a sentence every 10 to 20 words (common practice in captions); one in this many is none on purpose. */
const mostBetween = 100;

const words = /[\p{L}\p{N}][\p{L}\p{N}\p{M}'’-]*/gu;
/** What ends a sentence, in the scripts that have a sign for it (Unicode: Sentence_Terminal). */
const sentenceEnd = /\p{Sentence_Terminal}/gu;
const count = (text: string, sign: RegExp): number => text.match(sign)?.length ?? 0;

/**
 * What a track's text can be judged by. A lone “I” is no capital: recognisers write it whatever else they leave out.
 * @param texts of captions
 */
export function whatIsWritten(texts: readonly string[]): Written {
  let [all, capitals, cased, ends] = [0, 0, 0, 0];
  for (const text of texts) {
    ends += count(text, sentenceEnd);
    for (const [word] of text.matchAll(words)) {
      all++;
      if (!/\p{Ll}/u.test(word)) continue;
      cased++;
      if (/^\p{Lu}/u.test(word) && !/^I(?:['’]|$)/.test(word)) capitals++;
    }
  }
  if (all < fewest) return { capitals: true, ends: true };
  return { capitals: cased === 0 || capitals * mostBetween >= cased, ends: ends * mostBetween >= all };
}
