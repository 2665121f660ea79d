/** How much two lists, or two texts, have in common at either end. */

export interface EqualEnds {
  /** So many are the same from the beginning. */
  readonly head: number;
  /** So many of the others are the same from the end. */
  readonly tail: number;
}

/** Of lists, by identity. */
export function equalEnds<T>(before: readonly T[], after: readonly T[]): EqualEnds {
  const shorter = Math.min(before.length, after.length);
  let head = 0;
  while (head < shorter && before[head] === after[head]) head++;
  const most = shorter - head;
  let tail = 0;
  while (tail < most && before[before.length - 1 - tail] === after[after.length - 1 - tail]) tail++;
  return { head, tail };
}

/** Of texts, by code unit: an end may lie inside a pair of surrogates. */
export function equalTextEnds(before: string, after: string): EqualEnds {
  const shorter = Math.min(before.length, after.length);
  let head = 0;
  while (head < shorter && before.charCodeAt(head) === after.charCodeAt(head)) head++;
  const most = shorter - head;
  let tail = 0;
  while (tail < most && before.charCodeAt(before.length - 1 - tail) === after.charCodeAt(after.length - 1 - tail))
    tail++;
  return { head, tail };
}
