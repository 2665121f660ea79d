/** A part of a text, by offsets in UTF-16 units; `to` is not counted in. */
export interface TextRange {
  readonly from: number;
  readonly to: number;
}

/** Whether two stretches share a character. */
export const overlaps = (a: TextRange, b: TextRange): boolean => a.from < b.to && b.from < a.to;
