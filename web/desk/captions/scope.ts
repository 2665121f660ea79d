/** The captions something is to be done to, as a stretch of the track. */

export type Scope = 'here' | 'selected' | 'on' | 'all';

export interface Position {
  /** Place of the cursor caption. */
  readonly here: number;
  /** Places of the selected captions, the last one counted in; null where none are. */
  readonly selected: { readonly from: number; readonly to: number } | null;
  readonly captions: number;
}

/** Places [from, to) of what is meant. */
export function rangeOf(where: Scope, { here, selected, captions }: Position): { from: number; to: number } {
  if (where === 'all') return { from: 0, to: captions };
  if (where === 'on') return { from: here, to: captions };
  return where === 'selected' && selected ? { from: selected.from, to: selected.to + 1 } : { from: here, to: here + 1 };
}
