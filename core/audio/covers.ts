/** What was read of a sound, held against how long its recording is. */

/** What was read may end so much before its recording does: pictures may go on for a moment without sound, in ms. */
const moment = 1000;

/**
 * Whether what was read goes through a recording. One whose file says a wrong length may have some more.
 * @param read how far, in ms
 * @param length of the recording, in ms; null where nobody knows it
 */
export const coversRecording = (read: number, length: number | null): boolean =>
  length === null || (read >= length * 0.98 - moment && staysInside(read, length));

/** Whether what was read lies in its recording. @param last moment, in ms */
export const staysInside = (last: number, length: number | null): boolean =>
  length === null || last <= length * 1.1 + 10 * moment;
