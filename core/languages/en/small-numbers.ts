/** English numbers below a hundred in words. */
import type { SmallNumbers } from '../data/written-language.ts';

const units =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const tens = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');

function inWords(n: number): string {
  const unit = units[n];
  if (unit !== undefined) return unit;
  const ten = tens[Math.floor(n / 10) - 2] ?? '';
  return n % 10 === 0 ? ten : `${ten}-${units[n % 10] ?? ''}`;
}

const values = new Map(Array.from({ length: 100 }, (_, n) => [inWords(n), n]));

export const smallNumbers: SmallNumbers = {
  inWords,
  ofWord: (word) => values.get(word.toLowerCase()) ?? null,
  larger: /^(?:hundred|thousand|million|billion|point)/i,
  goesOn: /hundred\s+and\s+$/i,
};
