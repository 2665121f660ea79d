/**
 * How a word that is in no dictionary may be said, from its letters: each letter gives no phone, one or two, by the
 * longest stretch of letters around it that was met often enough where the rules were learnt (`learn-letters.ts`).
 */

/** Letters before and after that are looked at, the most first. */
export const reaches = [
  [3, 3],
  [2, 3],
  [2, 2],
  [1, 2],
  [1, 1],
  [0, 1],
  [0, 0],
] as const satisfies readonly (readonly [number, number])[];

/** Learnt rules: a letter with its surroundings, as `ab[c]de`, and the phones it gives, parted by spaces. */
export type LetterRules = Readonly<Record<string, string>>;

/** Beyond either end of a word. */
const edge = '#';
/** The letters around a place, as rules are named. @param padded letters with edges around them @param at place in them */
export const around = (padded: string, at: number, [before, after]: readonly [number, number]): string =>
  `${padded.slice(at - before, at)}[${padded.charAt(at)}]${padded.slice(at + 1, at + 1 + after)}`;
/** Letters with edges around them, so that the letter at i is at i + 3. */
export const padded = (word: string): string => edge.repeat(3) + word + edge.repeat(3);

/** Phones of a word, parted by spaces; letters that were never met give none. */
export function phonesOfLetters(word: string, rules: LetterRules): string {
  const text = padded(word);
  const phones: string[] = [];
  for (let at = 3; at < text.length - 3; at++) {
    for (const reach of reaches) {
      const said = rules[around(text, at, reach)];
      if (said === undefined) continue;
      if (said !== '') phones.push(said);
      break;
    }
  }
  return phones.join(' ');
}
