/** JSON whose shape is not known yet. */

/** An object of it. */
export type JsonObject = Readonly<Record<string, unknown>>;

/** Whether two plain values are the same, written as JSON. */
export const isSameJson = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);
