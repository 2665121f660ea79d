/** Times of pieces of work, taken in turns in one run, so that what else the machine does falls on all alike. */

export interface Work {
  readonly name: string;
  /** Makes what the work is done on, outside the time that is taken. */
  readonly prepare?: () => unknown;
  /** @param turn counts the turns of a round */
  readonly run: (prepared: unknown, turn: number) => unknown;
  /** Work far shorter than the clock is fine is done so many times a round, and the time shared. */
  readonly times?: number;
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
    for (const { name, prepare, run, times = 1 } of works) {
      const prepared = prepare?.();
      const start = performance.now();
      for (let turn = 0; turn < times; turn++) run(prepared, turn);
      const ms = (performance.now() - start) / times;
      if (round >= 0) taken.set(name, [...(taken.get(name) ?? []), ms]);
    }
  }
  return [...taken].map(([name, all]) => ({
    name,
    ms: [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0,
  }));
}
