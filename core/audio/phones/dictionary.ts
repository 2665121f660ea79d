/** A pronouncing dictionary as recognisers have it: a word and its phones on a line, further ways as `word(2)`. */

export type Dictionary = ReadonlyMap<string, readonly string[]>;

/** Reads a dictionary. @param text lines of `word PH ON ES` */
export function readDictionary(text: string): Dictionary {
  const words = new Map<string, string[]>();
  for (const line of text.split('\n')) {
    const space = line.indexOf(' ');
    if (space <= 0) continue;
    const word = line.slice(0, space).replace(/\(\d+\)$/, '');
    const phones = line.slice(space + 1).trim();
    const known = words.get(word);
    if (known) known.push(phones);
    else words.set(word, [phones]);
  }
  return words;
}
