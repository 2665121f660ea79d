/** Makes the script of captions: all that is said in them, as words to be found in the sound. */
import { saidIn } from './say.ts';
import type { Pronouncer } from '../phones/pronounce.ts';
import type { Caption } from '../../model/caption.ts';
import type { Script, WordToPlace } from './script.ts';

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
