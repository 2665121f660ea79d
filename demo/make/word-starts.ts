/** When each word of a sentence begins in flite's voice, by the phones flite says it makes. */
import { execFileSync } from 'node:child_process';

const flite = (how: readonly string[], text: string): readonly string[] =>
  execFileSync('flite', [...how, '-t', text, 'none'], { encoding: 'utf8' })
    .trim()
    .split(/\s+/);

const known = new Map<string, readonly string[]>();
/** What flite makes of one word by itself: the words it says for it, or their phones. */
function ofWord(what: '-pw' | '-ps', word: string): readonly string[] {
  const key = `${what} ${word}`;
  // A letter by itself has a line before its name.
  const found =
    known.get(key) ?? flite([what], word).flatMap((each) => (each === 'pau' ? [] : [each.replace('_', '')]));
  known.set(key, found);
  return found;
}

/** For each phone of the first row the one it stands for in the second: the fewest changes (Levenshtein); -1 for none. */
function matched(a: readonly string[], b: readonly string[]): readonly number[] {
  const cost = Array.from({ length: a.length + 1 }, (_, i) => Array.from({ length: b.length + 1 }, (_, j) => i + j));
  const at = (i: number, j: number): number => cost[i]?.[j] ?? Infinity;
  for (let i = 1; i <= a.length; i++)
    for (let j = 1; j <= b.length; j++) {
      const row = cost[i];
      if (row)
        row[j] = Math.min(at(i - 1, j) + 1, at(i, j - 1) + 1, at(i - 1, j - 1) + (a[i - 1] === b[j - 1] ? 0 : 1));
    }
  const to = a.map(() => -1);
  for (let [i, j] = [a.length, b.length]; i > 0 && j > 0;) {
    const here = at(i, j);
    if (here === at(i - 1, j - 1) + (a[i - 1] === b[j - 1] ? 0 : 1)) to[--i] = --j;
    else if (here === at(i - 1, j) + 1) i--;
    else j--;
  }
  return to;
}

/**
 * @param how flite's voice and speed
 * @param said as it is said @returns for each word as it is written its start in ms from the first phone; null where
 * flite says other words than by themselves, or another number of them is said than is written
 */
export function wordStarts(how: readonly string[], said: string, written: string): readonly number[] | null {
  const words = said.split(' ').filter((word) => /[\p{L}\p{N}]/u.test(word));
  if (words.length !== written.split(' ').filter((word) => /[\p{L}\p{N}]/u.test(word)).length) return null;
  if (words.flatMap((word) => ofWord('-pw', word)).join(' ') !== flite(['-pw'], said).join(' ')) return null;
  const phones = flite([...how, '-psdur'], said).map((each) => {
    const [phone = '', end = '0'] = each.split(':');
    return { phone, end: Number(end) * 1000 };
  });
  const spoken = phones.flatMap(({ phone }, i) => (phone === 'pau' ? [] : [{ phone, start: phones[i - 1]?.end ?? 0 }]));
  const own = words.flatMap((word, n) => ofWord('-ps', word).map((phone) => ({ phone, n })));
  const to = matched(
    own.map((each) => each.phone),
    spoken.map((each) => each.phone),
  );
  const first = spoken[0]?.start ?? 0;
  const starts = words.map((_, n) => {
    const place = to[own.findIndex((each) => each.n === n)];
    return Math.round((spoken[place ?? -1]?.start ?? NaN) - first);
  });
  return starts.every((start, i) => Number.isFinite(start) && start > (starts[i - 1] ?? -1)) ? starts : null;
}
