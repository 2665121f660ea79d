/** Chance that is the same every time. */

/** A repeatable source of chance, 0 to 1 (Park and Miller, from memory). */
export function chances(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}
