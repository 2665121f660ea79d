/** Lists of any length put behind others. */

/** Puts all of a list behind another. As arguments of one `push`, a few hundred thousand would be more than the stack holds. */
export function pushAll<T>(list: T[], more: Iterable<T>): void {
  for (const each of more) list.push(each);
}
