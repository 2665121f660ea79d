/** All that is said in captions, as one row of words to be found in the sound. */
import { saidIn } from '../spoken/say.ts';
import type { Reading } from '../spoken/spoken-language.ts';
import type { Pronouncer } from '../pronunciation/pronounce.ts';
import type { Caption } from '../track/caption.ts';

/** A word to be found. */
export interface WordToPlace {
  /** Place of its caption. */
  readonly caption: number;
  /** Offsets into that caption's text. */
  readonly from: number;
  readonly to: number;
  readonly readings: readonly Reading[];
  /** Letters that are said, of its first reading. */
  readonly letters: number;
}
/** The words of a whole track, in order. */
export interface Script {
  readonly words: readonly WordToPlace[];
  /** For each caption the place of its first word; where it has none, that of the next one said. */
  readonly firstOf: readonly number[];
}

const none: ReadonlySet<string> = new Set();

/**
 * @param language BCP 47
 * @param speakers names of speakers, in lower case
 * @param pronounce leaves out readings that have no sound; with none left a word cannot be placed
 */
export function scriptOf(
  captions: readonly Pick<Caption, 'text' | 'speakers'>[],
  language: string,
  pronounce: Pronouncer,
  speakers: ReadonlySet<string> = none,
): Script {
  const words: WordToPlace[] = [];
  const firstOf = captions.map((c, caption) => {
    const first = words.length;
    for (const { from, to, readings } of saidIn(c, language, speakers)) {
      const sounding = readings.filter((r) => r.every((word) => pronounce.waysOf(word).length > 0));
      if (sounding.length === 0) continue;
      const letters = (sounding[0] ?? []).reduce((sum, word) => sum + word.length, 0);
      words.push({ caption, from, to, readings: sounding, letters });
    }
    return first;
  });
  return { words, firstOf };
}

/** Time a stretch of the words needs to be said, in ms, as people speak. @param from @param to places, the last not among them */
export function sayingTime({ words }: Script, from: number, to: number): number {
  let letters = 0;
  for (let i = from; i < to; i++) letters += (words[i]?.letters ?? 0) + 1;
  return letters * perSaidLetter;
}
/** A letter with the pauses inside sentences takes about so long, in ms: measured on the human clips and both synthetic voices. */
const perSaidLetter = 68;
