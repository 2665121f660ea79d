/** Times of pieces of work, taken in turns in one run, so that what else the machine does falls on all alike. */

export interface Work {
  readonly name: string;
  /** Makes what the work is done on, outside the time that is taken. */
  readonly prepare?: () => unknown;
  readonly run: (prepared: unknown) => unknown;
}

export interface Measured {
  readonly name: string;
  /** Median, in ms. */
  readonly ms: number;
}

const rounds = 11;

/** The median time of each piece of work over several rounds, after two that do not count. */
export function measure(works: readonly Work[]): Measured[] {
  const taken = new Map<string, number[]>();
  for (let round = -2; round < rounds; round++) {
    for (const { name, prepare, run } of works) {
      const prepared = prepare?.();
      const start = performance.now();
      run(prepared);
      const ms = performance.now() - start;
      if (round >= 0) taken.set(name, [...(taken.get(name) ?? []), ms]);
    }
  }
  return [...taken].map(([name, all]) => ({
    name,
    ms: [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0,
  }));
}
