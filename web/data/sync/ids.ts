/** An id nobody else has made. */
export const newId = (): string => crypto.randomUUID();
