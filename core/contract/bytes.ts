/** A body that is no JSON: a file, a recording, a picture, a stream of events. */
declare const marker: unique symbol;

/** Stands in the contract where bytes travel; there are no values of it. */
export interface Bytes {
  readonly [marker]: never;
}
