/** English numbers below a hundred in words, for the convention which of them are written in digits. */

const units =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const tens = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');

/** `forty-two` for 42. @param n a whole number from 0 to 99 */
export function numberInWords(n: number): string {
  const unit = units[n];
  if (unit !== undefined) return unit;
  const ten = tens[Math.floor(n / 10) - 2] ?? '';
  return n % 10 === 0 ? ten : `${ten}-${units[n % 10] ?? ''}`;
}

const values = new Map(Array.from({ length: 100 }, (_, n) => [numberInWords(n), n]));

/** 42 for `forty-two`, in any case; null where a word is no number below a hundred. */
export const numberOfWord = (word: string): number | null => values.get(word.toLowerCase()) ?? null;
