/** Which keyboard is in front of somebody. */
export const isMac = /Macintosh|iPad|iPhone/.test(navigator.userAgent);
