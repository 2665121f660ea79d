import { keptSnapshots, snapshotEvery } from './snapshots.ts';

/** What is kept after so many edits, each snapshot thinned out as it is made. */
function after(edits: number): readonly number[] {
  let kept: readonly number[] = [];
  for (let at = snapshotEvery; at <= edits; at += snapshotEvery) kept = keptSnapshots([...kept, at], at);
  return kept;
}

it('the last three are kept, then about one at each doubling', () => {
  const kept = after(100_000);
  expect(kept.slice(-3)).toEqual([99_600, 99_800, 100_000]);
  expect(kept.length).toBeLessThanOrEqual(13);
});

it('no edit is further from the one before it than it is from the end of the log', () => {
  for (const last of [200, 1000, 5200, 40_000]) {
    const kept = [0, ...after(last)];
    kept.slice(1).forEach((edit, i) => {
      const gap = edit - (kept[i] ?? 0);
      expect(gap).toBeLessThanOrEqual(Math.max(snapshotEvery, 2 * (last - edit + snapshotEvery)));
    });
  }
});
