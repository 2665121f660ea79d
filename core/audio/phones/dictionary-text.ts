/**
 * A pronouncing dictionary as one text, a line a word, that is looked up where it stands: a table of 130,000
 * words takes a third of a second to make, and most openings never ask for one.
 */

const byCodeUnits = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** The text of a dictionary: each word, a space, and how it is said; words in the order of their code units. */
export const dictionaryText = (dictionary: Readonly<Record<string, string>>): string =>
  Object.keys(dictionary)
    .sort(byCodeUnits)
    .map((word) => `${word} ${dictionary[word] ?? ''}\n`)
    .join('');

/** How a word is said by a text that `dictionaryText` made; undefined where it does not have the word. */
export function lookUp(text: string, word: string): string | undefined {
  let [low, high] = [0, text.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    // From the character before, so that a line that begins at the middle is not taken for the next one.
    const begin = middle === 0 ? 0 : text.lastIndexOf('\n', middle - 1) + 1;
    const end = text.indexOf('\n', begin);
    const gap = text.indexOf(' ', begin);
    const there = text.slice(begin, gap);
    if (there === word) return text.slice(gap + 1, end);
    if (there < word) low = end + 1;
    else high = begin;
  }
  return undefined;
}
