/** JSON whose shape is not known yet. */

/** An object of it. */
export type JsonObject = Readonly<Record<string, unknown>>;
