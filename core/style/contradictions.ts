/** Limits of a house style that cannot be kept together. */
import type { HouseStyle } from './style.ts';

export interface Contradiction {
  /** The value that is too large for another, as `time.shortest.limit`. */
  readonly path: string;
  /** The other, that it is held against. */
  readonly against: string;
  /** In which way it is too large. */
  readonly how: 'longer than' | 'above' | 'more than';
}

/** What of a style cannot be kept together; empty where all of it can. */
export function contradictions({ time, reading, text }: HouseStyle): readonly Contradiction[] {
  const held: readonly (Contradiction & { readonly value: number; readonly most: number })[] = [
    {
      ...{ path: 'time.shortest.limit', how: 'longer than', against: 'time.longest.limit' },
      ...{ value: time.shortest.limit, most: time.longest.limit },
    },
    {
      ...{ path: 'reading.speed.target', how: 'above', against: 'reading.speed.limit' },
      ...{ value: reading.speed.target, most: reading.speed.limit },
    },
    {
      ...{ path: 'reading.words.target', how: 'above', against: 'reading.words.limit' },
      ...{ value: reading.words.target, most: reading.words.limit },
    },
    {
      ...{ path: 'text.oneLineUpTo.limit', how: 'more than', against: 'text.lineLength.limit' },
      ...{ value: text.oneLineUpTo.limit, most: text.lineLength.limit },
    },
  ];
  return held.flatMap(({ value, most, path, how, against }) => (value > most ? [{ path, how, against }] : []));
}
