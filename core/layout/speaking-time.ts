/** How long text takes to be said where nothing better is known. */

/** Time for a letter, in ms: common practice, 15 letters a second. */
export const perLetter = 67;
