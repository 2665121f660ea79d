/**
 * Learns from a dictionary which phones letters give. Letters and phones are first paired by expectation maximisation
 * (Dempster, Laird and Rubin 1977; as Jiampojamarn, Kondrak and Sherif 2007 use it for letters and phones, from memory),
 * then for each letter the phones that were met most often are kept for stretches of letters around it, the long ones
 * only where they say something else than the shorter ones.
 */
import type { Dictionary } from './dictionary.ts';
import { around, padded, reaches, type LetterRules } from './letters.ts';

/** A letter gives so many phones at most. */
const mostPhones = 2;
/** How often letters and phones are paired anew. */
const rounds = 5;
/** A rule for a stretch of letters has to have been met so often. */
const leastMet = 3;

/** Ways to pair a word: for each letter how many phones it gives. */
function paired(
  word: string,
  phones: readonly string[],
  likely: (letter: string, chunk: string) => number,
): string[] | null {
  const [n, m] = [word.length, phones.length];
  // The likeliest way, as logarithms.
  const best = Array.from({ length: n + 1 }, () => new Float64Array(m + 1).fill(-Infinity));
  const taken = Array.from({ length: n + 1 }, () => new Uint8Array(m + 1));
  (best[0] as Float64Array)[0] = 0;
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= m; j++) {
      const here = best[i]?.[j] ?? -Infinity;
      if (here === -Infinity) continue;
      for (let k = 0; k <= mostPhones && j + k <= m; k++) {
        const score = here + likely(word.charAt(i), phones.slice(j, j + k).join(' '));
        const row = best[i + 1];
        const steps = taken[i + 1];
        if (row && steps && score > (row[j + k] ?? -Infinity)) {
          row[j + k] = score;
          steps[j + k] = k;
        }
      }
    }
  if ((best[n]?.[m] ?? -Infinity) === -Infinity) return null;
  const chunks: string[] = [];
  for (let i = n, j = m; i > 0; i--) {
    const k = taken[i]?.[j] ?? 0;
    chunks.unshift(phones.slice(j - k, j).join(' '));
    j -= k;
  }
  return chunks;
}

/** The rules a dictionary teaches. The same dictionary always teaches the same. */
export function learnLetters(dictionary: Dictionary): LetterRules {
  const words = [...dictionary]
    .filter(([word]) => /^[\p{L}'-]+$/u.test(word) && /\p{L}/u.test(word))
    .map(([word, [first = '']]) => ({ word, phones: first.split(' ') }));

  let chances = new Map<string, number>();
  const first = (_: string, chunk: string): number => (chunk === '' ? -2 : chunk.includes(' ') ? -3 : -1);
  let likely: (letter: string, chunk: string) => number = first;
  let pairs: (readonly string[] | null)[] = [];
  for (let round = 0; round < rounds; round++) {
    pairs = words.map(({ word, phones }) => paired(word, phones, likely));
    const counts = new Map<string, number>();
    const totals = new Map<string, number>();
    pairs.forEach((chunks, w) => {
      chunks?.forEach((chunk, i) => {
        const letter = words[w]?.word.charAt(i) ?? '';
        counts.set(`${letter} ${chunk}`, (counts.get(`${letter} ${chunk}`) ?? 0) + 1);
        totals.set(letter, (totals.get(letter) ?? 0) + 1);
      });
    });
    chances = new Map([...counts].map(([key, n]) => [key, Math.log(n / (totals.get(key.charAt(0)) ?? 1))]));
    likely = (letter, chunk) => chances.get(`${letter} ${chunk}`) ?? -12;
  }

  const rules: Record<string, string> = {};
  const texts = words.map(({ word }) => padded(word));
  // From the shortest stretches on: a longer one is kept where it says something else.
  for (const reach of [...reaches].reverse()) {
    const met = new Map<string, Map<string, number>>();
    pairs.forEach((chunks, w) => {
      const text = texts[w] ?? '';
      chunks?.forEach((chunk, i) => {
        const key = around(text, i + 3, reach);
        const said = met.get(key) ?? new Map<string, number>();
        said.set(chunk, (said.get(chunk) ?? 0) + 1);
        met.set(key, said);
      });
    });
    const shorter = reaches.slice(reaches.findIndex((r) => r === reach) + 1);
    const added: [string, string][] = [];
    for (const [key, said] of met) {
      const [chunk, count] = [...said].reduce((a, b) => (b[1] > a[1] ? b : a));
      const split = key.indexOf('[');
      const inner = key.replace(/[[\]]/g, '');
      const known = shorter.map((r) => rules[around(inner, split, r)]).find((r) => r !== undefined);
      if (chunk !== known && (shorter.length === 0 || (count >= leastMet && count > (said.get(known ?? '-') ?? 0) + 1)))
        added.push([key, chunk]);
    }
    for (const [key, chunk] of added) rules[key] = chunk;
  }
  return Object.fromEntries(Object.entries(rules).sort(([a], [b]) => (a < b ? -1 : 1)));
}
