/** A part of a text, by offsets in UTF-16 units; `to` is not counted in. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}
