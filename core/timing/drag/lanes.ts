/** Captions on screen at the same time stand side by side: which lane each is in, and how many there are beside it. */
import type { Timed } from './move.ts';

export interface Lane {
  /** From 0. */
  readonly lane: number;
  /** How many lanes the captions that overlap, directly or through others, need. */
  readonly of: number;
}

/** @param captions in the order of their beginnings @returns a lane for each */
export function lanesOf(captions: readonly Timed[]): readonly Lane[] {
  const lanes: number[] = [];
  const wide: number[] = [];
  let group: number[] = [];
  let ends: number[] = [];
  const close = (): void => {
    for (const i of group) wide[i] = ends.length;
    [group, ends] = [[], []];
  };
  captions.forEach(({ start, end }, i) => {
    if (ends.every((at) => at <= start)) close();
    const free = ends.findIndex((at) => at <= start);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = end;
    lanes.push(lane);
    group.push(i);
  });
  close();
  return lanes.map((lane, i) => ({ lane, of: wide[i] ?? 1 }));
}
