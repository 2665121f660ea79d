/** Which whole states of a track are kept, so that any edit of its log opens soon and the folder stays small. */

/** A state is written down at every so many edits. */
export const snapshotEvery = 200;
/** So many of the newest are kept. */
const newest = 3;

/**
 * The snapshots to keep: the newest three, and of the older ones the oldest of each doubling of their
 * age, so that their number grows with the logarithm of the log.
 * @param edits edit numbers of the snapshots there are
 * @param last the number of the last edit
 */
export function keptSnapshots(edits: readonly number[], last: number): readonly number[] {
  const oldestFirst = [...edits].sort((a, b) => a - b);
  const recent = oldestFirst.slice(-newest);
  const doublings = new Map<number, number>();
  for (const edit of oldestFirst.slice(0, -newest)) {
    const doubling = Math.floor(Math.log2(Math.max(1, (last - edit) / snapshotEvery)));
    if (!doublings.has(doubling)) doublings.set(doubling, edit);
  }
  return [...doublings.values(), ...recent].sort((a, b) => a - b);
}
