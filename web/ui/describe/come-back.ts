/** A caption that is marked to be come back to, in words. */

/** @param note what for; empty where nobody said */
export const comeBackInWords = (note: string): string =>
  note === '' ? 'Marked to come back to' : `To come back to: ${note}`;
