/** What makes a recording and what takes one away, one after the other. */
let last: Promise<unknown> = Promise.resolve();

/**
 * Waits for its turn. An equal upload may come just as its
 * file is swept, and would be left with a row and no file.
 */
export function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const next = last.then(work, work);
  last = next.catch(() => undefined);
  return next;
}
